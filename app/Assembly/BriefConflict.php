<?php

namespace App\Assembly;

use App\Models\CustomerJob;
use Pebblerun\Core\Report\Words\BriefWords;

/** What is answered where others answered the same of a brief in between: both sides, by answer. */
final class BriefConflict
{
    /**
     * @param  list<array{place: string, value: mixed}>  $answers  that were wanted
     * @param  list<string>  $clashing  the places of those that others answered otherwise
     * @return array<string, mixed> valid against conflict of schemas/answers.json
     */
    public static function answer(CustomerJob $job, array $answers, array $clashing): array
    {
        $sheet = new BriefSheet($job);
        $words = new BriefWords(Reading::ofShop($job->shop)->formatter(Bundles::of($job->chosenPlan())));
        $people = array_map(fn (string $place): string => $sheet->writer($place)['by'] ?? 'Somebody', $clashing);
        $said = fn (string $place, mixed $value): string => "{$words->place($place)}: {$words->value($place, $value)}";

        return [
            'message' => implode(' and ', array_unique($people)).' changed this brief meanwhile.',
            'version' => $job->version,
            'theirs' => [],
            'fields' => array_map(fn (array $answer): array => [
                'mine' => $said($answer['place'], $answer['value']),
                'theirs' => in_array($answer['place'], $clashing, true) ? $said($answer['place'], $sheet->value($answer['place'])) : '',
                'clashes' => in_array($answer['place'], $clashing, true),
                'can' => true,
            ], $answers),
        ];
    }
}
