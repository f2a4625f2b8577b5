<?php

namespace App\Queries;

use App\Models\User;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Catalog\TradeWords;
use stdClass;

/**
 * Everything that a shop has by its words: parts, platforms, customers, cars, jobs, notes of evidence. Whole words and their beginnings
 * come first, by PostgreSQL's text search with the trade's other words; where that finds little, letters that are nearly right.
 */
final class Search
{
    private const MOST = 24;

    private const OF_A_KIND = 8;

    /** Fewer than so many, and typing slips are looked for too. */
    private const FEW = 3;

    /** Words that a slip may have meant. */
    private const MEANT = 3;

    private const PLATFORM = "select 'platform' as kind, id, name as title, '' as detail, null::bigint as of, '' as key from platforms where shop_id = :shop and to_tsvector('simple', name) @@ to_tsquery('simple', :words)";

    private const PART = "select 'part', p.id, p.maker || ' ' || p.name, coalesce((select string_agg(l.name, ', ' order by l.name) from fitments f join platforms l on l.id = f.platform_id where f.part_id = p.id and f.left_at is null), 'on no platform yet'), null::bigint, p.key
        from found_parts(:shop, to_tsquery('simple', :words), 60) g(id) join parts p on p.id = g.id
        order by lower(p.name) like :start desc, exists (select from fitments f where f.part_id = p.id and f.left_at is null) desc, length(p.name), p.id";

    private const CUSTOMER = "select 'customer', c.id, c.name, (select string_agg(l.name || coalesce(' ' || nullif(r.registration, ''), ''), ', ' order by r.id) from cars r join platforms l on l.id = r.platform_id where r.customer_id = c.id), (select max(j.id) from customer_jobs j join cars r on r.id = j.car_id where r.customer_id = c.id), ''
        from customers c where c.shop_id = :shop and lower(c.name || ' ' || c.contact) ~ all (:like) order by c.name, c.id";

    private const CAR = "select 'car', r.id, l.name || ' ' || coalesce(r.registration, ''), c.name, (select max(j.id) from customer_jobs j where j.car_id = r.id), ''
        from cars r join platforms l on l.id = r.platform_id join customers c on c.id = r.customer_id
        where c.shop_id = :shop and (lower(r.registration || ' ' || r.chassis_number) ~ all (:like) or replace(lower(r.registration), ' ', '') like :joined) order by r.id desc";

    private const JOB = "select 'job', j.id, j.title, c.name, j.id, '' from customer_jobs j join cars r on r.id = j.car_id join customers c on c.id = r.customer_id
        where j.shop_id = :shop and j.search ~ all (:like) order by j.updated_at desc, j.id desc";

    private const EVIDENCE = "select 'evidence', e.id, coalesce(p.name, m.name || ', limit'), e.note, coalesce(f.platform_id, m.platform_id), coalesce(p.key, '')
        from found_evidence(:shop, to_tsquery('simple', :words), 30) h(id) join evidence_records e on e.id = h.id
        left join gain_cases g on g.id = e.gain_case_id left join fitments f on f.id = g.fitment_id left join parts p on p.id = f.part_id
        left join (select id, platform_id, document->>'name' as name from platform_limits) m on m.id = e.limit_id
        where f.left_at is null";

    /**
     * @param  string  $typed  lower case
     * @return list<array<string, mixed>> valid against found of schemas/answers.json
     */
    public static function of(User $reader, string $typed): array
    {
        $words = array_slice(preg_split('/[^\pL\pN]+/u', $typed, -1, PREG_SPLIT_NO_EMPTY) ?: [], 0, 8);
        if (mb_strlen($typed) < 2 || $words === []) {
            return [];
        }
        $found = self::exact($reader->shop_id, array_map(fn (string $word): array => [$word], $words));
        if (count($found) < self::FEW) {
            $known = array_map(fn (stdClass $row): string => "{$row->kind} {$row->id}", $found);
            $nearly = self::exact($reader->shop_id, array_map(fn (string $word): array => [$word, ...self::meant($reader->shop_id, $word)], $words));
            $found = [...$found, ...array_values(array_filter($nearly, fn (stdClass $row): bool => ! in_array("{$row->kind} {$row->id}", $known, true)))];
        }

        return array_map(self::entry(...), array_slice($found, 0, self::MOST));
    }

    /**
     * What a word with a slip may have meant, of the words that the shop's things are called by.
     *
     * @return list<string>
     */
    private static function meant(int $shop, string $word): array
    {
        return array_column(DB::select('select word from words_like(?, ?, ?) as w(word)', [$shop, $word, self::MEANT]), 'word');
    }

    /**
     * @param  list<non-empty-list<string>>  $words  each with others that may stand for it
     * @return list<stdClass>
     */
    private static function exact(int $shop, array $words): array
    {
        $typed = array_column($words, 0);
        $like = '{'.implode(',', array_map(fn (array $word): string => '"('.implode('|', $word).')"', $words)).'}';
        $queries = array_map(fn (string $query): string => "({$query} limit ".self::OF_A_KIND.')', [self::PLATFORM, self::PART, self::JOB, self::CUSTOMER, self::CAR, self::EVIDENCE]);

        return self::run(implode(' union all ', $queries), ['shop' => $shop, 'words' => self::query($words), 'like' => $like, 'joined' => '%'.implode('', $typed).'%', 'start' => "{$typed[0]}%"]);
    }

    /**
     * Every word, as it begins or as the trade calls it otherwise: "(tune:* | map | remap) & dyno:*".
     *
     * @param  list<non-empty-list<string>>  $words
     */
    private static function query(array $words): string
    {
        $phrase = fn (string $other): string => '('.implode(' <-> ', preg_split('/[^\pL\pN]+/u', $other, -1, PREG_SPLIT_NO_EMPTY) ?: []).')';

        return implode(' & ', array_map(function (array $word) use ($phrase): string {
            $typed = array_shift($word);

            return '('.implode(' | ', ["{$typed}:*", ...array_map($phrase, [...$word, ...TradeWords::beside($typed)])]).')';
        }, $words));
    }

    /**
     * Names in a query may come several times.
     *
     * @param  array<string, string|int|float>  $values
     * @return list<stdClass>
     */
    private static function run(string $sql, array $values): array
    {
        $bound = [];
        $plain = (string) preg_replace_callback('/(?<!:):([a-z]+)/', function (array $name) use ($values, &$bound): string {
            $bound[] = $values[$name[1]];

            return '?';
        }, $sql);

        /** @var list<stdClass> */
        return DB::select($plain, $bound);
    }

    /** @return array<string, string> */
    private static function entry(stdClass $row): array
    {
        $address = match ($row->kind) {
            'part' => "/parts/{$row->id}",
            'platform' => "/library/{$row->id}",
            'evidence' => $row->key === '' ? "/library/{$row->of}/platform" : "/library/{$row->of}/parts/{$row->key}",
            default => $row->of === null ? '/' : "/jobs/{$row->of}/bench",
        };

        return ['kind' => $row->kind, 'title' => (string) $row->title, 'detail' => (string) $row->detail, 'address' => $address];
    }
}
