<?php

namespace Pebblerun\Core\Units;

/** An engine speed; rpm stays rpm everywhere. */
final readonly class Rpm
{
    /** ω in rad/s for 1 rpm. */
    public const OMEGA = M_PI / 30.0;

    private function __construct(public float $value) {}

    public static function of(float $rpm): self
    {
        return new self(Finite::check('engine speed', $rpm));
    }

    public function radiansPerSecond(): float
    {
        return $this->value * self::OMEGA;
    }
}
