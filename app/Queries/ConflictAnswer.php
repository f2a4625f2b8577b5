<?php

namespace App\Queries;

use App\Exceptions\OutdatedBrief;
use App\Exceptions\OutdatedRevision;
use Pebblerun\Core\Job\Commands\MergeField;
use Pebblerun\Core\Report\Words\ChangeWords;

/** What is answered where somebody saved in between: both sides. */
final class ConflictAnswer
{
    /** @return array<string, mixed> valid against planConflict of schemas/answers.json */
    public static function ofPlan(OutdatedRevision $fault): array
    {
        return [
            'message' => $fault->getMessage(),
            'revision' => $fault->plan->revision,
            'theirs' => array_values($fault->theirs()->map(RevisionList::note(...))->all()),
            'fields' => array_map(self::field(...), $fault->fields),
        ];
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

    /** @return array<string, mixed> valid against briefConflict of schemas/answers.json */
    public static function ofBrief(OutdatedBrief $fault): array
    {
        return [
            'message' => "{$fault->author()} saved this brief meanwhile.",
            'revision' => $fault->job->brief_revision,
            'brief' => $fault->job->brief,
            'title' => $fault->job->title,
            'customer' => $fault->job->customer,
        ];
    }
}
