<?php

namespace Pebblerun\Core\Physics\Fuel;

/** A low-pressure or lift pump, or what is told by the power it is good for: a flow at the rail's pressure. */
final readonly class FeedPump implements Supply
{
    private const SAFE = 1.0 / 1.1;

    /** @param  float  $flow  m³/s at rail pressure */
    public function __construct(private float $flow) {}

    /** @param  float  $volume  m³/s that it gives for good */
    public static function goodFor(float $volume): self
    {
        return new self($volume / self::SAFE);
    }

    public function edge(float $rpm, float $manifold, Blend $blend): float
    {
        return $this->flow * $blend->density;
    }

    public function safe(): float
    {
        return self::SAFE;
    }
}
