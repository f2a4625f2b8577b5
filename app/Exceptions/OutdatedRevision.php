<?php

namespace App\Exceptions;

use App\Models\Plan;
use App\Models\PlanRevision;
use Illuminate\Support\Collection;
use Pebblerun\Core\Job\Commands\MergeField;
use RuntimeException;

/** Somebody saved in between: carries what they did, so that both sides can be shown. */
final class OutdatedRevision extends RuntimeException
{
    /** @param  list<MergeField>  $fields  one for each command that was wanted */
    public function __construct(public readonly Plan $plan, public readonly int $basedOn, public readonly array $fields = [])
    {
        parent::__construct("This plan is at revision {$plan->revision} now; the change was made on revision {$basedOn}.");
    }

    /** @return Collection<int, PlanRevision> what others did meanwhile, the oldest first */
    public function theirs(): Collection
    {
        return PlanRevision::query()->with('author')
            ->where('plan_id', $this->plan->id)
            ->where('number', '>', $this->basedOn)
            ->orderBy('number')->get();
    }
}
