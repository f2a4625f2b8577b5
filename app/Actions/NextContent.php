<?php

namespace App\Actions;

use App\Assembly\PlanChange;
use App\Models\LibraryVersion;
use App\Models\PlanRevision;
use Pebblerun\Core\Job\Commands\PlanDraft;

/**
 * What a plan becomes with its next revision.
 *
 * @phpstan-import-type PlanDocument from PlanDraft
 */
final readonly class NextContent
{
    /**
     * @param  PlanDocument  $document
     * @param  ?PlanRevision  $shows  the revision whose content is shown again; null for an edit
     * @param  list<int>  $redo  contents that undo stepped back from
     * @param  ?list<array<string, mixed>>  $commands  that gave it; null for a step
     * @param  ?LibraryVersion  $library  that it is computed with from then on; null: with the one that the plan has
     * @param  ?int  $undoes  the number of an earlier change that it takes back while later ones stay
     */
    public function __construct(public array $document, public PlanChange $change, public ?PlanRevision $shows = null, public array $redo = [], public ?array $commands = null, public ?LibraryVersion $library = null, public ?int $undoes = null) {}
}
