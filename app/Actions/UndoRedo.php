<?php

namespace App\Actions;

use App\Assembly\Bundles;
use App\Assembly\PlanChange;
use App\Assembly\StandingChanges;
use App\Exceptions\Refused;
use App\Models\LibraryVersion;
use App\Models\Plan;
use App\Models\PlanRevision;
use Pebblerun\Core\Job\Commands\PlanDraft;
use Pebblerun\Core\Job\Commands\PlanReversal;
use Pebblerun\Core\Report\Words\ChangeWords;

/**
 * What undo and redo make of a plan. Each takes back or does again one change of one person: what others did meanwhile stays.
 *
 * @phpstan-import-type PlanDocument from PlanDraft
 */
final class UndoRedo
{
    /**
     * The change that is meant, or of the person who asks the last one that stands: whatever others did stays.
     *
     * @throws Refused
     */
    public static function undo(Plan $plan, Edit $edit, Step $step): NextContent
    {
        $change = self::toUndo($plan, $edit, $step);
        $before = self::revision($plan, $change->previous ?? throw Refused::because('Nothing to undo: this is how the plan started.'));
        $isOwn = $change->author_id === $edit->author->id;
        $redo = $isOwn ? [...$plan->redo, $change->number] : $plan->redo;
        $words = PlanChange::step('undo', $change);
        if ($isOwn && self::named($plan, $plan->revision)->content_of === $change->number) {
            return new NextContent($before->document, $words, $before, $redo, library: self::library($plan, $before));
        }

        return new NextContent(self::without($plan, $change, $change, $before), $words, redo: $redo, undoes: $change->number);
    }

    private static function toUndo(Plan $plan, Edit $edit, Step $step): PlanRevision
    {
        $named = self::named($plan, $step->of);
        $standing = StandingChanges::of($plan);
        if ($named->content_of === $named->number) {
            return in_array($named->number, $standing, true) || $named->previous === null ? $named : throw Refused::because('That change was undone already.');
        }
        $last = StandingChanges::lastOf($plan, $edit->author);

        return $last === null
            ? throw Refused::because($standing === [] ? 'Nothing to undo: this is how the plan started.' : 'Nothing to undo: this plan has no change of yours. What others changed is undone in the history.')
            : self::revision($plan, $last->number);
    }

    public static function redo(Plan $plan, Edit $edit, Step $step): NextContent
    {
        self::named($plan, $step->of, 'redo');
        $last = StandingChanges::lastUndoneBy($plan, $edit->author) ?? throw Refused::because('Nothing to redo: nothing was undone since the last change.');
        $change = self::revision($plan, $last->number);
        $redo = array_values(array_diff($plan->redo, [$change->number]));
        $words = PlanChange::step('redo', $change);
        if (self::named($plan, $plan->revision)->content_of === $change->previous) {
            return new NextContent($change->document, $words, $change, $redo, library: self::library($plan, $change));
        }

        return new NextContent(self::without($plan, $change, self::revision($plan, (int) $change->previous), $change), $words, redo: $redo);
    }

    /**
     * The plan with what a change did taken back, or done again, and all else as it is now.
     *
     * @return PlanDocument
     *
     * @throws Refused where it was changed again since.
     */
    private static function without(Plan $plan, PlanRevision $change, PlanRevision $from, PlanRevision $to): array
    {
        if ($from->library_version_id !== $to->library_version_id) {
            throw Refused::because('Others changed the plan after it took another version of the library: restore an earlier revision in the history instead.');
        }
        $reversal = PlanReversal::of($from->document, $to->document, $plan->document, Bundles::of($plan)->bundle->catalog);

        return $reversal->document ?? throw Refused::because('“'.PlanChange::wordsOf($change).'” was changed again since: '.implode('; ', array_map(ChangeWords::one(...), $reversal->inTheWay)).'. Change it by hand, or restore an earlier revision in the history.');
    }

    /**
     * The revision that undo or redo names: the change that it meant may have been refused.
     *
     * @throws Refused
     */
    private static function named(Plan $plan, int|string $of, string $do = 'undo'): PlanRevision
    {
        return PlanRevision::query()->where('plan_id', $plan->id)->where(is_int($of) ? 'number' : 'request', $of)->first()
            ?? throw Refused::because("There is nothing to {$do}: the change that was meant was not made.");
    }

    /** @throws Refused */
    public static function revision(Plan $plan, int $number): PlanRevision
    {
        return PlanRevision::query()->where('plan_id', $plan->id)->where('number', $number)->first()
            ?? throw Refused::because("This plan has no revision {$number}.");
    }

    /** The version of the library that a revision was made with; null where the plan has it. */
    public static function library(Plan $plan, PlanRevision $revision): ?LibraryVersion
    {
        return $revision->library_version_id === $plan->library_version_id ? null : LibraryVersion::query()->select(LibraryVersion::LIGHT)->findOrFail($revision->library_version_id);
    }
}
