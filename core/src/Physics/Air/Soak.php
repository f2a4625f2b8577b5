<?php

namespace Pebblerun\Core\Physics\Air;

/** Charge temperature at the end of the first and of the fifth pull, K, and what the heat takes. */
final readonly class Soak
{
    /** Above this the map takes power: 50 °C. */
    private const KNEE = 323.15;

    private const PER_KELVIN = 0.003;

    /**
     * @param  float  $hot  K out of the compressor
     * @param  float  $air  kg/s
     * @param  float  $ambient  K outside
     */
    public function __construct(public float $first, public float $fifth, public float $hot, public float $air, public float $ambient) {}

    /** Share of the first pull's power that is gone by the fifth: thinner air, and timing above the knee. */
    public function lost(): float
    {
        $held = fn (float $kelvin): float => 1.0 - self::PER_KELVIN * max(0.0, $kelvin - self::KNEE);

        return 1.0 - ($this->first / $this->fifth) * $held($this->fifth) / $held($this->first);
    }
}
