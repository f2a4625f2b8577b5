<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Limits\Ceiling;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Evaluation\Baseline\BaselineDoubt;
use Pebblerun\Core\Evaluation\Engine\CeilingCost;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\Limits\Status;
use Pebblerun\Core\Evaluation\Model\Build;
use Pebblerun\Core\Evaluation\TorqueLoss;
use Pebblerun\Core\Job\Brief\Confirmation;
use Pebblerun\Core\Job\Brief\HealthCheck;
use Pebblerun\Core\Job\Brief\Risk;
use Pebblerun\Core\Job\Brief\Target;
use Pebblerun\Core\Job\Brief\Warning;
use Pebblerun\Core\Physics\Dyno\Frame;

/** What a verdict says, by line. W, N·m, rpm and minor units; shares 0–1. */
enum VerdictCode: string implements MessageCode
{
    case NoTarget = 'no-target';
    case TargetNotSet = 'target-not-set';
    case Reaches = 'reaches';
    case FallsShort = 'falls-short';
    case Chance = 'chance';
    case NoChance = 'no-chance';
    case NeedsBaseline = 'needs-baseline';
    case MendFirst = 'mend-first';
    case BaselineDoubted = 'baseline-doubted';
    case BaselineDoubt = 'baseline-doubt';
    case BaselineConfirmed = 'baseline-confirmed';
    /** What a worn engine gives less, share. */
    case Worn = 'worn';
    case Converted = 'converted';
    case Range = 'range';
    case PlainSum = 'plain-sum';
    case QuarterMile = 'quarter-mile';
    case CeilingCosts = 'ceiling-costs';
    case TorqueLoss = 'torque-loss';

    case Total = 'total';
    case TotalOfBudget = 'total-of-budget';
    case BudgetNotSet = 'budget-not-set';
    case OverBudget = 'over-budget';
    case LeftOver = 'left-over';
    case FirstStageOver = 'first-stage-over';
    case FirstStageWithin = 'first-stage-within';
    case BoughtAlready = 'bought-already';
    /** Reserve in percent. */
    case AllIn = 'all-in';

    case NoStages = 'no-stages';
    /** Shares by kind of evidence. */
    case RestsOn = 'rests-on';
    /** No part: a baseline pull. From and to: W or N·m. */
    case NarrowsMost = 'narrows-most';
    case LimitAccepted = 'limit-accepted';
    case AllAccepted = 'all-accepted';
    case JudgeIt = 'judge-it';
    case ShortOfFuel = 'short-of-fuel';
    case WeakestLink = 'weakest-link';
    case AllowedAtRisk = 'allowed-at-risk';
    case Consequence = 'consequence';
    case LimitNoted = 'limit-noted';
    case AllLimitsClear = 'all-limits-clear';

    case EngineLoad = 'engine-load';
    case Complete = 'complete';
    case NoConflicts = 'no-conflicts';
    case ToConsider = 'to-consider';
    case OpenFaults = 'open-faults';
    case FailedCheck = 'failed-check';
    case FindingNoted = 'finding';

    case FuelOutOfReach = 'fuel-out-of-reach';
    case RunsOn = 'runs-on';
    case StageFuelOutOfReach = 'stage-fuel-out-of-reach';
    case FuelAsCeiling = 'fuel-as-ceiling';
    case FuelsNotSet = 'fuels-not-set';
    case EthanolAtPump = 'ethanol-at-pump';
    case AtEveryPump = 'at-every-pump';

    case NotForRoad = 'not-for-road';
    case TrackOnly = 'track-only';
    case NeverOnRoad = 'never-on-road';
    case RoadChecksDue = 'road-checks-due';
    case ChecksToShow = 'checks-to-show';
    case NothingForbidden = 'nothing-forbidden';
    case CheckLocalRules = 'check-local-rules';
    case LawNote = 'law-note';
    case StrictInspection = 'strict-inspection';
    case WarrantyEnds = 'warranty-ends';

    public function parameters(): array
    {
        return match ($this) {
            self::NoTarget, self::PlainSum => ['power' => 'float'],
            self::Reaches, self::FallsShort => ['reached' => 'float', 'target' => Target::class, 'asked' => 'float'],
            self::Chance => ['share' => 'float', 'within' => 'float', 'unjudged' => 'int'],
            self::BaselineDoubt => ['doubt' => BaselineDoubt::class],
            self::BaselineConfirmed => ['confirmed' => Confirmation::class],
            self::Worn => ['km' => 'float', 'less' => 'float'],
            self::Converted => ['frame' => Frame::class],
            self::Range => ['p10' => 'float', 'p90' => 'float', 'target' => Target::class],
            self::QuarterMile => ['seconds' => 'float', 'less' => 'float'],
            self::CeilingCosts => ['cost' => CeilingCost::class],
            self::TorqueLoss => ['stage' => 'int', 'loss' => TorqueLoss::class],
            self::Total => ['total' => 'int'],
            self::TotalOfBudget => ['total' => 'int', 'budget' => 'int'],
            self::OverBudget, self::LeftOver, self::BoughtAlready => ['money' => 'int'],
            self::FirstStageOver, self::FirstStageWithin => ['spend' => 'int', 'now' => 'int'],
            self::AllIn => ['reserve' => 'int', 'low' => 'int', 'high' => 'int'],
            self::RestsOn => ['shares' => 'array'],
            self::NarrowsMost => ['part' => '?'.Part::class, 'from' => 'float', 'to' => 'float', 'target' => Target::class],
            self::LimitAccepted, self::ShortOfFuel, self::WeakestLink, self::LimitNoted => ['reading' => LimitReading::class, 'stage' => 'int'],
            self::JudgeIt => ['quantity' => Quantity::class],
            self::AllowedAtRisk => ['status' => Status::class, 'risk' => Risk::class],
            self::Consequence => ['limit' => Limit::class],
            self::EngineLoad => ['stage' => 'int', 'load' => EngineLoad::class],
            self::ToConsider, self::OpenFaults, self::ChecksToShow => ['count' => 'int'],
            self::FailedCheck => ['check' => HealthCheck::class],
            self::FindingNoted => ['finding' => Finding::class, 'stage' => 'int', 'build' => Build::class],
            self::FuelOutOfReach, self::RunsOn, self::EthanolAtPump => ['fuel' => Fuel::class],
            self::StageFuelOutOfReach => ['fuel' => Fuel::class, 'stage' => 'int'],
            self::FuelAsCeiling => ['ceiling' => Ceiling::class],
            self::LawNote => ['part' => Part::class],
            self::WarrantyEnds => ['warning' => Warning::class],
            default => [],
        };
    }
}
