<?php

namespace Pebblerun\Core\Tests;

use Pebblerun\Core\Catalog\Cars\Aspiration;
use Pebblerun\Core\Catalog\Cars\Car;
use Pebblerun\Core\Catalog\Cars\CarUse;
use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Conditions\MapKind;
use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Limits\Ceiling;
use Pebblerun\Core\Catalog\Limits\FuelComponent;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Parts\Effects;
use Pebblerun\Core\Catalog\Parts\GainCase;
use Pebblerun\Core\Catalog\Parts\GainSource;
use Pebblerun\Core\Catalog\Parts\MapTraits;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Parts\PartCollection;
use Pebblerun\Core\Catalog\Parts\PartPrice;
use Pebblerun\Core\Catalog\Parts\PartWork;
use Pebblerun\Core\Catalog\Parts\ReferenceBuild;
use Pebblerun\Core\Catalog\Platform\Boost;
use Pebblerun\Core\Catalog\Platform\Combustion;
use Pebblerun\Core\Catalog\Platform\Family;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Catalog\Platform\PlatformBody;
use Pebblerun\Core\Catalog\Platform\PlatformEngine;
use Pebblerun\Core\Catalog\Platform\Slot;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Catalog\Shop\Rates;
use Pebblerun\Core\Catalog\Shop\Shop;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\FigureStore;
use Pebblerun\Core\Evaluation\NoFigures;
use Pebblerun\Core\Evaluation\StageResult;
use Pebblerun\Core\Job\Brief\AsReceived;
use Pebblerun\Core\Job\Brief\Brief;
use Pebblerun\Core\Job\Brief\Budget;
use Pebblerun\Core\Job\Brief\Confirmation;
use Pebblerun\Core\Job\Brief\Risk;
use Pebblerun\Core\Job\Brief\Target;
use Pebblerun\Core\Job\Bundle;
use Pebblerun\Core\Job\Plan\Acceptance;
use Pebblerun\Core\Job\Plan\Change;
use Pebblerun\Core\Job\Plan\Plan;
use Pebblerun\Core\Job\Plan\Settings;
use Pebblerun\Core\Job\Plan\Stacking;
use Pebblerun\Core\Job\Plan\Stage;
use Pebblerun\Core\Job\Plan\TorqueHold;
use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Math\StrayPoint;
use Pebblerun\Core\Physics\Air\AirSide;
use Pebblerun\Core\Physics\Driveline\Drive;
use Pebblerun\Core\Physics\Driveline\Gearbox;
use Pebblerun\Core\Physics\Fuel\FuelKind;
use Pebblerun\Core\Units\Currency;
use Pebblerun\Core\Units\Range;

/** The small platform of the method's worked values: curve, parts and ceilings as the method states them, in kW and N·m. */
final class Lyre
{
    /** @var list<Ceiling> */
    public array $ceilings = [];

    /** @var list<Limit> */
    public array $limits = [];

    /** @var array<string, Part> */
    public array $parts;

    public Stacking $stacking = Stacking::Diminishing;

    /** @var list<string> */
    public array $received = [];

    /** @var array<string, Fuel> */
    public array $fuels;

    public ?Curve $measured = null;

    public ?StrayPoint $stray = null;

    public ?Confirmation $confirmed = null;

    /** W */
    public ?float $statedPower = null;

    /** @var list<float> */
    public array $pulls = [];

    /** @var array<string, Range> by kind of dyno */
    public array $dynoFactors = [];

    public ?Target $target = null;

    public ?Boost $boost = null;

    public ?AirSide $air = null;

    /** Whether the gearbox' family counts on the wheel figure alone. */
    public bool $driveline = false;

    public ?Range $exhaust = null;

    public bool $boosted = true;

    /** @var list<FuelComponent> */
    public array $fuelSystem = [];

    public Combustion $combustion;

    /** By stage, counted from 0. @var array<int, TorqueHold> */
    public array $holds = [];

    /** @var array<int, list<Acceptance>> */
    public array $accepts = [];

    public Risk $risk = Risk::Normal;

    /** m³ */
    public float $displacement = 0.0016;

    /** km */
    public ?float $mileage = null;

    /** @var array<string, float> ceilings of the families */
    public array $families = ['map' => 0.60, 'intake' => 0.06, 'exhaust' => 0.10, 'charge' => 0.08, 'induction' => 0.6, 'drive' => 0.1];

    public function __construct()
    {
        $this->fuels = ['pump' => new Fuel('pump', 'Pump 98', 98.0, Range::of(0.0, 5.0, 10.0))];
        $this->parts = [
            'map' => self::part('map', ['map'], [19, 25, 31], [45, 60, 78], map: new MapTraits(MapKind::Dyno, [], 3.0), reference: null),
            'intake' => self::part('intake', ['filter'], [2, 4, 6], [0, 3, 6]),
            'pipe' => self::part('pipe', ['inlet'], [3, 5, 7], [3, 5, 7]),
            'cooler' => self::part('cooler', ['cooler'], [3, 5, 9], [3, 6, 10]),
            'downpipe' => self::part('downpipe', ['downpipe'], [6, 9, 12], [10, 16, 20]),
            'catback' => self::part('catback', ['catback'], [2, 4, 6], [2, 4, 6]),
        ];
        $this->measured = self::curve();
        $this->combustion = new Combustion;
    }

    public static function curve(): Curve
    {
        return Curve::fromPoints([[1500.0, 180.0], [2500.0, 300.0], [4500.0, 300.0], [5800.0, 262.0], [6500.0, 215.0]]);
    }

    /** Constant power from 9,000 rpm on, as of an engine that makes it by speed alone. */
    public static function flat(float $watts): Curve
    {
        return Curve::fromPoints(array_map(fn (float $rpm): array => [$rpm, $watts / ($rpm * M_PI / 30.0)], [9000.0, 10000.0, 11000.0, 12000.0]));
    }

    public static function baseline(): ReferenceBuild
    {
        return new ReferenceBuild(self::curve()->peakPower()->value, self::curve()->peakTorque()->value);
    }

    /**
     * @param  non-empty-list<string>  $slots
     * @param  array{float, float, float}|null  $power  kW
     * @param  array{float, float, float}|null  $torque  N·m
     * @param  list<string>  $contains
     * @param  list<string>  $tags
     */
    public static function part(
        string $key,
        array $slots,
        ?array $power,
        ?array $torque,
        ?MapTraits $map = null,
        ?ReferenceBuild $reference = new ReferenceBuild(184_000.0, 360.0),
        array $contains = [],
        Effects $effects = new Effects,
        float $unmapped = 0.3,
        bool $runsUnmapped = true,
        array $tags = [],
    ): Part {
        $gains = $power === null || $torque === null ? [] : [new GainCase(
            null, Range::of(...$power)->scaled(1000.0), Range::of(...$torque), [], $reference, $unmapped, new GainSource(Evidence::ShopDyno),
        )];

        return new Part(
            $key, ucfirst($key), 'Kolvane', $slots, $contains, $tags, $map, $gains, $runsUnmapped, $effects,
            PartPrice::free(), new PartWork,
        );
    }

    /** The same part with other evidence behind its gains. */
    public static function resting(Part $part, Evidence $evidence): Part
    {
        $gains = array_map(fn (GainCase $case): GainCase => new GainCase($case->when, $case->power, $case->torque, $case->anchors, $case->reference, $case->unmapped, new GainSource($evidence, $case->source->note)), $part->gains);

        return new Part(
            $part->key, $part->name, $part->maker, $part->slots, $part->contains, $part->tags, $part->map, $gains, $part->runsUnmapped, $part->effects,
            $part->price, $part->work, $part->needs, $part->law, $part->cautions,
        );
    }

    public function platform(): Platform
    {
        $slots = [];
        foreach (['filter' => 'intake', 'inlet' => 'intake', 'turbo' => 'induction', 'cooler' => 'charge', 'downpipe' => 'exhaust', 'catback' => 'exhaust', 'map' => 'map', 'gearbox' => 'drive'] as $key => $family) {
            $slots[$key] = new Slot($key, ucfirst($key), 'lane', $family, 'stock', $key === 'gearbox');
        }
        $families = [];
        foreach ($this->families + ['charge' => 0.08, 'drive' => 0.1] as $key => $ceiling) {
            $families[$key] = new Family($key, $key, $ceiling, [], $key === 'drive' && $this->driveline);
        }

        return new Platform(
            'lyre', 'Lyre', 2019, 2024,
            new PlatformEngine($this->boosted ? Aspiration::Turbo : Aspiration::Natural, FuelKind::Petrol, $this->displacement, 6500.0, false, $this->combustion, null, $this->boost, $this->exhaust),
            new PlatformBody(Drive::Front), self::curve(), ['lane' => 'Lane'], $slots, $families, $this->limits, $this->ceilings, $this->air, $this->fuelSystem,
        );
    }

    /** @param  list<string>  ...$stages  part keys fitted in each */
    public function estimateKnowing(FigureStore $store, array ...$stages): Estimate
    {
        return Estimate::of($this->bundle(...$stages), $store);
    }

    /** @param  list<string>  ...$stages */
    public function estimate(array ...$stages): Estimate
    {
        return $this->estimateKnowing(new NoFigures, ...$stages);
    }

    /**
     * @param  list<string>  ...$stages
     * @return non-empty-list<StageResult> as received, then one for each stage
     */
    public function results(array ...$stages): array
    {
        return $this->estimate(...$stages)->results;
    }

    /** @param  list<string>  ...$stages */
    public function last(array ...$stages): StageResult
    {
        return $this->estimate(...$stages)->last();
    }

    /** @param  list<string>  ...$stages */
    public function likelyPeak(array ...$stages): float
    {
        return $this->last(...$stages)->likely->peakPower()->value;
    }

    /** @param  list<string>  ...$stages */
    public function bundle(array ...$stages): Bundle
    {
        return new Bundle($this->shop(), $this->catalog(), $this->brief(), $this->plan(...$stages));
    }

    /** @param  list<string>  ...$stages  part keys fitted in each */
    public function plan(array ...$stages): Plan
    {
        $steps = [];
        foreach (array_values($stages) as $i => $keys) {
            $steps[] = new Stage("s{$i}", '', 'pump', array_map(fn (string $key): Change => Change::fit($key), $keys), $this->holds[$i] ?? null, $this->accepts[$i] ?? []);
        }

        return new Plan(new Settings($this->stacking), $steps);
    }

    public function shop(): Shop
    {
        return new Shop(Currency::of('EUR'), new Rates(8_500, 6_000, 2_000, 800), $this->fuels, $this->dynoFactors);
    }

    public function catalog(): Catalog
    {
        return new Catalog($this->platform(), PartCollection::of($this->parts), $this->fuels);
    }

    public function car(): Car
    {
        return new Car(2021, Gearbox::Manual, CarUse::Road, Aspiration::Turbo, Drive::Front, mileage: $this->mileage);
    }

    public function brief(): Brief
    {
        return new Brief(
            $this->car(), new AsReceived($this->received, 'pump', $this->measured, true, stray: $this->stray, confirmed: $this->confirmed, statedPower: $this->statedPower, pulls: $this->pulls),
            $this->target, new Budget(null, null, null), [2500.0, 5500.0], null, $this->risk,
        );
    }

    public const FULL = ['map', 'intake', 'pipe', 'cooler', 'downpipe', 'catback'];
}
