<?php

namespace App\Actions;

use App\Assembly\Bundles;
use App\Assembly\Estimates;
use App\Assembly\PlanChange;
use App\Assembly\SavedPlan;
use App\Exceptions\NothingToUndo;
use App\Exceptions\OutdatedRevision;
use App\Exceptions\Overtaken;
use App\Exceptions\RequestReused;
use App\Models\CustomerJob;
use App\Models\Plan;
use App\Models\PlanRevision;
use App\Models\PlanVariant;
use Closure;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Exchange\OpenedBundle;
use Pebblerun\Core\Job\Commands\Commands;
use Pebblerun\Core\Job\Commands\Description;
use Pebblerun\Core\Job\Commands\Merge;
use Pebblerun\Core\Job\Commands\PlanDraft;

/**
 * Changes a plan by commands, undo, redo or restoring. Each writes a new revision; one made on an outdated revision follows
 * when it disturbs nothing, and is refused with both sides otherwise.
 *
 * @phpstan-import-type PlanDocument from PlanDraft
 */
final readonly class EditPlan
{
    /** Somebody may be faster that often in a row. */
    private const TRIES = 5;

    public function __construct(private SavePlan $save) {}

    /**
     * @param  list<array<string, mixed>>  $commands  that their schemas take
     *
     * @throws OutdatedRevision
     */
    public function commands(Plan $plan, Edit $edit, array $commands): SavedPlan
    {
        return $this->hold($plan, $edit, function (OpenedBundle $opened) use ($plan, $edit, $commands): SavedPlan {
            $catalog = $opened->bundle->catalog;
            $this->follow($plan, $edit->basedOn, $commands, $opened);
            $change = new PlanChange(Commands::describe($commands, $plan->document, $catalog));

            return $this->save->next($plan, $opened, new NextContent(Commands::apply($plan->document, $commands, $catalog), $change), $edit);
        });
    }

    /** @throws OutdatedRevision|NothingToUndo */
    public function undo(Plan $plan, Edit $edit): SavedPlan
    {
        return $this->hold($plan, $edit, function (OpenedBundle $opened) use ($plan, $edit): SavedPlan {
            $this->mustBeCurrent($plan, $edit->basedOn);
            $content = $this->revision($plan, $this->revision($plan, $plan->revision)->content_of);
            $before = $this->revision($plan, $content->previous ?? throw NothingToUndo::atStart());

            return $this->save->next($plan, $opened, new NextContent($before->document, PlanChange::step('undo', $content), $before, [...$plan->redo, $content->number]), $edit);
        });
    }

    /** @throws OutdatedRevision|NothingToUndo */
    public function redo(Plan $plan, Edit $edit): SavedPlan
    {
        return $this->hold($plan, $edit, function (OpenedBundle $opened) use ($plan, $edit): SavedPlan {
            $this->mustBeCurrent($plan, $edit->basedOn);
            $redo = $plan->redo;
            $again = $this->revision($plan, array_pop($redo) ?? throw NothingToUndo::nothingUndone());

            return $this->save->next($plan, $opened, new NextContent($again->document, PlanChange::step('redo', $again), $again, $redo), $edit);
        });
    }

    /**
     * Shows an earlier revision's content again, as a new revision.
     *
     * @throws OutdatedRevision
     */
    public function restore(Plan $plan, Edit $edit, int $number): SavedPlan
    {
        return $this->hold($plan, $edit, function (OpenedBundle $opened) use ($plan, $edit, $number): SavedPlan {
            $this->mustBeCurrent($plan, $edit->basedOn);
            $old = $this->revision($plan, $number);

            return $this->save->next($plan, $opened, new NextContent($old->document, PlanChange::step('restore', $old)), $edit);
        });
    }

    /**
     * A variant's content becomes the plan's, as a new revision.
     *
     * @throws OutdatedRevision
     */
    public function take(Plan $plan, Edit $edit, PlanVariant $variant): SavedPlan
    {
        return $this->hold($plan, $edit, function (OpenedBundle $opened) use ($plan, $edit, $variant): SavedPlan {
            $this->mustBeCurrent($plan, $edit->basedOn);
            $change = new PlanChange([new Description('take', ['name' => $variant->name])]);

            return $this->save->next($plan, $opened, new NextContent($variant->document, $change), $edit);
        });
    }

    /** @throws OutdatedRevision */
    private function mustBeCurrent(Plan $plan, int $basedOn): void
    {
        if ($plan->revision !== $basedOn) {
            throw new OutdatedRevision($plan, $basedOn);
        }
    }

    /**
     * Commands on an outdated revision follow when they touch nothing that was changed meanwhile.
     *
     * @param  list<array<string, mixed>>  $commands
     *
     * @throws OutdatedRevision when they do, with both sides of every one.
     */
    private function follow(Plan $plan, int $basedOn, array $commands, OpenedBundle $opened): void
    {
        if ($plan->revision === $basedOn) {
            return;
        }
        $base = PlanRevision::query()->where('plan_id', $plan->id)->where('number', $basedOn)->first();
        $merge = $base === null ? null : Merge::of($base->document, $plan->document, $commands, $opened->bundle->catalog);
        if ($merge === null || ! $merge->isFree()) {
            throw new OutdatedRevision($plan, $basedOn, $merge->fields ?? []);
        }
    }

    /**
     * Keeps all or nothing. No lock is held while the plan is estimated: the save says which plan and brief it was worked out
     * from, and where somebody was faster it is worked out again from what they left. What was done already is not done again.
     *
     * @param  Closure(OpenedBundle): SavedPlan  $change
     */
    private function hold(Plan $plan, Edit $edit, Closure $change): SavedPlan
    {
        for ($try = 1; ; $try++) {
            if ($this->isDone($plan, $edit)) {
                return SavedPlan::current($plan, Estimates::of(Bundles::of($plan), $plan->figures));
            }
            try {
                return DB::transaction(fn (): SavedPlan => $change(Bundles::of($plan)));
            } catch (Overtaken $overtaken) {
                if ($try === self::TRIES) {
                    throw $overtaken;
                }
                $this->refresh($plan);
            }
        }
    }

    private function refresh(Plan $plan): void
    {
        $plan->setRawAttributes(Plan::query()->findOrFail($plan->id)->getAttributes(), true);
        $plan->setRelation('job', CustomerJob::query()->findOrFail($plan->customer_job_id));
    }

    /**
     * Whether this very change was saved before, and only its answer was lost.
     *
     * @throws RequestReused when another was, under the same name.
     */
    private function isDone(Plan $plan, Edit $edit): bool
    {
        $done = $edit->request === null ? null : PlanRevision::query()->where('plan_id', $plan->id)->where('request', $edit->request)->first(['id', 'asked']);
        if ($done !== null && $done->asked !== null && $done->asked !== $edit->asked) {
            throw new RequestReused((string) $edit->request);
        }

        return $done !== null;
    }

    private function revision(Plan $plan, int $number): PlanRevision
    {
        return PlanRevision::query()->where('plan_id', $plan->id)->where('number', $number)->firstOrFail();
    }
}
