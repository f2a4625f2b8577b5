<?php

namespace App\Assembly;

use Illuminate\Support\Facades\DB;
use stdClass;

/** A platform with its parts, put together from rows: what the next version is made of. Prices are no part of it. */
final class LibraryRows
{
    /** In which order a part says what it is. */
    private const ORDER = ['key', 'name', 'maker', 'slots', 'contains', 'tags', 'map', 'gains', 'unmapped', 'effects', 'requires', 'recommends', 'conflicts', 'price', 'fits', 'lead_days', 'warranty', 'law', 'cautions', 'sound', 'workshop', 'retired'];

    /** What is said of the figure in use, the newest. */
    private const EVIDENCE = "(select jsonb_strip_nulls(jsonb_build_object('kind', e.kind, 'note', e.note, 'set', e.set)) from evidence_records e where e.%s and e.figures is null order by e.id desc limit 1)";

    /** @return array{platform: array<string, mixed>, parts: list<array<string, mixed>>} */
    public static function content(int $platform): array
    {
        /** @var stdClass $row */
        $row = DB::selectOne(self::statement(), [$platform]);
        $document = self::decoded($row->document);
        foreach (['slots', 'limits', 'year_changes'] as $list) {
            $entries = self::decoded($row->{$list});
            // An empty list of what may be left out is left out.
            if ($entries !== [] || $list !== 'year_changes') {
                $document[$list] = $entries;
            }
        }

        return ['platform' => $document, 'parts' => array_values(array_map(self::part(...), self::decoded($row->parts)))];
    }

    /** One way to the database for all of it. */
    private static function statement(): string
    {
        $limit = sprintf(self::EVIDENCE, 'limit_id = l.id');
        $case = sprintf(self::EVIDENCE, 'gain_case_id = g.id');

        return "select p.document,
            (select jsonb_agg(s.document order by s.place) from platform_slots s where s.platform_id = p.id) as slots,
            (select jsonb_agg(l.document || coalesce(jsonb_build_object('evidence', {$limit}), '{}') order by l.place) from platform_limits l where l.platform_id = p.id) as limits,
            (select jsonb_agg(y.document order by y.place) from platform_years y where y.platform_id = p.id) as year_changes,
            (select jsonb_agg(jsonb_build_object('key', q.key, 'name', q.name, 'maker', q.maker) || q.document || f.document || coalesce(
                    (select jsonb_build_object('gains', jsonb_agg(g.document || jsonb_build_object('evidence', {$case}) order by g.place)) from gain_cases g where g.fitment_id = f.id having count(*) > 0), '{}') order by f.place)
                from fitments f join parts q on q.id = f.part_id where f.platform_id = p.id and f.left_at is null) as parts
            from platforms p where p.id = ?";
    }

    /**
     * @param  array<string, mixed>  $said
     * @return array<string, mixed> in the order in which a part says what it is
     */
    private static function part(array $said): array
    {
        return array_intersect_key(array_replace(array_flip(self::ORDER), $said), $said);
    }

    /** @return array<mixed> */
    private static function decoded(?string $json): array
    {
        return $json === null ? [] : (array) json_decode($json, true);
    }
}
