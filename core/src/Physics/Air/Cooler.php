<?php

namespace Pebblerun\Core\Physics\Air;

/** A charge cooler whose core warms with every pull: C·dTc/dt = ε·ṁ·cp·(T2 − Tc) − UA·(Tc − Ta). */
final readonly class Cooler
{
    private const CP = 1005.0;

    /** Airspeed at which UA is stated, m/s; it grows with airspeed to the power 0.6. */
    private const STATED_AT = 10.0;

    /**
     * @param  float  $effectiveness  ε at the rated flow, 0–1
     * @param  float  $capacity  C of the core, J/K
     * @param  float  $conductance  UA to the outside air at 10 m/s, W/K
     * @param  ?float  $ratedFlow  kg/s of air at which ε is stated; null: ε at any flow
     * @param  ?float  $loss  Pa lost across it at the baseline's flow; null: as the platform's
     * @param  ?CoolerCore  $core  that all this is typical of; null where it was stated
     */
    public function __construct(public float $effectiveness, public float $capacity, public float $conductance, public ?float $ratedFlow = null, public ?float $loss = null, public ?CoolerCore $core = null) {}

    /** The cooler that a core makes. */
    public static function of(CoolerCore $core, ?float $loss = null): self
    {
        return new self(...[...$core->typical(), $loss, $core]);
    }

    /** ε = 1 − (1 − ε0)^((flow/rated flow)^−0.4): 0.70 becomes 0.6618 at 1.3 times its rated flow. */
    public function effectivenessAt(float $flow): float
    {
        return $this->ratedFlow === null || $flow <= 0.0 || $this->effectiveness >= 1.0
            ? $this->effectiveness
            : 1.0 - (1.0 - $this->effectiveness) ** (($flow / $this->ratedFlow) ** -0.4);
    }

    /**
     * T3 = T2 − ε·(T2 − Tc).
     *
     * @return float K
     */
    public function outlet(float $hot, float $core, float $flow): float
    {
        return $hot - $this->effectivenessAt($flow) * ($hot - $core);
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
            $core = $this->after($core, $ambient, $hot, $flow, $pulls->length, $pulls->airspeed);
            $ends[] = $core;
            $core = $this->after($core, $ambient, $hot, 0.0, $pulls->pause, $pulls->airspeedPaused);
        }

        return $ends;
    }

    /**
     * Where the core settles under load that goes on: Tc = (UA·Ta + ε·ṁ·cp·T2)/(UA + ε·ṁ·cp).
     *
     * @param  float  $airspeed  m/s on the core
     * @return float K
     */
    public function steady(float $ambient, float $hot, float $flow, float $airspeed = self::STATED_AT): float
    {
        $gained = $this->effectivenessAt($flow) * $flow * self::CP;
        $lost = $this->conductanceAt($airspeed);

        return ($lost * $ambient + $gained * $hot) / ($lost + $gained);
    }

    /** Exactly, for steady load: the core nears its steady state by e^(−t/τ). */
    private function after(float $core, float $ambient, float $hot, float $flow, float $seconds, float $airspeed): float
    {
        $steady = $this->steady($ambient, $hot, $flow, $airspeed);
        $rate = ($this->conductanceAt($airspeed) + $this->effectivenessAt($flow) * $flow * self::CP) / $this->capacity;

        return $steady + ($core - $steady) * exp(-$rate * $seconds);
    }

    private function conductanceAt(float $airspeed): float
    {
        return $this->conductance * ($airspeed / self::STATED_AT) ** 0.6;
    }
}
