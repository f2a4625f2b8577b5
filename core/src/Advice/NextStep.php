<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\StageResult;
use Pebblerun\Core\Job\Brief\Question;
use Pebblerun\Core\Job\Brief\Readiness;
use Pebblerun\Core\Job\Life\StageLife;

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
    case Answer = 'answer';
    case Order = 'order';
    case Begin = 'begin';
    case Work = 'work';
    case Done = 'done';

    /** A price older than that is asked again. */
    public const PRICE_DAYS = 60;

    public static function of(Readiness $readiness, Estimate $estimate): self
    {
        $brief = $estimate->bundle->brief;
        $weakest = $estimate->weakest();
        // A measurement that is missing is a step of its own, and so is no part of the conversation.
        $open = array_filter($readiness->open, fn (Question $question): bool => ! $question->isMeasurement());

        return match (true) {
            $open !== [] => self::Brief,
            ! $estimate->allowsChances() => self::Baseline,
            self::hasFaults($estimate) || $brief->received->failed !== [] => self::Open,
            $weakest !== null && ! RiskRule::allows($brief->risk, $weakest->reading->status) => self::Limit,
            $brief->budget->total !== null && $estimate->total()->likely > $brief->budget->total => self::Budget,
            $estimate->isShort() => self::Target,
            default => self::Ready,
        };
    }

    /** What is due once the customer has it: then that leads, whatever else could be said of the plan. */
    public function amid(StageLife $life): self
    {
        return match ($life) {
            StageLife::Planned => $this,
            StageLife::Proposed => self::Answer,
            StageLife::Accepted => self::Order,
            StageLife::Parts => self::Begin,
            StageLife::InWork => self::Work,
            StageLife::Done => self::Done,
        };
    }

    private static function hasFaults(Estimate $estimate): bool
    {
        $faulty = array_filter($estimate->results, fn (StageResult $result): bool => array_filter($result->findings, fn (Finding $finding): bool => $finding->kind->isFault()) !== []);

        return $faulty !== [];
    }
}
