<?php

namespace Pebblerun\Core\Advice;

/** What a verdict says, by line. After each its parameters; W, N·m, rpm and minor units. */
enum VerdictCode: string
{
    /** power */
    case NoTarget = 'no-target';
    case TargetNotSet = 'target-not-set';
    /** reached; target */
    case Reaches = 'reaches';
    /** reached; target */
    case FallsShort = 'falls-short';
    /** share, 0–1 */
    case Chance = 'chance';
    case NoChance = 'no-chance';
    case NeedsBaseline = 'needs-baseline';
    case MendFirst = 'mend-first';
    case BaselineDoubted = 'baseline-doubted';
    /** doubt */
    case BaselineDoubt = 'baseline-doubt';
    /** confirmed */
    case BaselineConfirmed = 'baseline-confirmed';
    case Worn = 'worn';
    /** frame */
    case Converted = 'converted';
    /** p10, p90; target */
    case Range = 'range';
    /** power */
    case PlainSum = 'plain-sum';
    /** seconds */
    case QuarterMile = 'quarter-mile';
    /** cost */
    case CeilingCosts = 'ceiling-costs';
    /** stage, loss */
    case TorqueLoss = 'torque-loss';

    /** total */
    case Total = 'total';
    /** total, budget */
    case TotalOfBudget = 'total-of-budget';
    case BudgetNotSet = 'budget-not-set';
    /** money */
    case OverBudget = 'over-budget';
    /** money */
    case LeftOver = 'left-over';
    /** spend, now */
    case FirstStageOver = 'first-stage-over';
    /** spend, now */
    case FirstStageWithin = 'first-stage-within';
    /** money */
    case BoughtAlready = 'bought-already';
    /** reserve in percent, low, high */
    case AllIn = 'all-in';

    case NoStages = 'no-stages';
    /** shares, by kind of evidence */
    case RestsOn = 'rests-on';
    /** part or null, from and to in W or N·m, target */
    case NarrowsMost = 'narrows-most';
    /** reading, stage */
    case LimitAccepted = 'limit-accepted';
    case AllAccepted = 'all-accepted';
    case JudgeIt = 'judge-it';
    /** reading, stage */
    case ShortOfFuel = 'short-of-fuel';
    /** reading, stage */
    case WeakestLink = 'weakest-link';
    /** status, risk */
    case AllowedAtRisk = 'allowed-at-risk';
    /** limit */
    case Consequence = 'consequence';
    /** reading, stage */
    case LimitNoted = 'limit-noted';
    case AllLimitsClear = 'all-limits-clear';

    case EngineLoad = 'engine-load';
    case Complete = 'complete';
    case NoConflicts = 'no-conflicts';
    /** count */
    case ToConsider = 'to-consider';
    /** count */
    case OpenFaults = 'open-faults';
    /** check */
    case FailedCheck = 'failed-check';
    /** finding, stage */
    case FindingNoted = 'finding';

    /** fuel */
    case FuelOutOfReach = 'fuel-out-of-reach';
    /** fuel */
    case RunsOn = 'runs-on';
    /** fuel, stage */
    case StageFuelOutOfReach = 'stage-fuel-out-of-reach';
    case FuelAsCeiling = 'fuel-as-ceiling';
    case FuelsNotSet = 'fuels-not-set';
    /** fuel */
    case EthanolAtPump = 'ethanol-at-pump';
    case AtEveryPump = 'at-every-pump';

    case NotForRoad = 'not-for-road';
    case TrackOnly = 'track-only';
    case NeverOnRoad = 'never-on-road';
    case RoadChecksDue = 'road-checks-due';
    /** count */
    case ChecksToShow = 'checks-to-show';
    case NothingForbidden = 'nothing-forbidden';
    case CheckLocalRules = 'check-local-rules';
    /** part */
    case LawNote = 'law-note';
    case StrictInspection = 'strict-inspection';
    /** warning */
    case WarrantyEnds = 'warranty-ends';
}
