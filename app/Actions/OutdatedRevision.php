<?php

namespace App\Actions;

use App\Models\Plan;
use App\Models\PlanRevision;
use RuntimeException;

/** Somebody saved in between: carries what they did, so that both sides can be shown. */
final class OutdatedRevision extends RuntimeException
{
    /** @param  list<array{mine: string, theirs: string, clashes: bool, can: bool}>  $fields  one for each command that was wanted */
    public function __construct(public readonly Plan $plan, public readonly int $basedOn, public readonly array $fields = [])
    {
        parent::__construct("This plan is at revision {$plan->revision} now; the change was made on revision {$basedOn}.");
    }

    /** @return list<array{number: int, label: string, author: string, at: string}> */
    public function theirs(): array
    {
        $revisions = PlanRevision::query()->with('author')
            ->where('plan_id', $this->plan->id)
            ->where('number', '>', $this->basedOn)
            ->orderBy('number')->get();

        return array_values($revisions->map(fn (PlanRevision $revision): array => [
            'number' => $revision->number,
            'label' => $revision->label,
            'author' => $revision->author->name,
            'at' => $revision->created_at->toIso8601String(),
        ])->all());
    }
}
