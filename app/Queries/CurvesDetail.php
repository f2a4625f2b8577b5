<?php

namespace App\Queries;

use App\Assembly\Estimates;
use App\Models\User;
use Illuminate\Validation\ValidationException;
use Pebblerun\Core\Report\CurvesDocument;

/** A stage's curves large: range, ceilings and limits at every speed. */
final class CurvesDetail
{
    /**
     * @param  int  $stage  counted from 0, as received
     * @return array<string, mixed> valid against curvesDetail of schemas/answers.json
     *
     * @throws ValidationException for a stage that there is not.
     */
    public static function of(ShownPlan $shown, int $stage, User $reader): array
    {
        $estimates = $shown->mustHave($stage)->estimates();

        return (new CurvesDocument($estimates->estimate(), Estimates::formatter($estimates->opened(), $reader)))->stage($stage);
    }
}
