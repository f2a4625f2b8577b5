<?php

namespace App\Actions;

use App\Assembly\AgreedPrices;
use App\Assembly\Bundles;
use App\Assembly\ChangedPlan;
use App\Assembly\Estimates;
use App\Assembly\PlanChange;
use App\Assembly\PlanConflict;
use App\Assembly\SavedPlan;
use App\Assembly\StageLives;
use App\Assembly\StandingChanges;
use App\Exceptions\Overtaken;
use App\Exceptions\Refused;
use App\Identity\Audit;
use App\Models\CustomerJob;
use App\Models\LibraryVersion;
use App\Models\Plan;
use App\Models\PlanRevision;
use App\Models\PlanVariant;
use App\Security\Ability;
use App\Security\AuditEvent;
use Closure;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Job\Commands\AcceptLimit;
use Pebblerun\Core\Job\Commands\Commands;
use Pebblerun\Core\Job\Commands\Description;
use Pebblerun\Core\Job\Commands\Merge;
use Pebblerun\Core\Job\Commands\MergeField;
use Pebblerun\Core\Job\Commands\PlanDraft;
use Pebblerun\Core\Job\Commands\PlanPlaces;

/**
 * Changes a plan by commands, undo, redo or restoring. Each writes a new revision; one made while others changed the plan
 * follows when it disturbs nothing of theirs, and is refused with both sides otherwise.
 *
 * @phpstan-import-type PlanDocument from PlanDraft
 */
final readonly class EditPlan
{
    public function __construct(private SavePlan $save, private OneOutcome $outcome, private KeepFigures $keep, private Audit $audit) {}

    /**
     * @param  list<array<string, mixed>>  $commands  that their schemas take
     * @return ?SavedPlan null when it was done before
     *
     * @throws Refused
     */
    public function commands(Plan $plan, Edit $edit, array $commands): ?SavedPlan
    {
        return $this->hold($plan, $edit, function () use ($plan, $edit, $commands): SavedPlan {
            $this->mustBeNew($plan, $commands);
            $this->follow($plan, PlanAsSeen::by($plan, $edit), $commands);
            $changed = ChangedPlan::by($plan, $commands, $edit->author);
            $this->mayPrice($plan, $changed->document, $edit);
            self::mustKeepDone($plan, $changed->document);
            $this->noteAccepted($plan, $commands, $edit);

            return $this->save->next($plan, new NextContent($changed->document, $changed->change, redo: StandingChanges::undoneByOthers($plan, $edit->author), commands: $commands), $changed->estimates, $edit);
        });
    }

    /** @param  list<array<string, mixed>>  $commands */
    private function noteAccepted(Plan $plan, array $commands, Edit $edit): void
    {
        foreach ($commands as $command) {
            if ($command['do'] === AcceptLimit::name()) {
                $this->audit->note(AuditEvent::LimitAccepted, $edit->author, ['job' => $plan->job->title, 'limit' => $command['limit'], 'reason' => mb_substr((string) ($command['reason'] ?? ''), 0, 200)]);
            }
        }
    }

    /**
     * @return ?SavedPlan null when it was done before
     *
     * @throws Refused
     */
    public function step(Plan $plan, Edit $edit, Step $step): ?SavedPlan
    {
        return $this->hold($plan, $edit, function () use ($plan, $edit, $step): SavedPlan {
            $seen = PlanAsSeen::by($plan, $edit);
            $step->walks() || $this->mustBeAlone($plan, $seen, $step);
            $content = match ($step->do) {
                'undo' => UndoRedo::undo($plan, $edit, $step),
                'redo' => UndoRedo::redo($plan, $edit, $step),
                'restore' => $this->restored($plan, $edit, (int) $step->of),
                'renew' => $this->renewed($plan, (int) $step->of),
                default => self::taken($this->variant($plan, (int) $step->of)),
            };
            $step->walks() && $this->mustTouchOnlySeen($plan, $seen, $content);
            $this->mayPrice($plan, $content->document, $edit);
            self::mustKeepDone($plan, $content->document);

            return $this->save->next($plan, $content, Estimates::shown($plan->job, $content->library ?? $plan->library, $content->document, $edit->author), $edit);
        });
    }

    /**
     * A step goes over what somebody else agreed with the customer, and so does taking a part out and fitting it anew.
     *
     * @param  PlanDocument  $after
     *
     * @throws Refused
     */
    private function mayPrice(Plan $plan, array $after, Edit $edit): void
    {
        if (! $edit->author->may(Ability::SetPrices) && AgreedPrices::differ($plan->document, $after)) {
            throw Refused::because('This would change prices that were agreed with the customer: an advisor or the owner can do it.');
        }
    }

    /**
     * What is done is on the car: no plan changes it, and nothing comes before it any more.
     *
     * @param  PlanDocument  $after
     *
     * @throws Refused
     */
    private static function mustKeepDone(Plan $plan, array $after): void
    {
        $done = StageLives::of($plan)->done();
        $did = fn (array $stages): array => array_map(fn (array $stage): array => [$stage['key'], $stage['fuel'], $stage['changes'], $stage['hold'] ?? null], array_slice($stages, 0, count($done)));
        if ($did($plan->document['stages']) != $did($after['stages'])) {
            throw Refused::because('Stage '.count($done).' is done, and its parts are on the car: make the change in a later stage, or take its mark back first.');
        }
    }

    private function restored(Plan $plan, Edit $edit, int $number): NextContent
    {
        $old = UndoRedo::revision($plan, $number);

        return new NextContent($old->document, PlanChange::step('restore', $old), redo: StandingChanges::undoneByOthers($plan, $edit->author), library: UndoRedo::library($plan, $old));
    }

    /** The same plan on another version of the library, which has all that it chooses. */
    private function renewed(Plan $plan, int $number): NextContent
    {
        $library = LibraryVersion::query()->select(LibraryVersion::LIGHT)->where('platform_id', $plan->library->platform_id)->where('number', $number)->first()
            ?? throw Refused::because("The library has no version {$number} of this platform.");
        $library->id !== $plan->library_version_id || throw Refused::because("The plan has version {$number} already.");
        Bundles::read($plan->job, $library, $plan->document);

        return new NextContent($plan->document, new PlanChange([new Description('renew', ['number' => $number])]), library: $library);
    }

    private static function taken(PlanVariant $variant): NextContent
    {
        return new NextContent($variant->document, new PlanChange([new Description('take', ['name' => $variant->name])]));
    }

    /**
     * A step goes over the whole plan, so it would take along what others did.
     *
     * @throws Refused
     */
    private function mustBeAlone(Plan $plan, PlanAsSeen $seen, Step $step): void
    {
        if ($seen->theirs === []) {
            return;
        }
        $places = (new PlanPlaces(Bundles::of($plan)->bundle->catalog))->changed($seen->document, $plan->document);
        $mine = match ($step->do) {
            'restore' => PlanChange::step('restore', UndoRedo::revision($plan, (int) $step->of))->did[0],
            'renew' => new Description('renew', ['number' => (int) $step->of]),
            default => new Description('take', ['name' => $this->variant($plan, (int) $step->of)->name]),
        };
        throw Refused::conflict(PlanConflict::answer($plan->job, $seen->theirs, [new MergeField($mine, array_values($places), true)]));
    }

    /**
     * Undo and redo go by what their sender saw: what others did since in the same places is theirs.
     *
     * @throws Refused
     */
    private function mustTouchOnlySeen(Plan $plan, PlanAsSeen $seen, NextContent $content): void
    {
        if ($seen->theirs === []) {
            return;
        }
        $places = new PlanPlaces(Bundles::of($plan)->bundle->catalog);
        $shared = PlanPlaces::shared($places->changed($seen->document, $plan->document), $places->changed($plan->document, $content->document));
        if ($shared !== []) {
            throw Refused::conflict(PlanConflict::answer($plan->job, $seen->theirs, [new MergeField($content->change->did[0], array_values($shared), false)]));
        }
    }

    /**
     * A stage's key is never used again: what was meant for one that is gone must not land in another.
     *
     * @param  list<array<string, mixed>>  $commands
     *
     * @throws Refused
     */
    private function mustBeNew(Plan $plan, array $commands): void
    {
        foreach ($commands as $command) {
            if (! isset($command['key']) || ! isset(Commands::all()[$command['do']]::fields()['key?'])) {
                continue;
            }
            $had = ['stages' => [['key' => $command['key']]]];
            if (PlanRevision::query()->where('plan_id', $plan->id)->whereRaw('document @> ?::jsonb', [json_encode($had)])->exists()) {
                throw Refused::because("A stage of this plan has or had the key \"{$command['key']}\": give the new one a key of its own.");
            }
        }
    }

    /**
     * @param  list<array<string, mixed>>  $commands
     *
     * @throws Refused when they touch what others changed, with both sides of every one.
     */
    private function follow(Plan $plan, PlanAsSeen $seen, array $commands): void
    {
        if ($seen->theirs === []) {
            return;
        }
        $merge = Merge::of($seen->document, $plan->document, $commands, Bundles::of($plan)->bundle->catalog);
        if (! $merge->isFree()) {
            throw Refused::conflict(PlanConflict::answer($plan->job, $seen->theirs, $merge->fields));
        }
    }

    /**
     * Keeps all or nothing. No lock is held while the plan is estimated: the save says which plan and brief it was worked out
     * from. Where somebody was faster it is worked out again from what they left, and then nobody can be.
     *
     * @param  Closure(): SavedPlan  $change
     */
    private function hold(Plan $plan, Edit $edit, Closure $change): ?SavedPlan
    {
        $try = fn (bool $alone): ?SavedPlan => $this->outcome->of($plan->job, $plan, $edit, fn (): ?SavedPlan => DB::transaction(function () use ($plan, $edit, $change, $alone): ?SavedPlan {
            if ($alone) {
                $this->lock($plan);
                if ($this->outcome->isDone($plan->job, $edit)) {
                    return null;
                }
            }

            return $change();
        }));
        try {
            $saved = $try(false);
        } catch (Overtaken) {
            $saved = $try(true);
        }
        $saved === null || $this->keep->later($plan, $saved->estimates, $edit->author);

        return $saved;
    }

    private function lock(Plan $plan): void
    {
        $plan->setRelation('job', CustomerJob::query()->with('shop')->lockForUpdate()->findOrFail($plan->customer_job_id));
        $plan->setRawAttributes(Plan::query()->findOrFail($plan->id)->getAttributes(), true);
    }

    private function variant(Plan $plan, int $id): PlanVariant
    {
        return $plan->variants()->whereKey($id)->first() ?? throw Refused::because('This variant was deleted meanwhile.');
    }
}
