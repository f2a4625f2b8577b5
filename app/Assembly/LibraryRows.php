<?php

namespace App\Assembly;

use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;

/** A platform with its parts, put together from rows: what the next version is made of. Prices are no part of it. */
final class LibraryRows
{
    /** In which order a part says what it is. */
    private const ORDER = ['key', 'name', 'maker', 'slots', 'contains', 'tags', 'map', 'gains', 'unmapped', 'effects', 'requires', 'recommends', 'conflicts', 'price', 'fits', 'lead_days', 'warranty', 'law', 'cautions', 'sound', 'workshop', 'retired'];

    /** Lists of a platform, and the tables that they stand in. */
    private const OF_A_PLATFORM = ['slots' => 'platform_slots', 'limits' => 'platform_limits', 'year_changes' => 'platform_years'];

    /** @return array{platform: array<string, mixed>, parts: list<array<string, mixed>>} */
    public static function content(int $platform): array
    {
        $document = self::document(DB::table('platforms')->where('id', $platform)->value('document'));
        $evidence = self::evidence($platform);
        foreach (self::OF_A_PLATFORM as $list => $table) {
            $rows = DB::table($table)->where('platform_id', $platform)->orderBy('place')->get(['id', 'document']);
            $entries = array_values($rows->map(fn (stdClass $row): array => [...self::document($row->document), ...(isset($evidence['limit'][$row->id]) && $table === 'platform_limits' ? ['evidence' => $evidence['limit'][$row->id]] : [])])->all());
            // An empty list of what may be left out is left out.
            if ($entries !== [] || $list !== 'year_changes') {
                $document[$list] = $entries;
            }
        }

        return ['platform' => $document, 'parts' => self::parts($platform, $evidence['gain'])];
    }

    /**
     * @param  array<int, array<string, string>>  $evidence  by gain case
     * @return list<array<string, mixed>>
     */
    private static function parts(int $platform, array $evidence): array
    {
        $cases = DB::table('gain_cases')->join('fitments', 'fitments.id', '=', 'gain_cases.fitment_id')->where('fitments.platform_id', $platform)
            ->orderBy('gain_cases.place')->get(['gain_cases.id', 'gain_cases.fitment_id', 'gain_cases.document'])->groupBy('fitment_id');
        $rows = DB::table('fitments')->join('parts', 'parts.id', '=', 'fitments.part_id')->where('fitments.platform_id', $platform)->whereNull('fitments.left_at')->orderBy('fitments.place')
            ->get(['fitments.id', 'fitments.document as fitment', 'parts.key', 'parts.name', 'parts.maker', 'parts.document as part']);

        return array_values($rows->map(fn (stdClass $row): array => self::part($row, self::gains($cases->get($row->id, new Collection), $evidence)))->all());
    }

    /**
     * @param  list<array<string, mixed>>  $gains
     * @return array<string, mixed>
     */
    private static function part(stdClass $row, array $gains): array
    {
        $said = ['key' => $row->key, 'name' => $row->name, 'maker' => $row->maker, ...self::document($row->part), ...self::document($row->fitment), ...($gains === [] ? [] : ['gains' => $gains])];

        return array_intersect_key(array_replace(array_flip(self::ORDER), $said), $said);
    }

    /**
     * @param  Collection<int, stdClass>  $cases
     * @param  array<int, array<string, string>>  $evidence
     * @return list<array<string, mixed>>
     */
    private static function gains(Collection $cases, array $evidence): array
    {
        return array_values($cases->map(fn (stdClass $case): array => [...self::document($case->document), 'evidence' => $evidence[$case->id]])->all());
    }

    /** @return array{gain: array<int, array<string, string>>, limit: array<int, array<string, string>>} the newest record of each, by gain case and by limit */
    private static function evidence(int $platform): array
    {
        $found = ['gain' => [], 'limit' => []];
        $rows = DB::table('evidence_records')->leftJoin('gain_cases', 'gain_cases.id', '=', 'evidence_records.gain_case_id')->leftJoin('fitments', 'fitments.id', '=', 'gain_cases.fitment_id')
            ->leftJoin('platform_limits', 'platform_limits.id', '=', 'evidence_records.limit_id')
            ->where(fn ($either) => $either->where('fitments.platform_id', $platform)->orWhere('platform_limits.platform_id', $platform))
            ->whereNull('figures')->orderBy('evidence_records.id')->get(['gain_case_id', 'limit_id', 'kind', 'note', 'set']);
        foreach ($rows as $row) {
            $said = ['kind' => $row->kind, ...($row->note === null ? [] : ['note' => $row->note]), ...($row->set === null ? [] : ['set' => $row->set])];
            $row->gain_case_id === null ? $found['limit'][(int) $row->limit_id] = $said : $found['gain'][(int) $row->gain_case_id] = $said;
        }

        return $found;
    }

    /** @return array<string, mixed> */
    private static function document(mixed $json): array
    {
        return (array) json_decode((string) $json, true);
    }
}
