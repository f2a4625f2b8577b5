<?php

namespace App\Actions;

use App\Assembly\Bundles;
use App\Models\Plan;
use App\Models\PlanRevision;
use App\Models\User;
use Closure;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Bundle\Bundle;
use Pebblerun\Core\Plan\CommandWords;
use Pebblerun\Core\Plan\Editor;

/**
 * Changes a plan by commands, undo or redo. Each writes a new revision; one made on an outdated revision is refused.
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
        return $this->hold($plan, $basedOn, function (PlanRevision $current, Bundle $bundle) use ($plan, $commands, $author): SavedPlan {
            $label = CommandWords::of($commands, $plan->document, $bundle->catalog);
            $document = Editor::apply($plan->document, $commands, $bundle->catalog);

            return $this->save->next($plan, $bundle, $document, $label, $author, null, $current->content_of, []);
        });
    }

    /** @throws OutdatedRevision|NothingToUndo */
    public function undo(Plan $plan, int $basedOn, User $author): SavedPlan
    {
        return $this->hold($plan, $basedOn, function (PlanRevision $current, Bundle $bundle) use ($plan, $author): SavedPlan {
            $content = $this->revision($plan, $current->content_of);
            $before = $this->revision($plan, $content->previous ?? throw NothingToUndo::atStart());
            $label = 'Undo: '.lcfirst($content->label);

            return $this->save->next($plan, $bundle, $before->document, $label, $author, $before, null, [...$plan->redo, $content->number]);
        });
    }

    /** @throws OutdatedRevision|NothingToUndo */
    public function redo(Plan $plan, int $basedOn, User $author): SavedPlan
    {
        return $this->hold($plan, $basedOn, function (PlanRevision $current, Bundle $bundle) use ($plan, $author): SavedPlan {
            $redo = $plan->redo;
            $again = $this->revision($plan, array_pop($redo) ?? throw NothingToUndo::nothingUndone());

            return $this->save->next($plan, $bundle, $again->document, 'Redo: '.lcfirst($again->label), $author, $again, null, $redo);
        });
    }

    /**
     * Locks the plan, checks the revision it was edited on, and keeps all or nothing.
     *
     * @param  Closure(PlanRevision, Bundle): SavedPlan  $change
     */
    private function hold(Plan $plan, int $basedOn, Closure $change): SavedPlan
    {
        return DB::transaction(function () use ($plan, $basedOn, $change): SavedPlan {
            $row = Plan::query()->lockForUpdate()->findOrFail($plan->id);
            $plan->setRawAttributes($row->getAttributes(), true);
            if ($plan->revision !== $basedOn) {
                throw new OutdatedRevision($plan, $basedOn);
            }

            return $change($this->revision($plan, $plan->revision), Bundles::of($plan));
        });
    }

    private function revision(Plan $plan, int $number): PlanRevision
    {
        return PlanRevision::query()->where('plan_id', $plan->id)->where('number', $number)->firstOrFail();
    }
}
