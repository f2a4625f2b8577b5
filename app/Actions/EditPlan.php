<?php

namespace App\Actions;

use App\Assembly\Bundles;
use App\Models\Plan;
use App\Models\PlanRevision;
use App\Models\User;
use Closure;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Plan\CommandWords;
use Pebblerun\Core\Plan\Editor;

/**
 * Changes a plan by commands, undo or redo. Each writes a new revision; one made on an outdated revision is refused.
 *
 * @phpstan-import-type Command from Editor
 */
final readonly class EditPlan
{
    public function __construct(private SavePlan $save)
    {
    }

    /**
     * @param  list<Command>  $commands
     * @return array<string, mixed> the estimate document
     *
     * @throws OutdatedRevision
     */
    public function commands(Plan $plan, int $basedOn, array $commands, User $author): array
    {
        return $this->hold($plan, $basedOn, function (PlanRevision $current) use ($plan, $commands, $author): array {
            $catalog = Bundles::of($plan)->catalog;
            $label = CommandWords::of($commands, $plan->document, $catalog);

            return $this->save->next($plan, Editor::apply($plan->document, $commands, $catalog), $label, $author, null, $current->content_of, []);
        });
    }

    /**
     * @return array<string, mixed> the estimate document
     *
     * @throws OutdatedRevision|NothingToUndo
     */
    public function undo(Plan $plan, int $basedOn, User $author): array
    {
        return $this->hold($plan, $basedOn, function (PlanRevision $current) use ($plan, $author): array {
            $content = $this->revision($plan, $current->content_of);
            $before = $this->revision($plan, $content->previous ?? throw NothingToUndo::atStart());
            $label = 'Undo: '.lcfirst($content->label);

            return $this->save->next($plan, $before->document, $label, $author, $before->number, null, [...$plan->redo, $content->number]);
        });
    }

    /**
     * @return array<string, mixed> the estimate document
     *
     * @throws OutdatedRevision|NothingToUndo
     */
    public function redo(Plan $plan, int $basedOn, User $author): array
    {
        return $this->hold($plan, $basedOn, function () use ($plan, $author): array {
            $redo = $plan->redo;
            $again = $this->revision($plan, array_pop($redo) ?? throw NothingToUndo::nothingUndone());

            return $this->save->next($plan, $again->document, 'Redo: '.lcfirst($again->label), $author, $again->number, null, $redo);
        });
    }

    /**
     * Locks the plan, checks the revision it was edited on, and keeps all or nothing.
     *
     * @param  Closure(PlanRevision): array<string, mixed>  $change
     * @return array<string, mixed>
     */
    private function hold(Plan $plan, int $basedOn, Closure $change): array
    {
        return DB::transaction(function () use ($plan, $basedOn, $change): array {
            $row = Plan::query()->lockForUpdate()->findOrFail($plan->id);
            $plan->setRawAttributes($row->getAttributes(), true);
            if ($plan->revision !== $basedOn) {
                throw new OutdatedRevision($plan, $basedOn);
            }

            return $change($this->revision($plan, $plan->revision));
        });
    }

    private function revision(Plan $plan, int $number): PlanRevision
    {
        return PlanRevision::query()->where('plan_id', $plan->id)->where('number', $number)->firstOrFail();
    }
}
