<?php

namespace Pebblerun\Core\Physics\Air;

/** Charge temperature at the end of the first and of the fifth pull, K, and what the heat takes. */
final readonly class Soak
{
    private const PER_KELVIN = 0.003;

    /** However hot it gets. */
    private const LEAST = 0.6;

    /**
     * @param  float  $threshold  K above which the map takes power: 50 °C, or what the stock car breathes
     */
    public function __construct(public float $first, public float $fifth, public float $threshold) {}

    /** Share of the first pull's power that is gone by the fifth: timing that the map takes above the threshold. */
    public function lost(): float
    {
        return 1.0 - self::held($this->fifth, $this->threshold) / self::held($this->first, $this->threshold);
    }

    /** What a map leaves of the power at a charge temperature: 0.3 % less for each kelvin above the threshold. */
    public static function held(float $kelvin, float $threshold): float
    {
        return max(self::LEAST, 1.0 - self::PER_KELVIN * max(0.0, $kelvin - $threshold));
    }
}
