<?php

namespace Pebblerun\Core\Evaluation;

use Pebblerun\Core\Catalog\Cars\Car;
use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Evaluation\Model\Build;
use Pebblerun\Core\Evaluation\Model\FuelMatch;
use Pebblerun\Core\Job\Brief\Brief;
use Pebblerun\Core\Job\Plan\MeasuredCurve;
use Pebblerun\Core\Math\Curve;

/** What is known of a car at one point of its life: what stands on it, and what it gives so. Every other build is estimated from there. */
final readonly class KnownCar
{
    /** Doubt of the whole curve: where this car was measured, and where the platform's figures stand in. */
    public const MEASURED = 0.015;

    private const UNMEASURED = 0.04;

    /** What an engine that is worn as far as it goes gives less of the platform's figures, and the doubt of that. */
    private const WORN_LESS = 0.04;

    private const WORN_DOUBT = 0.06;

    /**
     * @param  Curve  $curve  N·m at the wheels in the shop's own frame, of this build where it was measured, else of the stock car
     * @param  float  $doubt  of the whole curve: a share, one standard deviation
     * @param  Curve  $stock  N·m at the wheels of a car like this one, stock, on the fuel that the factory's map needs; nobody measured it
     */
    private function __construct(public Build $build, public Curve $curve, public bool $isMeasured, public float $doubt, public Curve $stock) {}

    /** @param  Build  $build  the car as received */
    public static function asReceived(Catalog $catalog, Brief $brief, Build $build): self
    {
        $stock = self::stockCar($catalog, $brief->car, $build->fuel);
        $measured = $brief->received->measured;

        return $measured === null
            ? new self($build, $stock->scaled(self::ofStock($brief->car)), false, self::unmeasuredDoubt($brief->car, $catalog->platform), $stock)
            : new self($build, $measured, true, hypot(self::MEASURED, $brief->received->frame->doubt()), $stock);
    }

    /** Whether a curve is of this very build: what was measured before something else was fitted says nothing of it. */
    public static function isOf(MeasuredCurve $measured, Build $build): bool
    {
        $parts = array_map(fn (Part $part): string => $part->key, $build->parts);

        return $measured->fuel === $build->fuel->key && array_diff($parts, $measured->parts) === [] && array_diff($measured->parts, $parts) === [];
    }

    /** The same car after something was done to it, and it was measured so. */
    public function then(Build $build, MeasuredCurve $measured): self
    {
        return new self($build, $measured->curve, true, hypot(self::MEASURED, $measured->frame->doubt()), $this->stock);
    }

    /** What an engine of such a mileage is believed to give of the platform's figures: 0.9867 at 200,000 km, 0.96 from 300,000. */
    public static function ofStock(Car $car): float
    {
        return 1.0 - self::WORN_LESS * $car->wear();
    }

    /** Doubt of the whole curve of a car that nobody measured: of the car, and of bringing the platform's figures to the shop's frame. */
    public static function unmeasuredDoubt(Car $car, Platform $platform): float
    {
        return hypot(self::UNMEASURED + (self::WORN_DOUBT - self::UNMEASURED) * $car->wear(), $platform->source->frame->doubt());
    }

    /** Names it, for what is kept: equal names give equal figures for equal builds. */
    public function name(): string
    {
        return hash('xxh128', serialize([$this->curve->first, $this->curve->torque, $this->isMeasured, $this->doubt, $this->build->name()]));
    }

    /** A curve that was read on the fuel the car came with has in it what that takes or gives under the factory's map. */
    private static function stockCar(Catalog $catalog, Car $car, Fuel $fuel): Curve
    {
        $with = $catalog->platform->source->onReceivedFuel ? FuelMatch::of(new Build($catalog, $car, [], [], $fuel))->share() : 1.0;

        return $catalog->platform->baseline->scaled($car->wheelShare / $with);
    }
}
