<?php

namespace Pebblerun\Core\Physics\Fuel;

/** A low-pressure or lift pump, or what is told by the power it is good for: a flow at the rail's pressure. */
final readonly class FeedPump implements Supply
{
    private const SAFE = 1.0 / 1.1;

    /** Of the flow that a bar of boost takes where the rail follows it. */
    private const PER_BAR = 0.12;

    /**
     * @param  float  $flow  m³/s at rail pressure
     * @param  bool  $follows  the rail follows the manifold's pressure
     */
    public function __construct(private float $flow, private bool $follows = false) {}

    /** @param  float  $volume  m³/s that it gives for good */
    public static function goodFor(float $volume): self
    {
        return new self($volume / self::SAFE);
    }

    public function edge(float $rpm, float $manifold, Blend $blend): float
    {
        return $this->flow * $blend->density * ($this->follows ? max(0.0, 1.0 - self::PER_BAR * $manifold / 1e5) : 1.0);
    }

    public function followsBoost(): bool
    {
        return $this->follows;
    }

    public function feeds(): bool
    {
        return true;
    }

    public function safe(): float
    {
        return self::SAFE;
    }
}
