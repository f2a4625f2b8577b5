<?php

namespace App\Queries;

use App\Assembly\Estimates;
use App\Models\User;
use Illuminate\Validation\ValidationException;
use Pebblerun\Core\Advice\Candidates;
use Pebblerun\Core\Advice\FindingAdvisor;
use Pebblerun\Core\Report\BoardDocument;
use Pebblerun\Core\Report\CandidateDocument;
use Pebblerun\Core\Report\MoneyDocument;
use Pebblerun\Core\Report\StageDocument;

/** A cell of the board, opened: what could be chosen for it, what is open there, and why what stands there gives what it gives. */
final class CellDetail
{
    /**
     * @param  string  $slot  of the platform, or the fuel's row
     * @param  int  $stage  counted from 0, as received
     * @return array<string, mixed> valid against cellDetail of schemas/answers.json
     *
     * @throws ValidationException for a slot or a stage that there is not.
     */
    public static function of(ShownPlan $shown, string $slot, int $stage, User $reader): array
    {
        $estimates = $shown->mustHave($stage)->estimates();
        $opened = $estimates->opened();
        if ($slot !== BoardDocument::FUEL && ! isset($opened->bundle->catalog->platform->slots[$slot])) {
            throw ValidationException::withMessages(['slot' => "The platform has no slot \"{$slot}\"."]);
        }
        $say = Estimates::formatter($opened, $reader);
        $document = new StageDocument($estimates->estimate(), $say, FindingAdvisor::ofPlan($estimates->estimate()));
        $share = $document->shareOf($slot, $stage);
        $part = $estimates->estimate()->results[$stage]->state->build->fitted[$slot] ?? null;

        return [
            'candidates' => $stage === 0 ? [] : self::candidates($estimates, $slot, $stage, $reader),
            'findings' => array_values(array_filter($document->findings($stage), fn (array $finding): bool => $finding['slot'] === $slot || ($share !== null && $finding['part'] === $share['part']))),
            'share' => $share,
            'line' => $part === null ? null : (new MoneyDocument($estimates->estimate(), $say))->lineOf($part->key, $stage),
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function candidates(Estimates $estimates, string $slot, int $stage, User $reader): array
    {
        // The estimate's own evaluator remembers what its stages have in common with them.
        $candidates = new Candidates($estimates->estimate()->planned);
        $opened = $estimates->opened();
        $found = $slot === BoardDocument::FUEL ? $candidates->fuels($stage) : $candidates->parts($slot, $stage);

        return array_map((new CandidateDocument($opened->bundle->catalog, Estimates::formatter($opened, $reader), $reader->shop->today()))->of(...), $found);
    }
}
