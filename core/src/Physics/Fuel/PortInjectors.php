<?php

namespace Pebblerun\Core\Physics\Fuel;

/** Injectors before the valves: n·Q·√(Δp/Δp_rated)·ρ·duty, safe to 0.85 and at the edge at 0.95. */
final readonly class PortInjectors implements Supply
{
    private const SAFE = 0.85;

    private const EDGE = 0.95;

    /**
     * @param  float  $flow  m³/s of each when held open, at the rated pressure
     * @param  float  $rated  Pa
     * @param  float  $rail  Pa over ambient
     * @param  bool  $follows  the rail follows the manifold's pressure
     */
    public function __construct(private int $count, private float $flow, private float $rated, private float $rail, private bool $follows) {}

    public function edge(float $rpm, float $manifold, Blend $blend): float
    {
        $left = $this->follows ? $this->rail : max(0.0, $this->rail - $manifold);

        return $this->count * $this->flow * sqrt($left / $this->rated) * $blend->density * self::EDGE;
    }

    public function followsBoost(): bool
    {
        return ! $this->follows;
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
