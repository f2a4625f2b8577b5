<?php

namespace Pebblerun\Core\Exchange;

use Pebblerun\Core\Catalog\Cars\CarFact;
use Pebblerun\Core\Catalog\Cars\CarMeasure;
use Pebblerun\Core\Catalog\Conditions\All;
use Pebblerun\Core\Catalog\Conditions\Any;
use Pebblerun\Core\Catalog\Conditions\CarHas;
use Pebblerun\Core\Catalog\Conditions\CarIs;
use Pebblerun\Core\Catalog\Conditions\Condition;
use Pebblerun\Core\Catalog\Conditions\EthanolAtLeast;
use Pebblerun\Core\Catalog\Conditions\MapIs;
use Pebblerun\Core\Catalog\Conditions\MapKind;
use Pebblerun\Core\Catalog\Conditions\None;
use Pebblerun\Core\Catalog\Conditions\OctaneAtLeast;
use Pebblerun\Core\Catalog\Conditions\PartFitted;
use Pebblerun\Core\Catalog\Conditions\SlotIs;
use Pebblerun\Core\Catalog\Conditions\TagFitted;
use Pebblerun\Core\Catalog\Conditions\YearIn;

/** Reads the condition language. */
final class ConditionReader
{
    public static function maybe(DocumentNode $node, string $key): ?Condition
    {
        $condition = $node->maybe($key);

        return $condition === null ? null : self::read($condition);
    }

    /** @throws InvalidBundle for a word the language does not have. */
    public static function read(DocumentNode $node): Condition
    {
        return match (true) {
            $node->has('all') => new All(self::several($node->get('all'))),
            $node->has('any') => new Any(self::several($node->get('any'))),
            $node->has('none') => new None(self::several($node->get('none'))),
            $node->has('part') => new PartFitted($node->get('part')->string()),
            $node->has('tag') => new TagFitted($node->get('tag')->string()),
            $node->has('slot') => new SlotIs($node->get('slot')->string(), $node->get('is')->keyword('stock', 'upgraded') === 'upgraded'),
            $node->has('ethanol') => new EthanolAtLeast($node->get('ethanol')->get('at_least')->number()),
            $node->has('octane') => new OctaneAtLeast($node->get('octane')->get('at_least')->number()),
            $node->has('map') => new MapIs(self::maps($node)),
            $node->has('year') => new YearIn($node->get('year')->maybe('from')?->int(), $node->get('year')->maybe('to')?->int()),
            default => self::car($node),
        };
    }

    private static function car(DocumentNode $node): Condition
    {
        foreach (CarFact::cases() as $fact) {
            if ($node->has($fact->value)) {
                return new CarIs($fact, $node->get($fact->value)->string());
            }
        }
        foreach (CarMeasure::cases() as $measure) {
            if ($node->has($measure->value)) {
                return new CarHas($measure, $node->get($measure->value)->get('at_least')->number());
            }
        }
        $node->refuse('is no condition: use all, any, none, part, tag, slot with is, ethanol, octane, map, year, gearbox, use, aspiration, drive, variant, tyres, lift or mass.');
    }

    /** @return non-empty-list<Condition> */
    private static function several(DocumentNode $node): array
    {
        $conditions = array_map(self::read(...), $node->items());

        return $conditions === [] ? $node->refuse('must hold at least one condition.') : $conditions;
    }

    /** @return non-empty-list<MapKind> */
    private static function maps(DocumentNode $node): array
    {
        $map = $node->get('map');
        $items = is_array($map->raw()) ? $map->items() : [$map];
        $kinds = array_map(
            fn (DocumentNode $item): MapKind => $item->enum(MapKind::class),
            $items,
        );

        return $kinds === [] ? $map->refuse('must name at least one kind of map.') : $kinds;
    }
}
