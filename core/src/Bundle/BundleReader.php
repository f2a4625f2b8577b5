<?php

namespace Pebblerun\Core\Bundle;

use Pebblerun\Core\Build\Timeline;
use Pebblerun\Core\Condition\Catalog;
use Pebblerun\Core\Units\UnitSystem;

/** The one way into the core: a decoded bundle becomes core objects, or is refused with the path and what would be right. */
final class BundleReader
{
    /**
     * @param  array<string, mixed>  $document  decoded JSON in the bundle format
     *
     * @throws InvalidBundle at the first fault, with its path.
     */
    public static function read(array $document): Bundle
    {
        $node = new Node($document);
        $units = self::units($node->get('units'));
        $catalog = self::catalog($node, $units);
        $brief = (new BriefReader($units, $catalog->platform))->read($node->get('brief'));
        $plan = PlanReader::read($node->get('plan'));
        $node->get('plan')->guard(fn (): array => Timeline::of($plan, $brief->came, $catalog, $brief->car));

        unset($document['plan']);

        return new Bundle($units, ShopReader::rates($node->get('shop')), $catalog, $brief, $plan, hash('xxh128', serialize($document)));
    }

    /** The platform with its parts and the shop's fuels alone. */
    public static function catalog(Node $node, UnitSystem $units): Catalog
    {
        $platform = (new PlatformReader($units))->read($node->get('platform'));
        $reader = new PartReader($units, $platform, ShopReader::dynoFactors($node->get('shop')));
        $parts = [];
        foreach ($node->each('parts') as $item) {
            $part = $reader->read($item);
            isset($parts[$part->key]) && $item->refuse("the key \"{$part->key}\" stands twice.");
            $parts[$part->key] = $part;
        }

        return new Catalog($platform, $parts, ShopReader::fuels($node->get('shop'), $platform->fuel));
    }

    private static function units(Node $node): UnitSystem
    {
        $given = [];
        foreach (['power', 'torque', 'pressure', 'temperature'] as $dimension) {
            if ($node->has($dimension)) {
                $given[$dimension] = $node->get($dimension)->string();
            }
        }

        return $node->guard(fn (): UnitSystem => UnitSystem::parse($given));
    }
}
