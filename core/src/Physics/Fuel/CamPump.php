<?php

namespace Pebblerun\Core\Physics\Fuel;

/** A high-pressure pump that the engine turns: a volume for each of its revolutions, so a torque that falls smoothly with the ethanol. */
final readonly class CamPump implements Supply
{
    private const SAFE = 0.92;

    /** @param  float  $volume  m³ per engine revolution */
    public function __construct(private float $volume) {}

    /** @param  float  $volume  m³/s that it gives for good at a speed */
    public static function goodFor(float $volume, float $rpm): self
    {
        return new self($volume / ($rpm / 60.0) / self::SAFE);
    }

    public function edge(float $rpm, float $manifold, Blend $blend): float
    {
        return $this->volume * $rpm / 60.0 * $blend->density;
    }

    public function followsBoost(): bool
    {
        return false;
    }

    public function feeds(): bool
    {
        return false;
    }

    public function safe(): float
    {
        return self::SAFE;
    }
}
