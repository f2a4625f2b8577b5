<?php

namespace App\Assembly;

use App\Models\CustomerJob;
use App\Models\Plan;
use Pebblerun\Core\Fuel\Fuel;

/** The documents of the brief page. */
final class Briefs
{
    /** @return array<string, mixed> */
    public static function page(CustomerJob $job): array
    {
        $job->load('shop', 'platform');
        $plan = $job->benchPlan();

        return [
            'job' => ['id' => $job->id, 'title' => $job->title, 'customer' => $job->customer, 'platform' => $job->platform->name],
            'fuels' => self::fuels($plan),
            'parts' => array_map(fn (array $part): array => ['key' => $part['key'], 'name' => $part['name']], Libraries::content($plan->library)['parts']),
            'state' => [
                'brief' => $job->brief,
                ...self::saved($job, Estimates::of(Bundles::of($plan), $plan->figures)->document),
            ],
        ];
    }

    /** @return list<array{key: string, name: string}> those that the platform's engine burns */
    private static function fuels(Plan $plan): array
    {
        return array_values(array_map(
            fn (Fuel $fuel): array => ['key' => $fuel->key, 'name' => $fuel->name],
            Bundles::of($plan)->catalog->fuels,
        ));
    }

    /**
     * What a save answers: the revision, and what the answers mean for the plan.
     *
     * @param  array<string, mixed>  $estimate
     * @return array<string, mixed>
     */
    public static function saved(CustomerJob $job, array $estimate): array
    {
        return [
            'revision' => $job->brief_revision,
            'labels' => $estimate['labels'],
            'verdict' => $estimate['verdict'],
            'measured' => $estimate['measured'],
        ];
    }
}
