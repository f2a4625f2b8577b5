<?php

namespace Pebblerun\Core\Units;

/** A torque in newton metres. At the wheels it means wheel power over engine speed. */
final readonly class Torque
{
    public const LB_FT = 1.3558179483;

    private function __construct(public float $newtonMetres) {}

    public static function newtonMetres(float $newtonMetres): self
    {
        return new self(Finite::check('torque', $newtonMetres));
    }

    public static function poundFeet(float $poundFeet): self
    {
        return self::newtonMetres($poundFeet * self::LB_FT);
    }

    public function in(TorqueUnit $unit): float
    {
        return $this->newtonMetres / $unit->newtonMetres();
    }
}
