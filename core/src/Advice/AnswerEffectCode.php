<?php

namespace Pebblerun\Core\Advice;

/** What an answer of the brief changes. After each its parameters; W, rpm and minor units. */
enum AnswerEffectCode: string
{
    /** share more than as received */
    case MoreThanReceived = 'more-than-received';
    /** stage, money */
    case ReachedAfter = 'reached-after';
    /** way */
    case LeastThatReaches = 'least-that-reaches';
    case NothingReaches = 'nothing-reaches';
    /** stage, months, monthly */
    case MonthsOfSaving = 'months-of-saving';
    /** share */
    case TorqueInRange = 'torque-in-range';
    /** rpm */
    case PeakAboveRange = 'peak-above-range';
    /** fuel, peak, short, way */
    case FuelGives = 'fuel-gives';
    /** power, outside */
    case HottestDay = 'hottest-day';
    /** power, share */
    case ClimbAsks = 'climb-asks';
    /** count */
    case TrackPartsAllowed = 'track-parts-allowed';
    /** count */
    case TrackPartsLeftOut = 'track-parts-left-out';
    /** reading */
    case GearboxLimit = 'gearbox-limit';
    /** risk */
    case RiskAllows = 'risk-allows';
    /** risk, reading, stage */
    case RiskRefuses = 'risk-refuses';
}
