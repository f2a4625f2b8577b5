<?php

namespace Pebblerun\Core\Evaluation\Baseline;

use Pebblerun\Core\Evaluation\Evaluator;
use Pebblerun\Core\Job\Brief\AsReceived;
use Pebblerun\Core\Job\Bundle;
use Pebblerun\Core\Units\Range;

/** Is the car's own baseline believable? */
final class BaselineCheck
{
    /** @return list<BaselineDoubt> none where the car was not measured */
    public static function doubts(Bundle $bundle, Evaluator $evaluator): array
    {
        $received = $bundle->brief->received;
        if ($received->measured === null) {
            return [];
        }
        $expected = $evaluator->expected();
        $factors = array_map(fn (Range $factor): float => $factor->likely, $bundle->shop->dynoFactors);

        return array_values(array_filter([
            PeaksOff::of($received->statedPower ?? $received->measured->peakPower()->value, $received->measured->peakTorque()->value, $expected, $bundle->brief->car->lossShare(), $factors),
            PullsScatter::of($received->pulls),
            EndsEarly::of($received->measured, $expected->revLimit),
            $received->stray === null ? null : new PointOff($received->stray),
        ]));
    }

    /** @param  list<BaselineDoubt>  $doubts */
    public static function isBelieved(AsReceived $received, array $doubts): bool
    {
        return $doubts === [] || ($received->confirmed !== null && self::impossible($doubts) === null);
    }

    /** @param  list<BaselineDoubt>  $doubts */
    public static function impossible(array $doubts): ?BaselineDoubt
    {
        foreach ($doubts as $doubt) {
            if ($doubt->isImpossible()) {
                return $doubt;
            }
        }

        return null;
    }
}
