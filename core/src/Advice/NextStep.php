<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Job\Brief\Readiness;

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
        $weakest = $estimate->weakest();

        // A measurement that is missing is a step of its own, and so is no part of the conversation.
        $asked = array_filter($readiness->open, fn (array $question): bool => ! in_array($question['key'], ['baseline', 'health'], true));

        return match (true) {
            $asked !== [] => self::Brief,
            ! $brief->came->allowsChances() => self::Baseline,
            self::hasFaults($estimate) || $brief->came->failed !== [] => self::Open,
            $weakest !== null && ! $brief->appetite->allows($weakest->reading->status) => self::Limit,
            $brief->budget->total !== null && $estimate->total()->likely > $brief->budget->total => self::Budget,
            $estimate->isShort() => self::Target,
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
}
