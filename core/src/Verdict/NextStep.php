<?php

namespace Pebblerun\Core\Verdict;

use Pebblerun\Core\Brief\Readiness;
use Pebblerun\Core\Estimate\Estimate;
use Pebblerun\Core\Findings\Finding;
use Pebblerun\Core\Limits\Status;

/** What is due on a job, the first that holds: worked out by rules, so that nothing waits unseen. */
enum NextStep: string
{
    case Brief = 'brief';
    case Baseline = 'baseline';
    case Open = 'open';
    case Limit = 'limit';
    case Budget = 'budget';
    case Target = 'target';
    case Ready = 'ready';

    /** A price older than that is asked again. */
    public const PRICE_DAYS = 60;

    public static function of(Readiness $readiness, Estimate $estimate): self
    {
        $brief = $estimate->bundle->brief;
        $last = $estimate->last();
        $total = $estimate->costs[count($estimate->costs) - 1]->cumulative->likely;
        $short = $brief->target?->power !== null && $last->power->p50 < $brief->target->power
            || $brief->target?->torque !== null && ($last->atTarget ?? $last->torque)->p50 < $brief->target->torque;

        // A measurement that is missing is a step of its own, and so is no part of the conversation.
        $asked = array_filter($readiness->open, fn (array $question): bool => ! in_array($question['key'], ['baseline', 'health'], true));

        return match (true) {
            $asked !== [] => self::Brief,
            ! $brief->came->allowsChances() => self::Baseline,
            self::hasFaults($estimate) || $brief->came->failed !== [] => self::Open,
            ! $brief->appetite->allows(self::worst($estimate)) => self::Limit,
            $brief->budget->total !== null && $total > $brief->budget->total => self::Budget,
            $short => self::Target,
            default => self::Ready,
        };
    }

    public function words(): string
    {
        return match ($this) {
            self::Brief => 'finish the brief',
            self::Baseline => 'measure its baseline, check its health',
            self::Open => 'settle what is open',
            self::Limit => 'a limit is passed',
            self::Budget => 'over budget',
            self::Target => 'short of the target',
            self::Ready => 'ready to show',
        };
    }

    private static function hasFaults(Estimate $estimate): bool
    {
        foreach ($estimate->findings as $findings) {
            if (array_filter($findings, fn (Finding $finding): bool => $finding->kind->isFault()) !== []) {
                return true;
            }
        }

        return false;
    }

    private static function worst(Estimate $estimate): Status
    {
        $worst = Status::Unknown;
        foreach ($estimate->results as $i => $result) {
            $status = $i > 0 ? ($result->weakest()->status ?? $worst) : $worst;
            $worst = $status->severity() > $worst->severity() ? $status : $worst;
        }

        return $worst;
    }
}
