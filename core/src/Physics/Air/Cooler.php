<?php

namespace Pebblerun\Core\Physics\Air;

/** A charge cooler whose core warms with every pull: C·dTc/dt = ε·ṁ·cp·(T2 − Tc) − UA·(Tc − Ta). */
final readonly class Cooler
{
    private const CP = 1005.0;

    /** Airspeed at which UA is stated, m/s; it grows with airspeed to the power 0.6. */
    private const STATED_AT = 10.0;

    private const STEP = 0.25;

    /**
     * @param  float  $effectiveness  ε, 0–1
     * @param  float  $capacity  C of the core, J/K
     * @param  float  $conductance  UA to the outside air at 10 m/s, W/K
     */
    public function __construct(public float $effectiveness, public float $capacity, public float $conductance) {}

    /**
     * T3 = T2 − ε·(T2 − Tc).
     *
     * @return float K
     */
    public function outlet(float $hot, float $core): float
    {
        return $hot - $this->effectiveness * ($hot - $core);
    }

    /**
     * The core's temperature at the end of each of several pulls with pauses between.
     *
     * @param  float  $ambient  K, also where the core starts
     * @param  float  $hot  T2 under load, K
     * @param  float  $flow  air, kg/s, under load
     * @param  Pulls  $pulls  how many, how long, and the air on the core
     * @return list<float> K
     */
    public function soak(float $ambient, float $hot, float $flow, Pulls $pulls): array
    {
        $core = $ambient;
        $ends = [];
        for ($pull = 0; $pull < $pulls->count; $pull++) {
            $core = $this->run($core, $ambient, $hot, $flow, $pulls->length, $pulls->airspeed);
            $ends[] = $core;
            $core = $this->run($core, $ambient, $hot, 0.0, $pulls->pause, $pulls->airspeedPaused);
        }

        return $ends;
    }

    private function run(float $core, float $ambient, float $hot, float $flow, float $seconds, float $airspeed): float
    {
        $loss = $this->conductance * ($airspeed / self::STATED_AT) ** 0.6;
        for ($t = 0.0; $t < $seconds; $t += self::STEP) {
            $core += self::STEP * ($this->effectiveness * $flow * self::CP * ($hot - $core) - $loss * ($core - $ambient)) / $this->capacity;
        }

        return $core;
    }
}
