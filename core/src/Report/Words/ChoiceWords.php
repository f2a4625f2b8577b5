<?php

namespace Pebblerun\Core\Report\Words;

use BackedEnum;
use Pebblerun\Core\Catalog\Cars\Tyres;
use Pebblerun\Core\Catalog\Conditions\MapKind;
use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Catalog\Parts\Caution;
use Pebblerun\Core\Physics\Driveline\Gearbox;
use Pebblerun\Core\Report\Terms;

/** What somebody who fills in a field of the library chooses among: each of a closed set by its key, with a word or two. */
final class ChoiceWords
{
    /** @return array<string, list<array{key: string, words: string}>> by set */
    public static function library(): array
    {
        return [
            'evidence' => self::evidence(),
            'gearboxes' => self::each(Gearbox::cases(), Terms::gearbox(...)),
            'map_kinds' => self::each(MapKind::cases(), self::mapKind(...)),
            // What fuel components carry is read from their flow: nobody writes it down.
            'quantities' => self::each(array_values(array_filter(Quantity::cases(), fn (Quantity $quantity): bool => $quantity !== Quantity::FuelFlow)), self::quantity(...)),
            'cautions' => self::each(Caution::cases(), self::caution(...)),
            'tyres' => self::each(Tyres::cases(), Terms::tyres(...)),
        ];
    }

    /** @return list<array{key: string, words: string}> what is known best first */
    public static function evidence(): array
    {
        return self::each([Evidence::ShopDyno, Evidence::OtherDyno, Evidence::Maker, Evidence::Judgement, Evidence::Typical], Terms::evidence(...));
    }

    /**
     * @template T of BackedEnum
     *
     * @param  list<T>  $cases
     * @param  callable(T): string  $words
     * @return list<array{key: string, words: string}>
     */
    public static function each(array $cases, callable $words): array
    {
        return array_map(fn (BackedEnum $case): array => ['key' => (string) $case->value, 'words' => $words($case)], $cases);
    }

    private static function mapKind(MapKind $kind): string
    {
        return match ($kind) {
            MapKind::OffTheShelf => 'off the shelf',
            MapKind::Remote => 'remote',
            MapKind::Dyno => 'on the dyno',
        };
    }

    private static function quantity(Quantity $quantity): string
    {
        return match ($quantity) {
            Quantity::EngineSpeed => 'engine speed, rpm',
            Quantity::TurboFlow => 'compressor flow, share',
            Quantity::Knock => 'octane asked over the fuel',
            Quantity::Smoke => 'air for the fuel, λ',
            default => Terms::quantity($quantity),
        };
    }

    private static function caution(Caution $caution): string
    {
        return match ($caution) {
            Caution::Battery => 'battery off first',
            Caution::Hot => 'hot parts',
            Caution::FuelPressure => 'fuel under pressure',
            Caution::Alcohol => 'alcohol fuel',
            Caution::Nitrous => 'nitrous bottle',
            Caution::Lifting => 'lifting',
            Caution::Cutting => 'cutting and welding',
            Caution::Dyno => 'on the dyno',
            Caution::Emissions => 'emissions law',
            Caution::Brakes => 'brakes',
            Caution::Governor => 'governor',
        };
    }
}
