<?php

namespace Pebblerun\Core\Physics\Dyno;

/** Brings observed power to a standard's air. Spark-ignition forms; boosted engines whose map holds the boost are overstated. */
enum Correction: string
{
    /** As observed: 1.0. */
    case None = 'none';
    /** SAE J1349 (2004): 1.0588 at 30 °C, 97.0 kPa, 45 %. */
    case J1349 = 'J1349';
    /** SAE J607: 1.0919 there. */
    case J607 = 'J607';
    /** DIN 70020, pressure not dried: 1.0620 there. */
    case Din70020 = 'DIN70020';
    /** ECE R85: 1.0601 there. */
    case R85 = 'R85';

    /** Multiplies observed power. */
    public function factor(Weather $weather): float
    {
        $dry = $weather->dryPressure();

        return match ($this) {
            self::None => 1.0,
            self::J1349 => 1.180 * (99_000.0 / $dry) * sqrt($weather->kelvin / 298.15) - 0.18,
            self::J607 => (101_325.0 / $dry) * sqrt($weather->kelvin / 288.7),
            self::Din70020 => (101_300.0 / $weather->pressure) * sqrt($weather->kelvin / 293.15),
            self::R85 => (99_000.0 / $dry) ** 1.2 * ($weather->kelvin / 298.15) ** 0.6,
        };
    }

    /** Whether a factor is so far from 1 that the pull should be repeated in better air. */
    public static function isDoubtful(float $factor): bool
    {
        return $factor < 0.93 || $factor > 1.07;
    }
}
