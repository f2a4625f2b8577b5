<?php

namespace Pebblerun\Core\Physics\Air;

/** A compressor with what cools behind it, at a pressure ratio. Below 1 a bypass opens: nothing is compressed, nothing warmed. */
final readonly class Compression
{
    private const STEPS = 12;

    /** K: closer than this it stands still. */
    private const EXACT = 1e-6;

    public function __construct(private Compressor $compressor, private ?Cooler $cooler) {}

    /** @param  float  $swept  m³/s that the engine swallows */
    public function at(Ambient $day, float $ratio, float $swept): Charge
    {
        $ratio = max(1.0, $ratio);
        $pressure = $ratio * $day->pressure;
        $hot = $cool = $day->kelvin;
        $flow = Filling::flow($swept, $pressure, $cool);
        for ($step = 0; $ratio > 1.0 && $step < self::STEPS; $step++) {
            $hot = $this->compressor->outlet($day->kelvin, $ratio, $this->compressor->shareOf($flow, $day));
            $before = $cool;
            $cool = $this->cooler?->outlet($hot, $day->kelvin, $flow) ?? $hot;
            $flow = Filling::flow($swept, $pressure, $cool);
            if (abs($cool - $before) < self::EXACT) {
                break;
            }
        }

        return new Charge($pressure, $ratio, $hot, $cool, $flow, $this->compressor->shareOf($flow, $day));
    }
}
