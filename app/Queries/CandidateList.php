<?php

namespace App\Queries;

use App\Assembly\Bundles;
use App\Assembly\Estimates;
use App\Models\Plan;
use App\Models\User;
use Illuminate\Validation\ValidationException;
use Pebblerun\Core\Advice\Candidates;
use Pebblerun\Core\Evaluation\PlannedStages;
use Pebblerun\Core\Report\BoardDocument;
use Pebblerun\Core\Report\CandidateDocument;

/** What could be chosen for a cell of the board. */
final class CandidateList
{
    /**
     * @param  string  $slot  of the platform, or the fuel's row
     * @param  int  $stage  counted from 1
     * @return list<array<string, mixed>> valid against candidates of schemas/answers.json
     *
     * @throws ValidationException for a slot or a stage that there is not.
     */
    public static function of(Plan $plan, string $slot, int $stage, User $reader): array
    {
        $opened = Bundles::of($plan);
        $catalog = $opened->bundle->catalog;
        if ($slot !== BoardDocument::FUEL && ! isset($catalog->platform->slots[$slot])) {
            throw ValidationException::withMessages(['slot' => "The platform has no slot \"{$slot}\"."]);
        }
        if ($opened->bundle->plan->stage($stage) === null) {
            throw ValidationException::withMessages(['stage' => "The plan has no stage {$stage}."]);
        }
        $candidates = new Candidates(PlannedStages::of($opened->bundle));
        $found = $slot === BoardDocument::FUEL ? $candidates->fuels($stage) : $candidates->parts($slot, $stage);

        return array_map((new CandidateDocument($catalog, Estimates::formatter($opened, $reader)))->of(...), $found);
    }
}
