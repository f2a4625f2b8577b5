<?php

namespace App\Assembly;

use Illuminate\Support\Facades\DB;
use stdClass;

/** A platform with its parts, put together from rows: what the next version is made of. Prices are no part of it. */
final class LibraryRows
{
    /** In which order a part says what it is. */
    private const ORDER = ['key', 'name', 'maker', 'slots', 'contains', 'tags', 'map', 'gains', 'unmapped', 'effects', 'requires', 'recommends', 'conflicts', 'price', 'fits', 'lead_days', 'warranty', 'law', 'cautions', 'sound', 'workshop', 'retired'];

    /** @return array{platform: array<string, mixed>, parts: list<array<string, mixed>>} */
    public static function content(int $platform): array
    {
        $document = $parts = [];
        $lists = ['slots' => [], 'limits' => []];
        /** @var stdClass $row */
        foreach (DB::select('select * from library_rows(?)', [$platform]) as $row) {
            $said = (array) json_decode($row->document, true);
            match ($row->list) {
                'platform' => $document = $said,
                'parts' => $parts[$row->id] = [...$said, ...(array) json_decode($row->own, true)],
                'gains' => $parts[$row->id]['gains'][] = $said,
                default => $lists[$row->list][] = $said,
            };
        }

        return ['platform' => [...$document, ...$lists], 'parts' => array_values(array_map(self::part(...), $parts))];
    }

    /**
     * @param  array<string, mixed>  $said
     * @return array<string, mixed> in the order in which a part says what it is
     */
    private static function part(array $said): array
    {
        return array_intersect_key(array_replace(array_flip(self::ORDER), $said), $said);
    }
}
