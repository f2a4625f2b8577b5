<?php

namespace App\Queries;

use App\Assembly\Estimates;
use App\Models\User;
use Illuminate\Validation\ValidationException;
use Pebblerun\Core\Advice\FindingAdvisor;
use Pebblerun\Core\Report\StageDocument;

/** A stage, opened: its limits with what would move them, its money line by line, its cautions. */
final class StageDetail
{
    /**
     * @param  int  $stage  counted from 0, as received
     * @return array<string, mixed> valid against stageDetail of schemas/answers.json
     *
     * @throws ValidationException for a stage that there is not.
     */
    public static function of(ShownPlan $shown, int $stage, User $reader): array
    {
        $estimates = $shown->mustHave($stage)->estimates();

        return (new StageDocument($estimates->estimate(), Estimates::formatter($estimates->opened(), $reader), FindingAdvisor::ofPlan($estimates->estimate())))->opened($stage);
    }
}
