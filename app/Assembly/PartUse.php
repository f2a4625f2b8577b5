<?php

namespace App\Assembly;

use App\Models\Platform;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Which plans and cars have a part of a platform. */
final class PartUse
{
    private const NAMED = 3;

    private const QUERY = <<<'SQL'
        select j.id, j.title, p.id as plan from plans p join customer_jobs j on j.id = p.customer_job_id join cars c on c.id = j.car_id
        where c.platform_id = ? and p.deleted_at is null
          and (jsonb_path_exists(p.document::jsonb, '$.stages[*].changes[*].fit ? (@ == $keys[*])', jsonb_build_object('keys', ?::jsonb))
            or jsonb_path_exists(j.brief::jsonb, '$.received.parts[*] ? (@ == $keys[*])', jsonb_build_object('keys', ?::jsonb)))
        order by j.title, p.id
        SQL;

    /**
     * @param  list<string>  $keys
     * @return list<array{job: int, title: string, plan: int}>
     */
    public static function of(Platform $platform, array $keys): array
    {
        $json = json_encode($keys, JSON_THROW_ON_ERROR);

        return array_values(array_map(fn (stdClass $row): array => ['job' => (int) $row->id, 'title' => (string) $row->title, 'plan' => (int) $row->plan], DB::select(self::QUERY, [$platform->id, $json, $json])));
    }

    /** @param  non-empty-list<array{job: int, title: string, plan: int}>  $uses */
    public static function sentence(array $uses): string
    {
        $titles = array_values(array_unique(array_column($uses, 'title')));
        $more = count($titles) - self::NAMED;
        $named = implode(', ', array_map(fn (string $title): string => "\"{$title}\"", array_slice($titles, 0, self::NAMED)));

        return (count($titles) === 1 ? 'A job has it: ' : count($titles).' jobs have it: ').$named.($more > 0 ? " and {$more} more" : '');
    }
}
