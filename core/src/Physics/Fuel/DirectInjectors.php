<?php

namespace Pebblerun\Core\Physics\Fuel;

/** Injectors into the cylinder, which have a window of the cycle: safe to 220° and at the edge at 250° of 720°. */
final readonly class DirectInjectors implements Supply
{
    private const SAFE = 220.0;

    private const EDGE = 250.0;

    /**
     * @param  float  $flow  m³/s of each when held open, at the rated pressure
     * @param  float  $rated  Pa
     * @param  float  $rail  Pa over ambient
     */
    public function __construct(private int $count, private float $flow, private float $rated, private float $rail) {}

    public function edge(float $rpm, float $manifold, Blend $blend): float
    {
        return $this->count * $this->flow * sqrt(max(0.0, $this->rail - $manifold) / $this->rated) * $blend->density * self::EDGE / 720.0;
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
        return self::SAFE / self::EDGE;
    }
}
