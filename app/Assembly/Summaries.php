<?php

namespace App\Assembly;

/** What the counter shows of a plan, picked from its estimate document. */
final class Summaries
{
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
            'verdict' => $estimate['verdict'],
            'run' => array_map(fn (array $stage): array => [
                'money' => $stage['money']['cumulative']['likely'],
                'power' => ['p10' => $stage['power']['p10'], 'p50' => $stage['power']['p50'], 'p90' => $stage['power']['p90']],
                'status' => $stage['status'],
                'parts' => $stage['parts_bought'],
            ], $stages),
        ];
    }
}
