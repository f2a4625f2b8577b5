<?php

namespace App\Actions;

use App\Assembly\Bundles;
use App\Models\Plan;
use App\Models\PlanRevision;
use App\Models\PlanVariant;
use App\Models\User;
use Closure;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Bundle\Bundle;
use Pebblerun\Core\Plan\CommandWords;
use Pebblerun\Core\Plan\Editor;
use Pebblerun\Core\Plan\Merge;

/**
 * Changes a plan by commands, undo, redo or restoring. Each writes a new revision; one made on an outdated revision follows
 * when it disturbs nothing, and is refused with both sides otherwise.
 *
 * @phpstan-import-type Command from Editor
 */
final readonly class EditPlan
{
    public function __construct(private SavePlan $save) {}

    /**
     * @param  list<Command>  $commands
     *
     * @throws OutdatedRevision
     */
    public function commands(Plan $plan, int $basedOn, array $commands, User $author): SavedPlan
    {
        return $this->hold($plan, function (PlanRevision $current, Bundle $bundle) use ($plan, $basedOn, $commands, $author): SavedPlan {
            $this->follow($plan, $basedOn, $commands, $bundle);
            $label = CommandWords::of($commands, $plan->document, $bundle->catalog);
            $document = Editor::apply($plan->document, $commands, $bundle->catalog);

            return $this->save->next($plan, $bundle, $document, $label, $author, null, $current->content_of, []);
        });
    }

    /** @throws OutdatedRevision|NothingToUndo */
    public function undo(Plan $plan, int $basedOn, User $author): SavedPlan
    {
        return $this->hold($plan, function (PlanRevision $current, Bundle $bundle) use ($plan, $basedOn, $author): SavedPlan {
            $this->mustBeCurrent($plan, $basedOn);
            $content = $this->revision($plan, $current->content_of);
            $before = $this->revision($plan, $content->previous ?? throw NothingToUndo::atStart());
            $label = 'Undo: '.lcfirst($content->label);

            return $this->save->next($plan, $bundle, $before->document, $label, $author, $before, null, [...$plan->redo, $content->number]);
        });
    }

    /** @throws OutdatedRevision|NothingToUndo */
    public function redo(Plan $plan, int $basedOn, User $author): SavedPlan
    {
        return $this->hold($plan, function (PlanRevision $current, Bundle $bundle) use ($plan, $basedOn, $author): SavedPlan {
            $this->mustBeCurrent($plan, $basedOn);
            $redo = $plan->redo;
            $again = $this->revision($plan, array_pop($redo) ?? throw NothingToUndo::nothingUndone());

            return $this->save->next($plan, $bundle, $again->document, 'Redo: '.lcfirst($again->label), $author, $again, null, $redo);
        });
    }

    /**
     * Shows an earlier revision's content again, as a new revision.
     *
     * @throws OutdatedRevision
     */
    public function restore(Plan $plan, int $basedOn, int $number, User $author): SavedPlan
    {
        return $this->hold($plan, function (PlanRevision $current, Bundle $bundle) use ($plan, $basedOn, $number, $author): SavedPlan {
            $this->mustBeCurrent($plan, $basedOn);
            $old = $this->revision($plan, $number);

            return $this->save->next($plan, $bundle, $old->document, "Restore revision {$number}: ".lcfirst($old->label), $author, null, $current->content_of, []);
        });
    }

    /**
     * A variant's content becomes the plan's, as a new revision.
     *
     * @throws OutdatedRevision
     */
    public function take(Plan $plan, int $basedOn, PlanVariant $variant, User $author): SavedPlan
    {
        return $this->hold($plan, function (PlanRevision $current, Bundle $bundle) use ($plan, $basedOn, $variant, $author): SavedPlan {
            $this->mustBeCurrent($plan, $basedOn);

            return $this->save->next($plan, $bundle, $variant->document, "Take variant \"{$variant->name}\"", $author, null, $current->content_of, []);
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
     * @param  list<Command>  $commands
     *
     * @throws OutdatedRevision when they do, with both sides of every one.
     */
    private function follow(Plan $plan, int $basedOn, array $commands, Bundle $bundle): void
    {
        if ($plan->revision === $basedOn) {
            return;
        }
        $base = PlanRevision::query()->where('plan_id', $plan->id)->where('number', $basedOn)->first();
        $merge = $base === null ? null : Merge::of($base->document, $plan->document, $commands, $bundle->catalog);
        if ($merge === null || ! $merge->isFree()) {
            throw new OutdatedRevision($plan, $basedOn, $merge->fields ?? []);
        }
    }

    /**
     * Locks the plan, and keeps all or nothing.
     *
     * @param  Closure(PlanRevision, Bundle): SavedPlan  $change
     */
    private function hold(Plan $plan, Closure $change): SavedPlan
    {
        return DB::transaction(function () use ($plan, $change): SavedPlan {
            $row = Plan::query()->lockForUpdate()->findOrFail($plan->id);
            $plan->setRawAttributes($row->getAttributes(), true);

            return $change($this->revision($plan, $plan->revision), Bundles::of($plan));
        });
    }

    private function revision(Plan $plan, int $number): PlanRevision
    {
        return PlanRevision::query()->where('plan_id', $plan->id)->where('number', $number)->firstOrFail();
    }
}
