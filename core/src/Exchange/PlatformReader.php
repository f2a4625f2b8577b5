<?php

namespace Pebblerun\Core\Exchange;

use Pebblerun\Core\Catalog\Cars\Aspiration;
use Pebblerun\Core\Catalog\Cars\Variant;
use Pebblerun\Core\Catalog\Conditions\EthanolAtLeast;
use Pebblerun\Core\Catalog\Conditions\OctaneAtLeast;
use Pebblerun\Core\Catalog\Conditions\Situation;
use Pebblerun\Core\Catalog\Conditions\Term;
use Pebblerun\Core\Catalog\Limits\Ceiling;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Platform\AirRole;
use Pebblerun\Core\Catalog\Platform\BaselineSource;
use Pebblerun\Core\Catalog\Platform\Combustion;
use Pebblerun\Core\Catalog\Platform\Family;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Catalog\Platform\PlatformBody;
use Pebblerun\Core\Catalog\Platform\PlatformEngine;
use Pebblerun\Core\Catalog\Platform\Slot;
use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Physics\Driveline\Drive;
use Pebblerun\Core\Physics\Driveline\Gearbox;
use Pebblerun\Core\Physics\Driveline\UsualLoss;
use Pebblerun\Core\Physics\Fuel\FuelKind;
use Pebblerun\Core\Physics\Fuel\PumpFuel;
use Pebblerun\Core\Units\Range;
use Pebblerun\Core\Units\UnitSystem;

/** Reads a platform. */
final readonly class PlatformReader
{
    /**
     * @param  array<string, Range>  $dynoFactors  of the shop, by kind of dyno
     * @param  UsualLoss  $loss  on the shop's dyno
     */
    public function __construct(private UnitSystem $units, private array $dynoFactors = [], private UsualLoss $loss = new UsualLoss) {}

    public static function fuel(DocumentNode $document): FuelKind
    {
        return $document->get('engine')->get('fuel')->enum(FuelKind::class);
    }

    /**
     * As it is for one car: what its model year has otherwise stands in the place of the rest, and so does the first of the other curves
     * whose condition holds.
     *
     * @param  ?int  $place  of the one of the other curves that is to stand there, whatever its condition says
     */
    public function read(DocumentNode $document, StockCar $car, ?int $place = null): Platform
    {
        $years = self::years($document->get('years'));
        $node = $document->replacedBy($otherwise = self::otherwise($document, $car->year));
        $engine = $node->get('engine');
        $aspiration = $engine->get('aspiration')->enum(Aspiration::class);
        $drive = $node->get('drive')->enum(Drive::class);
        $other = $place === null ? self::otherCurve($document, $car->situation($aspiration, $drive, self::variants($document))) : $document->each('baselines')[$place];
        [$baseline, $source] = $this->baseline($node, $aspiration->isBoosted(), $drive);
        $claimed = $this->claimed($node->maybe('claimed')?->maybe('power'));
        if ($other !== null) {
            $stock = $baseline->peakPower()->value;
            $node = $document->replacedBy($otherwise === null ? $other : $otherwise->replacedBy($other));
            [$baseline, $source] = $this->baseline($node, $aspiration->isBoosted(), $drive, self::asksForFuel($other));
            // The factory claims its power on its own fuel.
            $claimed = $claimed === null || ! $source->onReceivedFuel ? $claimed : $claimed * $baseline->peakPower()->value / $stock;
        }
        $lanes = $this->lanes($node);
        $families = $this->families($node);
        $slots = $this->slots($node, $lanes, $families);
        $limits = new LimitReader($this->units);
        $direct = $engine->get('injection')->keyword('port', 'direct') === 'direct';
        $fuel = PumpFuel::of(self::fuel($document), $aspiration->isBoosted(), $direct, $baseline, Platform::lost($claimed, $baseline, $drive, self::gearbox($node), $this->loss));
        $supplies = new SupplyReader($slots, $fuel, $this->units->power);

        return new Platform(
            $node->get('key')->string(),
            $node->get('name')->string(),
            $years[0],
            $years[1],
            new PlatformEngine(
                $aspiration,
                self::fuel($document),
                $engine->get('displacement')->number() / 1000.0,
                $node->get('rev_limit')->within($baseline->peakPower()->rpm, Platform::HIGHER_REVS * $baseline->last(), 'is no limit of an engine with this baseline'),
                $direct,
                self::combustion($engine),
                $claimed,
                BoostReader::maybe($node, $this->units),
                $node->maybe('exhaust')?->range()->in($this->units->temperature->toKelvin(...)),
            ),
            new PlatformBody($drive, self::gearbox($node), $this->mass($node->maybe('mass')), $node->maybe('drag_area')?->number()),
            $baseline,
            $lanes,
            $slots,
            $families,
            array_map(fn (DocumentNode $limit): Limit => $limits->limit($limit, $slots), $node->each('limits')),
            array_map(fn (DocumentNode $ceiling): Ceiling => $limits->ceiling($ceiling), $node->each('ceilings')),
            AirReader::side($node->maybe('air')),
            array_map($supplies->component(...), $node->each('fuel_system')),
            $source,
            self::variants($document),
        );
    }

    /**
     * As it is for every other car: one of each model year that has something otherwise, and one of each other curve.
     *
     * @return iterable<Platform>
     */
    public function others(DocumentNode $document, StockCar $car): iterable
    {
        foreach ($document->each('year_changes') as $change) {
            yield $this->read($document, $car->ofYear(self::years($change->get('years'))[0]));
        }
        foreach ($document->each('baselines') as $place => $_) {
            yield $this->read($document, $car, $place);
        }
    }

    /**
     * The document of a platform as it would be if one of its other curves were its own. On another fuel the factory claims nothing.
     *
     * @param  array<string, mixed>  $platform
     * @return array<string, mixed>
     */
    public static function onCurve(array $platform, int $place): array
    {
        $other = $platform['baselines'][$place];
        $without = ['baselines', 'year_changes', ...(self::asksForFuel(new DocumentNode($other)) ? ['claimed'] : [])];

        return [...array_diff_key($platform, array_flip($without)), ...array_diff_key($other, ['when' => true])];
    }

    private static function otherCurve(DocumentNode $document, Situation $stock): ?DocumentNode
    {
        foreach ($document->each('baselines') as $other) {
            if (ConditionReader::read($other->get('when'))->holds($stock)) {
                return $other;
            }
        }

        return null;
    }

    private static function asksForFuel(DocumentNode $curve): bool
    {
        return array_filter(ConditionReader::read($curve->get('when'))->leaves(), fn (Term $term): bool => $term instanceof EthanolAtLeast || $term instanceof OctaneAtLeast) !== [];
    }

    /** @return array{Curve, BaselineSource} the curve in the shop's own frame, and where it was read */
    private function baseline(DocumentNode $node, bool $boosted, Drive $drive, bool $onReceivedFuel = false): array
    {
        $curve = $node->get('baseline');
        $read = (new CurveReader($this->units))->read($curve, $boosted);
        $frame = FrameReader::read($curve, $this->dynoFactors, $this->loss->share($drive, self::gearbox($node)));

        return [$frame->isOwn() ? $read : $read->scaled($frame->likely(1.0)), new BaselineSource($frame, $onReceivedFuel)];
    }

    private static function gearbox(DocumentNode $node): Gearbox
    {
        return $node->maybe('gearbox')?->enum(Gearbox::class) ?? Gearbox::Manual;
    }

    private static function otherwise(DocumentNode $document, int $year): ?DocumentNode
    {
        $found = null;
        foreach ($document->each('year_changes') as $change) {
            [$from, $to] = self::years($change->get('years'));
            if ($year >= $from && $year <= $to) {
                $found === null || $change->refuse("{$year} is in an earlier entry too: a model year has one of them.");
                $found = $change;
            }
        }

        return $found;
    }

    /** @return list<Variant> */
    private static function variants(DocumentNode $document): array
    {
        return array_map(fn (DocumentNode $one): Variant => new Variant($one->get('key')->string(), $one->get('name')->string(), $one->maybe('years')?->maybe('from')?->int(), $one->maybe('years')?->maybe('to')?->int()), $document->each('variants'));
    }

    /** @return array{int, int} */
    private static function years(DocumentNode $node): array
    {
        $from = $node->get('from')->int();
        $to = $node->get('to')->int();

        return $from <= $to ? [$from, $to] : $node->refuse("{$from} comes after {$to}: turn them round.");
    }

    private static function combustion(DocumentNode $engine): Combustion
    {
        $lambda = $engine->maybe('lambda');

        return new Combustion(
            OctaneReader::maybe($engine->maybe('octane')),
            $engine->maybe('ethanol_max')?->number(),
            $lambda === null ? null : [self::lambda($lambda->get('at_torque'), $engine), self::lambda($lambda->get('at_power'), $engine)],
            $engine->maybe('knock_control')?->bool() ?? true,
        );
    }

    /** A diesel that is at the smoke limit as it left the factory is a slip. */
    private static function lambda(DocumentNode $node, DocumentNode $engine): float
    {
        return $engine->get('fuel')->raw() === 'diesel' && $node->number() < 1.10 ? $node->refuse("{$node->number()} is less than a stock diesel's: give 1.10 or more.") : $node->number();
    }

    private function claimed(?DocumentNode $node): ?float
    {
        return $node === null ? null : $node->number() * $this->units->power->watts();
    }

    private function mass(?DocumentNode $node): ?float
    {
        return $node === null ? null : $node->number() * $this->units->mass->kilograms();
    }

    /** @return array<string, string> */
    private function lanes(DocumentNode $node): array
    {
        $lanes = [];
        foreach ($node->each('lanes') as $lane) {
            $lanes[$lane->get('key')->string()] = $lane->get('name')->string();
        }

        return $lanes;
    }

    /** @return array<string, Family> */
    private function families(DocumentNode $node): array
    {
        $families = [];
        foreach ($node->each('families') as $family) {
            $key = $family->get('key')->string();
            $conditional = array_map(
                fn (DocumentNode $other): array => [ConditionReader::read($other->get('when')), $other->get('ceiling_percent')->number() / 100.0],
                $family->each('otherwise'),
            );
            $families[$key] = new Family($key, $family->get('name')->string(), $family->get('ceiling_percent')->number() / 100.0, $conditional, $family->maybe('driveline')?->bool() ?? false, self::role($family, $key));
        }

        return $families;
    }

    /** By its key where it is not stated: documents of the first version say nothing of air. */
    private static function role(DocumentNode $family, string $key): AirRole
    {
        return $family->maybe('air')?->enum(AirRole::class) ?? AirRole::tryFrom($key) ?? AirRole::None;
    }

    /**
     * @param  array<string, string>  $lanes
     * @param  array<string, Family>  $families
     * @return array<string, Slot>
     */
    private function slots(DocumentNode $node, array $lanes, array $families): array
    {
        $slots = [];
        foreach ($node->each('slots') as $slot) {
            $key = $slot->get('key')->string();
            isset($slots[$key]) && $slot->refuse("the key \"{$key}\" is there twice.");
            $slots[$key] = new Slot(
                $key,
                $slot->get('name')->string(),
                $slot->get('lane')->keyword(...array_keys($lanes)),
                $slot->get('family')->keyword(...array_keys($families)),
                $slot->get('stock')->string(),
                $slot->maybe('internal')?->bool() ?? false,
            );
        }

        return $slots;
    }
}
