<?php

namespace Pebblerun\Core\Exchange;

use Pebblerun\Core\Catalog\Cars\CarFact;
use Pebblerun\Core\Catalog\Conditions\Any;
use Pebblerun\Core\Catalog\Conditions\CarIs;
use Pebblerun\Core\Catalog\Conditions\MapKind;
use Pebblerun\Core\Catalog\Conditions\YearIn;
use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Limits\Ceiling;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Parts\AddedPower;
use Pebblerun\Core\Catalog\Parts\Caution;
use Pebblerun\Core\Catalog\Parts\Effects;
use Pebblerun\Core\Catalog\Parts\Fastener;
use Pebblerun\Core\Catalog\Parts\FuelPoint;
use Pebblerun\Core\Catalog\Parts\GainAir;
use Pebblerun\Core\Catalog\Parts\GainAnchor;
use Pebblerun\Core\Catalog\Parts\GainCase;
use Pebblerun\Core\Catalog\Parts\GainSource;
use Pebblerun\Core\Catalog\Parts\Gasket;
use Pebblerun\Core\Catalog\Parts\MapTraits;
use Pebblerun\Core\Catalog\Parts\MovedPeaks;
use Pebblerun\Core\Catalog\Parts\Need;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Parts\PartLaw;
use Pebblerun\Core\Catalog\Parts\PartNeeds;
use Pebblerun\Core\Catalog\Parts\PartPrice;
use Pebblerun\Core\Catalog\Parts\PartWork;
use Pebblerun\Core\Catalog\Parts\PressureRatio;
use Pebblerun\Core\Catalog\Parts\ReferenceBuild;
use Pebblerun\Core\Catalog\Parts\Retired;
use Pebblerun\Core\Catalog\Parts\Sound;
use Pebblerun\Core\Catalog\Parts\SoundLevel;
use Pebblerun\Core\Catalog\Parts\Workshop;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Catalog\Shop\Shop;
use Pebblerun\Core\Physics\Driveline\Gearbox;
use Pebblerun\Core\Physics\Dyno\Frame;
use Pebblerun\Core\Units\MoneyRange;
use Pebblerun\Core\Units\Range;
use Pebblerun\Core\Units\UnitSystem;

/** Reads a part of the catalog. */
final readonly class PartReader
{
    /** Shares of a gain that come without a covering map, where a part states none. */
    private const UNMAPPED_BOOSTED = 0.3;

    private const UNMAPPED_NATURAL = 0.65;

    public function __construct(private UnitSystem $units, private Platform $platform, private Shop $shop) {}

    public function read(DocumentNode $node): Part
    {
        $unmapped = $node->maybe('unmapped');
        $runs = $unmapped?->raw() !== 'do-not-run';
        $share = match (true) {
            ! $runs => 0.0,
            $unmapped !== null => $unmapped->number(),
            default => $this->platform->engine->boosted ? self::UNMAPPED_BOOSTED : self::UNMAPPED_NATURAL,
        };
        $map = $node->maybe('map');

        return new Part(
            $node->get('key')->string(),
            $node->get('name')->string(),
            $node->get('maker')->string(),
            $this->slots($node),
            $node->strings('contains'),
            [...$node->strings('tags'), ...(self::sound($node->maybe('sound'))?->brings() ?? [])],
            $map === null ? null : new MapTraits(
                $map->get('kind')->enum(MapKind::class),
                $map->strings('covers'),
                $map->maybe('dyno_hours')?->number() ?? 0.0,
                $map->maybe('flex')?->bool() ?? false,
                $map->maybe('ethanol_max')?->number(),
                $map->maybe('revision_dyno_hours')?->number(),
                self::writtenFor($map->maybe('written_for')),
            ),
            array_map(fn (DocumentNode $case): GainCase => $this->gain($case, $share), $node->each('gains')),
            $runs,
            $this->effects($node),
            $this->price($node->get('price')),
            self::work($node->get('price')),
            new PartNeeds([...$this->needs($node, 'requires'), ...self::fits($node->maybe('fits'))], $this->needs($node, 'recommends'), $this->needs($node, 'conflicts')),
            new PartLaw($node->maybe('law')?->maybe('track_only')?->bool() ?? false, $node->maybe('law')?->maybe('note')?->string() ?? ''),
            array_map(fn (DocumentNode $key): Caution => $key->enum(Caution::class), $node->each('cautions')),
            self::retired($node->maybe('retired')),
            self::sound($node->maybe('sound')),
            $this->workshop($node),
        );
    }

    private static function writtenFor(?DocumentNode $node): ?FuelPoint
    {
        return $node === null ? null : new FuelPoint($node->maybe('ethanol')?->number(), OctaneReader::maybe($node->maybe('octane')));
    }

    private static function retired(?DocumentNode $node): ?Retired
    {
        return $node === null ? null : new Retired($node->maybe('successor')?->string(), $node->maybe('on')?->string());
    }

    private static function sound(?DocumentNode $node): ?Sound
    {
        return $node === null ? null : new Sound(
            $node->maybe('level')?->enum(SoundLevel::class),
            $node->maybe('drone')?->keyword('none', 'some', 'much') ?? 'none',
            $node->maybe('response')?->keyword('sharper', 'same', 'softer') ?? 'same',
            $node->maybe('note')?->string() ?? '',
            $node->maybe('clutch')?->keyword('as-stock', 'heavier', 'heavy') ?? 'as-stock',
        );
    }

    private function workshop(DocumentNode $part): Workshop
    {
        $node = $part->maybe('workshop') ?? new DocumentNode([]);

        return new Workshop(
            $node->strings('tools'),
            $node->strings('steps'),
            array_map(fn (DocumentNode $one): Fastener => new Fastener($one->get('what')->string(), $one->get('torque')->number() * $this->units->torque->newtonMetres(), $one->maybe('then')?->string() ?? ''), $node->each('fasteners')),
            array_map(fn (DocumentNode $one): Gasket => new Gasket($one->get('name')->string(), $one->get('renew')->bool()), $node->each('gaskets')),
            $node->strings('moves_over'),
            $part->maybe('lead_days')?->int(),
            $part->maybe('warranty')?->string() ?? '',
        );
    }

    /**
     * What the car must be for it to fit, as needs that nothing but another car settles.
     *
     * @return list<Need>
     */
    private static function fits(?DocumentNode $node): array
    {
        $needs = [];
        $years = $node?->maybe('years');
        if ($years !== null) {
            $needs[] = new Need(new YearIn($years->maybe('from')?->int(), $years->maybe('to')?->int()), null, 'it fits no other model year.');
        }
        foreach (['gearboxes' => [CarFact::Gearbox, 'it fits no other gearbox.'], 'variants' => [CarFact::Variant, 'it fits no other variant.']] as $list => [$fact, $reason]) {
            $each = array_map(fn (string $value): CarIs => new CarIs($fact, $value), $node?->strings($list) ?? []);
            if ($each !== []) {
                $needs[] = new Need(count($each) === 1 ? $each[0] : new Any($each), null, $reason);
            }
        }

        return $needs;
    }

    /** @return non-empty-list<string> */
    private function slots(DocumentNode $node): array
    {
        $slots = [];
        foreach ($node->each('slots') as $slot) {
            $key = $slot->string();
            isset($this->platform->slots[$key])
                || $slot->refuse("the platform has no slot \"{$key}\": use one of ".implode(', ', array_keys($this->platform->slots)).'.');
            $slots[] = $key;
        }

        return $slots === [] ? $node->refuse('a part needs at least one slot.') : $slots;
    }

    private function gain(DocumentNode $node, float $share): GainCase
    {
        $reference = $node->maybe('reference');
        $frame = $this->frame($node);
        $node->rising('over_rpm');
        $anchors = array_map(
            fn (DocumentNode $anchor): GainAnchor => new GainAnchor($anchor->get('rpm')->number(), $frame->convert($this->power($anchor->get('power')))),
            $node->each('over_rpm'),
        );
        $evidence = $node->get('evidence');
        $content = $node->maybe('at_ethanol');
        if ($content !== null && $anchors !== []) {
            $content->refuse('a case at an ethanol content states its power and torque, not a curve over rpm.');
        }

        return new GainCase(
            ConditionReader::maybe($node, 'when'),
            $anchors === [] ? $frame->convert($this->power($node->get('power'))) : Range::exact(0.0),
            $node->has('torque') && $anchors === [] ? $frame->convert($this->torque($node->get('torque'))) : Range::exact(0.0),
            $anchors,
            $reference === null ? null : new ReferenceBuild(
                $frame->likely($reference->get('power')->number() * $this->units->power->watts()),
                $frame->likely($reference->get('torque')->number() * $this->units->torque->newtonMetres()),
            ),
            $node->maybe('unmapped')?->number() ?? $share,
            new GainSource(
                $evidence->get('kind')->enum(Evidence::class), $evidence->maybe('note')?->string() ?? '',
                $frame->isOwn() ? null : $frame, $evidence->maybe('set')?->keyword('rule', 'hand') === 'hand',
            ),
            new GainAir(BoostReader::maybe($node, $this->units), $this->temperature($node->maybe('exhaust')), self::pressure($node), $node->maybe('air_share')?->number()),
            new FuelPoint($content?->number(), OctaneReader::maybe($node->maybe('at_octane'))),
            peaks: $this->peaks($node->maybe('peaks')),
            torqueFollows: $anchors === [] && ! $node->has('torque'),
        );
    }

    /** A peak past the highest speed of a plan is a slip. */
    private function peaks(?DocumentNode $node): ?MovedPeaks
    {
        if ($node === null) {
            return null;
        }
        $first = $this->platform->baseline->first;
        $power = $node->get('power_rpm')->within($first, $this->platform->highestSpeed(), 'is no speed of this engine at full load');
        $torque = $node->maybe('torque_rpm')?->within($first, $power, 'is no torque peak below its power peak');
        $share = $node->maybe('first_percent')?->number();

        return new MovedPeaks($power, $torque, $share === null ? null : $share / 100.0);
    }

    private static function pressure(DocumentNode $node): ?PressureRatio
    {
        $node->rising('pressure_ratio');
        $points = array_map(fn (DocumentNode $point): array => [$point->get('rpm')->number(), $point->get('ratio')->number()], $node->each('pressure_ratio'));

        return $points === [] ? null : new PressureRatio($points);
    }

    /** Figures from elsewhere are brought to the shop's own frame; the crank by the usual loss of a manual gearbox. */
    private function frame(DocumentNode $node): Frame
    {
        return FrameReader::read($node, $this->shop->dynoFactors, $this->platform->lossShare(Gearbox::Manual, $this->shop->loss));
    }

    private function effects(DocumentNode $node): Effects
    {
        $effects = $node->maybe('effects') ?? new DocumentNode([]);
        $limits = new LimitReader($this->units);

        return new Effects(
            $effects->maybe('spool_rpm')?->range(),
            $effects->maybe('rev_limit')?->within($this->platform->baseline->peakPower()->rpm, $this->platform->highestSpeed(), 'is no rev limit for this platform'),
            [...array_map($this->addedPower(...), $effects->each('added_power')), ...$this->drag($effects->maybe('drag'))],
            array_map(fn (DocumentNode $ceiling): Ceiling => $limits->ceiling($ceiling), $effects->each('ceilings')),
            array_map(fn (DocumentNode $limit): Limit => $limits->limit($limit, $this->platform->slots), $effects->each('limits')),
            AirReader::maybeCooler($effects->maybe('cooler')),
            ($effects->maybe('mass')?->number() ?? 0.0) * $this->units->mass->kilograms(),
            $effects->maybe('exhaust')?->range()->scaled($this->units->temperature->kelvins()),
            $effects->strings('replaces'),
            array_map($this->supplies()->component(...), $effects->each('supplies')),
            AirReader::maybeCompressor($effects->maybe('compressor')),
            $effects->maybe('compressor')?->maybe('belt')?->bool() ?? false,
            $effects->maybe('charge')?->range()->scaled($this->units->temperature->kelvins()),
            $effects->maybe('compression')?->number() ?? 0.0,
            ($effects->maybe('gearing_percent')?->number() ?? 0.0) / 100.0,
            $effects->maybe('launch_seconds')?->range(),
            $effects->maybe('spray_percent')?->number() ?? 0.0,
            $effects->maybe('drive_ratio')?->number() ?? 1.0,
        );
    }

    private function supplies(): SupplyReader
    {
        return new SupplyReader($this->platform->slots, $this->platform->pumpFuel($this->shop->loss), $this->units->power);
    }

    private function addedPower(DocumentNode $window): AddedPower
    {
        $from = $window->get('from_rpm')->number();
        $to = $window->maybe('to_rpm')?->number() ?? INF;
        $from < $to || $window->refuse("{$from} rpm is not below {$to} rpm: turn them round.");

        return new AddedPower($from, $to, $this->power($window->get('power')), wet: $window->maybe('wet')?->bool() ?? false);
    }

    /** @return list<AddedPower> what pumps and belts no longer take */
    private function drag(?DocumentNode $node): array
    {
        return $node === null ? [] : [new AddedPower(0.0, INF, $this->power($node->get('power')), $node->get('rated_rpm')->number())];
    }

    /** @return list<Need> */
    private function needs(DocumentNode $node, string $key): array
    {
        return array_map(fn (DocumentNode $need): Need => new Need(
            ConditionReader::read($need->get('that')),
            ConditionReader::maybe($need, 'when'),
            $need->get('reason')->string(),
        ), $node->each($key));
    }

    private function price(DocumentNode $node): PartPrice
    {
        return new PartPrice(
            $node->get('new')->money($this->shop->currency),
            $node->maybe('used')?->money($this->shop->currency),
            $node->maybe('consumables')?->money($this->shop->currency) ?? MoneyRange::exact(0),
            $node->maybe('resale')?->minor($this->shop->currency) ?? 0,
            $node->maybe('as_of')?->string(),
            $node->maybe('revision')?->money($this->shop->currency),
        );
    }

    private static function work(DocumentNode $node): PartWork
    {
        $hours = fn (string $key): int => (int) round(100 * ($node->maybe($key)?->number() ?? 0.0));
        if ($hours('access_hours') > $hours('hours')) {
            $node->refuse('access_hours are part of hours and cannot exceed them.');
        }

        return new PartWork($hours('hours'), $hours('access_hours'), $node->maybe('access_group')?->string());
    }

    private function temperature(?DocumentNode $node): ?Range
    {
        return $node?->range()->in($this->units->temperature->toKelvin(...));
    }

    private function power(DocumentNode $node): Range
    {
        return $node->range()->scaled($this->units->power->watts());
    }

    private function torque(DocumentNode $node): Range
    {
        return $node->range()->scaled($this->units->torque->newtonMetres());
    }
}
