<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Evaluation\Findings\Belief;
use Pebblerun\Core\Evaluation\StageResult;
use Pebblerun\Core\Physics\Driveline\Loss;
use Pebblerun\Core\Physics\Fuel\FuelKind;
use Pebblerun\Core\Physics\MeanPressure;
use Pebblerun\Core\Units\PowerUnit;

/** What a stage asks of an engine of its size: whether anybody has seen that before. */
final readonly class EngineLoad
{
    /** Percent of ethanol at which the fuel bears as much more pressure as it does at the most. */
    private const STRONG_FUEL = 50.0;

    /** Mean effective pressure in bar and crank hp a litre, unusual and beyond belief. */
    private const NATURAL = [[14.5, 16.5], [110.0, 150.0]];

    private const BOOSTED = [[38.0, 50.0], [260.0, 450.0]];

    /** bar more on strong fuel, unusual and beyond belief. */
    private const ON_STRONG_FUEL = [4.0, 5.0];

    private const DIESEL = [[30.0, 38.0], [100.0, 140.0]];

    /**
     * @param  float  $pressure  brake mean effective pressure at the likely torque peak, Pa
     * @param  float  $powerPerLitre  at the crank at the likely power peak, W/L
     * @param  Belief  $belief  of the two, the one harder to believe
     */
    private function __construct(public float $pressure, public float $powerPerLitre, public Belief $belief) {}

    public static function of(StageResult $result, Platform $platform, Loss $loss): self
    {
        $pressure = MeanPressure::of($loss->toCrank($result->likely->peakTorque()->value), $platform->engine->displacement);
        $powerPerLitre = $loss->toCrank($result->likely->peakPower()->value) / (1000.0 * $platform->engine->displacement);
        [$pressures, $powers] = self::bands($result, $platform);
        $bar = $pressure / 1e5;
        $perLitre = $powerPerLitre / PowerUnit::Hp->watts();

        return new self($pressure, $powerPerLitre, match (true) {
            $bar > $pressures[1] || $perLitre > $powers[1] => Belief::Beyond,
            $bar > $pressures[0] || $perLitre > $powers[0] => Belief::Unusual,
            default => Belief::Usual,
        });
    }

    /** @return array{array{float, float}, array{float, float}} */
    private static function bands(StageResult $result, Platform $platform): array
    {
        $build = $result->state->build;

        return match (true) {
            $platform->engine->fuel === FuelKind::Diesel => self::DIESEL,
            // Nitrous brings oxygen of its own, as boost does.
            ! $build->isBoosted() && ! $build->situation->hasTag('nitrous') => self::NATURAL,
            default => self::boosted(min(1.0, $build->fuel->ethanol->likely / self::STRONG_FUEL)),
        };
    }

    /**
     * @param  float  $strong  how far the fuel is strong, 0–1
     * @return array{array{float, float}, array{float, float}}
     */
    private static function boosted(float $strong): array
    {
        [[$unusual, $beyond], $powers] = self::BOOSTED;

        return [[$unusual + self::ON_STRONG_FUEL[0] * $strong, $beyond + self::ON_STRONG_FUEL[1] * $strong], $powers];
    }
}
