<?php

namespace App\Assembly;

use App\Models\CustomerJob;
use App\Models\LibraryVersion;
use Illuminate\Support\Facades\DB;

/**
 * What the counter shows of plans, kept under a key of all that it was computed from, the rules included: one that is no longer
 * right is not found. Every row can be deleted at any time.
 */
final class Summaries
{
    public const KEEP = 'insert into kept_summaries (subject, reads, key, summary, kept_at) values (?, ?, ?, ?, now())
        on conflict (subject, reads) do update set key = excluded.key, summary = excluded.summary, kept_at = excluded.kept_at';

    /** @param  array<string, mixed>  $plan  the plan document */
    public static function key(CustomerJob $job, LibraryVersion $library, array $plan): string
    {
        return Canonical::hash([RuleSources::current(), $library->fingerprint, $job->shop->units, $job->shop->document, $job->brief, $plan]);
    }

    /**
     * Those that are kept and still right.
     *
     * @param  array<string, string>  $keys  by subject: "plan 12", "variant 3"
     * @return array<string, array<string, mixed>> by subject
     */
    public static function known(array $keys, Reading $reading): array
    {
        $known = [];
        foreach (DB::table('kept_summaries')->whereIn('subject', array_keys($keys))->where('reads', $reading->name())->get() as $row) {
            if ($row->key === $keys[$row->subject]) {
                $known[$row->subject] = json_decode($row->summary, true);
            }
        }

        return $known;
    }

    /** @param  array<string, mixed>  $summary */
    public static function keep(string $subject, Reading $reading, string $key, array $summary): void
    {
        DB::insert(self::KEEP, self::row($subject, $reading, $key, $summary));
    }

    /**
     * The values of KEEP.
     *
     * @param  array<string, mixed>  $summary
     * @return list<mixed>
     */
    public static function row(string $subject, Reading $reading, string $key, array $summary): array
    {
        return [$subject, $reading->name(), $key, json_encode($summary, JSON_THROW_ON_ERROR)];
    }
}
