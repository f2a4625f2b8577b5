<?php

namespace App\Actions;

use App\Assembly\Bundles;
use App\Models\Plan;
use App\Models\PlanRevision;
use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\CoreException;
use Pebblerun\Core\Job\Commands\Commands;
use Pebblerun\Core\Job\Commands\PlanDraft;
use Pebblerun\Core\Job\Commands\PlanReversal;

/**
 * A plan as an edit's sender saw it: as it stood at the version that was shown, with what their own queue did since. What others
 * did meanwhile is what differs from it.
 *
 * @phpstan-import-type PlanDocument from PlanDraft
 */
final readonly class PlanAsSeen
{
    /**
     * @param  PlanDocument  $document
     * @param  list<PlanRevision>  $theirs  what others did since, the oldest first
     */
    private function __construct(public array $document, public array $theirs) {}

    public static function by(Plan $plan, Edit $edit): self
    {
        if ($plan->job->version === $edit->seen) {
            return new self($plan->document, []);
        }
        $since = array_values(PlanRevision::query()->with('author')->where('plan_id', $plan->id)->where('version', '>', $edit->seen)->orderBy('number')->get()->all());
        $theirs = array_values(array_filter($since, fn (PlanRevision $one): bool => $one->queue !== $edit->queue));
        if ($theirs === []) {
            return new self($plan->document, []);
        }
        $document = PlanRevision::query()->where('plan_id', $plan->id)->where('version', '<=', $edit->seen)->orderByDesc('number')->first()->document ?? $since[0]->document;
        $catalog = Bundles::of($plan)->bundle->catalog;
        $before = $document;
        foreach ($since as $revision) {
            if ($revision->queue === $edit->queue) {
                $document = self::after($document, $revision, $before, $catalog);
            }
            $before = $revision->document;
        }

        return new self($document, $theirs);
    }

    /**
     * With one of their own edits, and nothing of what others had done when it was made: an undo goes over that.
     *
     * @param  PlanDocument  $document
     * @param  PlanDocument  $before  the plan that the edit was made on
     * @return PlanDocument
     */
    private static function after(array $document, PlanRevision $own, array $before, Catalog $catalog): array
    {
        if ($own->commands === null) {
            return PlanReversal::of($before, $own->document, $document, $catalog)->document ?? $document;
        }
        try {
            return Commands::apply($document, $own->commands, $catalog);
        } catch (CoreException) {
            return $document;
        }
    }
}
