<?php

namespace Pebblerun\Core\Bundle;

use Pebblerun\Core\Condition\All;
use Pebblerun\Core\Condition\Any;
use Pebblerun\Core\Condition\CarIs;
use Pebblerun\Core\Condition\Condition;
use Pebblerun\Core\Condition\EthanolAtLeast;
use Pebblerun\Core\Condition\MapIs;
use Pebblerun\Core\Condition\None;
use Pebblerun\Core\Condition\OctaneAtLeast;
use Pebblerun\Core\Condition\PartFitted;
use Pebblerun\Core\Condition\SlotIs;
use Pebblerun\Core\Condition\TagFitted;
use Pebblerun\Core\Condition\YearIn;
use Pebblerun\Core\Parts\MapKind;

/** Reads the condition language. */
final class ConditionReader
{
    public static function maybe(Node $node, string $key): ?Condition
    {
        $condition = $node->maybe($key);

        return $condition === null ? null : self::read($condition);
    }

    /** @throws InvalidBundle for a word the language does not have. */
    public static function read(Node $node): Condition
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

    private static function car(Node $node): CarIs
    {
        foreach (['gearbox', 'use', 'aspiration', 'drive'] as $fact) {
            if ($node->has($fact)) {
                return new CarIs($fact, $node->get($fact)->string());
            }
        }
        $node->refuse('is no condition: use all, any, none, part, tag, slot with is, ethanol, octane, map, year, gearbox, use, aspiration or drive.');
    }

    /** @return non-empty-list<Condition> */
    private static function several(Node $node): array
    {
        $conditions = array_map(self::read(...), $node->items());

        return $conditions === [] ? $node->refuse('must hold at least one condition.') : $conditions;
    }

    /** @return non-empty-list<MapKind> */
    private static function maps(Node $node): array
    {
        $map = $node->get('map');
        $items = is_array($map->raw()) ? $map->items() : [$map];
        $kinds = array_map(
            fn (Node $item): MapKind => MapKind::from($item->keyword(...array_column(MapKind::cases(), 'value'))),
            $items,
        );

        return $kinds === [] ? $map->refuse('must name at least one kind of map.') : $kinds;
    }
}
