<?php

namespace App\Assembly;

use App\Models\Plan;
use App\Models\User;

/** What the counter shows of a plan, picked from its estimate document. */
final class Summaries
{
    /** What the counter shows of a line of the verdict. */
    private const LINE = ['subject', 'status', 'headline', 'detail'];

    /**
     * @param  array<string, mixed>  $estimate  the estimate document
     * @return array<string, mixed>
     */
    public static function of(array $estimate): array
    {
        /** @var list<array<string, mixed>> $stages */
        $stages = $estimate['stages'];

        return [
            'labels' => $estimate['labels'],
            'target' => $estimate['target'],
            'budget' => $estimate['budget'],
            'verdict' => array_map(fn (array $line): array => array_intersect_key($line, array_flip(self::LINE)), $estimate['verdict']),
            'run' => array_map(fn (array $stage): array => [
                'money' => $stage['money']['cumulative']['likely'],
                'power' => ['p10' => $stage['power']['p10'], 'p50' => $stage['power']['p50'], 'p90' => $stage['power']['p90']],
                'status' => $stage['status'],
                'parts' => $stage['parts_bought'],
            ], $stages),
        ];
    }

    /**
     * The same in what a person reads in: made when one asks, and kept until the plan or its brief changes.
     *
     * @return array<string, mixed>
     */
    public static function for(Plan $plan, User $reader): array
    {
        if ($reader->readsAsShop()) {
            return $plan->summary;
        }
        $reads = implode('/', [...$reader->unitSystem()->toArray(), $reader->numerals->value]);
        $of = "{$plan->revision}.{$plan->job->brief_revision}";
        $kept = $plan->summaries[$reads] ?? null;
        if ($kept !== null && $kept['of'] === $of) {
            return $kept['summary'];
        }
        $summary = self::of(Estimates::of(Bundles::of($plan), $plan->figures)->for($reader));
        $summaries = [...$plan->summaries, $reads => ['of' => $of, 'summary' => $summary]];
        Plan::query()->whereKey($plan->id)->toBase()->update(['summaries' => json_encode($summaries, JSON_THROW_ON_ERROR)]);

        return $summary;
    }
}
