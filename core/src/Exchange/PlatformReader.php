<?php

namespace Pebblerun\Core\Exchange;

use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Platform\AirRole;
use Pebblerun\Core\Catalog\Platform\Ceiling;
use Pebblerun\Core\Catalog\Platform\Combustion;
use Pebblerun\Core\Catalog\Platform\Family;
use Pebblerun\Core\Catalog\Platform\FuelComponent;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Catalog\Platform\Slot;
use Pebblerun\Core\Physics\Fuel\FuelKind;
use Pebblerun\Core\Units\UnitSystem;

/** Reads a platform. */
final readonly class PlatformReader
{
    public function __construct(private UnitSystem $units) {}

    /** @param  int  $year  of the car: what its model year has otherwise stands in the place of the rest */
    public function read(DocumentNode $document, int $year): Platform
    {
        $years = self::years($document->get('years'));
        $node = $document->replacedBy(self::otherwise($document, $year));
        $engine = $node->get('engine');
        $aspiration = $engine->get('aspiration')->keyword('natural', 'turbo', 'blower');
        $lanes = $this->lanes($node);
        $families = $this->families($node);
        $slots = $this->slots($node, $lanes, $families);
        $limits = new LimitReader($this->units);
        $baseline = (new CurveReader($this->units))->read($node->get('baseline'), $aspiration !== 'natural');

        return new Platform(
            $node->get('key')->string(),
            $node->get('name')->string(),
            $node->get('drive')->keyword('front', 'rear', 'all'),
            $aspiration,
            FuelKind::from($engine->get('fuel')->keyword('petrol', 'diesel')),
            $years[0],
            $years[1],
            $engine->get('displacement')->number() / 1000.0,
            $aspiration !== 'natural',
            $node->get('rev_limit')->within($baseline->peakPower()->rpm, Platform::HIGHER_REVS * $baseline->last(), 'is no limit of an engine with this baseline'),
            $baseline,
            $lanes,
            $slots,
            $families,
            array_map(fn (DocumentNode $limit): Limit => $limits->limit($limit, $slots), $node->each('limits')),
            array_map(fn (DocumentNode $ceiling): Ceiling => $limits->ceiling($ceiling), $node->each('ceilings')),
            $engine->get('injection')->keyword('port', 'direct') === 'direct',
            BoostReader::maybe($node, $this->units),
            AirReader::side($node->maybe('air')),
            $this->mass($node->maybe('mass')),
            $node->maybe('exhaust')?->range()->in($this->units->temperature->toKelvin(...)),
            self::combustion($engine),
            array_map(fn (DocumentNode $component): FuelComponent => SupplyReader::component($component, $slots), $node->each('fuel_system')),
            $node->maybe('drag_area')?->number(),
            $this->claimed($node->maybe('claimed')?->maybe('power')),
            $node->maybe('gearbox')?->keyword('manual', 'automatic', 'dual-clutch') ?? 'manual',
        );
    }

    /** @return list<int> one model year of each entry that says what others have otherwise */
    public static function changedYears(DocumentNode $document): array
    {
        return array_map(fn (DocumentNode $change): int => self::years($change->get('years'))[0], $document->each('year_changes'));
    }

    private static function otherwise(DocumentNode $document, int $year): ?DocumentNode
    {
        $found = null;
        foreach ($document->each('year_changes') as $change) {
            [$from, $to] = self::years($change->get('years'));
            if ($year >= $from && $year <= $to) {
                $found === null || $change->refuse("{$year} stands in an earlier entry too: a model year has one of them.");
                $found = $change;
            }
        }

        return $found;
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
            $engine->maybe('octane')?->number(),
            $engine->maybe('ethanol_max')?->number() ?? Combustion::ETHANOL,
            $lambda === null ? null : [$lambda->get('at_torque')->number(), $lambda->get('at_power')->number()],
        );
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
        return AirRole::tryFrom($family->maybe('air')?->keyword(...array_column(AirRole::cases(), 'value')) ?? $key) ?? AirRole::None;
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
            isset($slots[$key]) && $slot->refuse("the key \"{$key}\" stands twice.");
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
