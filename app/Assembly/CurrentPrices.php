<?php

namespace App\Assembly;

use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Catalog\Parts\PartPrice;
use stdClass;

/** What the parts of a platform cost today. No version and no plan pins it: it is laid over the figures when they are read. */
final class CurrentPrices
{
    private const KNOWN = 'select parts.key, p.money, p.as_of from fitments join parts on parts.id = fitments.part_id join lateral (select * from prices_known(?) where part_id = parts.id) p on true where fitments.platform_id = ?';

    /**
     * @param  ?string  $known  ISO 8601: as the shop knew them then; null for now
     * @return array<string, array<string, mixed>> money and its day, by the part's key
     */
    public static function of(int $platform, ?string $known = null): array
    {
        $prices = [];
        /** @var stdClass $row */
        foreach (DB::select(self::KNOWN, [$known ?? 'infinity', $platform]) as $row) {
            $prices[$row->key] = [...(array) json_decode($row->money, true), ...($row->as_of === null ? [] : ['as_of' => $row->as_of])];
        }
        ksort($prices);

        return $prices;
    }

    /** @return array<string, mixed> money and its day of one part of a shop; nothing where nobody said */
    public static function ofPart(int $shop, string $key): array
    {
        /** @var ?stdClass $row */
        $row = DB::selectOne('select p.money, p.as_of from newest_prices p join parts on parts.id = p.part_id where parts.shop_id = ? and parts.key = ?', [$shop, $key]);

        return $row === null ? [] : [...(array) json_decode($row->money, true), ...($row->as_of === null ? [] : ['as_of' => $row->as_of])];
    }

    /**
     * @param  list<array<string, mixed>>  $parts
     * @param  array<string, array<string, mixed>>  $prices
     * @return list<array<string, mixed>> with today's money; a part without a price keeps the one that it was published with
     */
    public static function laidOver(array $parts, array $prices): array
    {
        return array_map(function (array $part) use ($prices): array {
            $price = $prices[$part['key']] ?? null;

            return $price === null ? $part : [...$part, 'price' => [...self::work($part), ...$price]];
        }, $parts);
    }

    /**
     * @param  array<string, mixed>  $part
     * @return array<string, mixed> of its price what is no money
     */
    public static function work(array $part): array
    {
        return array_diff_key((array) $part['price'], array_flip([...PartPrice::MONEY, 'as_of']));
    }

    /** @param  array<string, array<string, mixed>>  $prices */
    public static function fingerprint(string $content, array $prices): string
    {
        return md5($content.self::hash($prices));
    }

    /** @param  array<string, array<string, mixed>>  $prices */
    public static function hash(array $prices): string
    {
        return Canonical::hash($prices);
    }
}
