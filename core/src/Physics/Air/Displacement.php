<?php

namespace Pebblerun\Core\Physics\Air;

/**
 * A blower that holds volume: ṁ = V_b·i·rpm/60·p1/(R·T1)·η_v, η_v = 0.95 − 0.08·(PR − 1)·r_P/rpm. Its pressure comes from that and from
 * what the engine swallows, so an engine that breathes better lowers it.
 */
final readonly class Displacement implements Charger
{
    private const MOST_RATIO = 4.0;

    private const HALVINGS = 24;

    /**
     * @param  float  $volume  V_b·i, m³ a crank revolution
     * @param  float  $powerRpm  r_P
     */
    public function __construct(private Compression $compression, private float $volume, private float $powerRpm) {}

    /** The volume that gives a ratio at r_P to an engine that swallows so much: 2.9555 L for 1.50, 4.8 L at 6,200 rpm and a filling of 0.90. */
    public static function giving(Compression $compression, float $ratio, float $powerRpm, float $swept): self
    {
        $day = Ambient::standard();
        $flow = $compression->at($day, $ratio, $swept)->flow;

        return new self($compression, $flow / ($powerRpm / 60.0) / Filling::flow(1.0, $day->pressure, $day->kelvin) / self::filled($ratio, $powerRpm, $powerRpm), $powerRpm);
    }

    /** The same, turned faster by a pulley. */
    public function driven(float $times): self
    {
        return new self($this->compression, $this->volume * $times, $this->powerRpm);
    }

    /** m³ a crank revolution. */
    public function volume(): float
    {
        return $this->volume;
    }

    public function charge(Ambient $day, float $rpm, float $swept): Charge
    {
        $least = 1.0;
        $most = self::MOST_RATIO;
        for ($step = 0; $step < self::HALVINGS; $step++) {
            $middle = ($least + $most) / 2.0;
            if ($this->delivers($day, $rpm, $middle) >= $this->compression->at($day, $middle, $swept)->flow) {
                $least = $middle;
            } else {
                $most = $middle;
            }
        }

        return $this->compression->at($day, $least, $swept);
    }

    private function delivers(Ambient $day, float $rpm, float $ratio): float
    {
        return $this->volume * $rpm / 60.0 * Filling::flow(1.0, $day->pressure, $day->kelvin) * self::filled($ratio, $rpm, $this->powerRpm);
    }

    private static function filled(float $ratio, float $rpm, float $powerRpm): float
    {
        return 0.95 - 0.08 * ($ratio - 1.0) * $powerRpm / $rpm;
    }
}
