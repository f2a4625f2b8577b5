<?php

namespace App\Assembly;

use App\Models\CustomerJob;
use App\Models\PlanRevision;
use Pebblerun\Core\Job\Commands\MergeField;
use Pebblerun\Core\Report\Words\ChangeWords;

/** What is answered where others saved a plan in between: both sides. */
final class PlanConflict
{
    /**
     * @param  list<PlanRevision>  $theirs  what others did meanwhile, the oldest first, with authors
     * @param  list<MergeField>  $fields  one for each command that was wanted
     * @return array<string, mixed> valid against conflict of schemas/answers.json
     */
    public static function answer(CustomerJob $job, array $theirs, array $fields): array
    {
        return [
            'message' => self::people(array_map(fn (PlanRevision $one): string => $one->author->name, $theirs)).' changed this plan meanwhile.',
            'version' => $job->version,
            'theirs' => array_map(self::note(...), $theirs),
            'fields' => array_map(self::field(...), $fields),
        ];
    }

    /** @return array{number: int, label: string, author: string, at: string} */
    public static function note(PlanRevision $revision): array
    {
        return [
            'number' => $revision->number,
            'label' => PlanChange::wordsOf($revision),
            'author' => $revision->author->name,
            'at' => $revision->created_at->toIso8601String(),
        ];
    }

    /** @param  list<string>  $names */
    private static function people(array $names): string
    {
        return implode(' and ', array_unique($names)) ?: 'Somebody';
    }

    /** @return array{mine: string, theirs: string, clashes: bool, can: bool} */
    private static function field(MergeField $field): array
    {
        $theirs = implode('; ', array_map(ChangeWords::one(...), $field->theirs));

        return [
            'mine' => ChangeWords::of([$field->mine]),
            'theirs' => $theirs === '' && ! $field->can ? 'what it needs is gone' : $theirs,
            'clashes' => $field->clashes(),
            'can' => $field->can,
        ];
    }
}
