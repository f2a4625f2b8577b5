<?php

namespace Pebblerun\Core\Units;

/** A power in watts, whatever frame it was read in. */
final readonly class Power
{
    public const HP = 745.699872;

    public const PS = 735.49875;

    private function __construct(public float $watts) {}

    public static function watts(float $watts): self
    {
        return new self(Finite::check('power', $watts));
    }

    public static function kilowatts(float $kilowatts): self
    {
        return self::watts($kilowatts * 1000.0);
    }

    /** Mechanical horsepower, 550 ft·lbf/s. */
    public static function hp(float $hp): self
    {
        return self::watts($hp * self::HP);
    }

    /** Metric horsepower, 75 kgf·m/s. */
    public static function ps(float $ps): self
    {
        return self::watts($ps * self::PS);
    }

    /** P = T·ω. */
    public static function ofTorque(Torque $torque, Rpm $at): self
    {
        return self::watts($torque->newtonMetres * $at->radiansPerSecond());
    }

    public function in(PowerUnit $unit): float
    {
        return $this->watts / $unit->watts();
    }
}
