<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Job\Brief\Driving;
use Pebblerun\Core\Job\Brief\Outside;
use Pebblerun\Core\Job\Brief\Risk;

/** What an answer of the brief changes. W, rpm and minor units; shares 0–1. */
enum AnswerEffectCode: string implements MessageCode
{
    case MoreThanReceived = 'more-than-received';
    case ReachedAfter = 'reached-after';
    case LeastThatReaches = 'least-that-reaches';
    case NothingReaches = 'nothing-reaches';
    case MonthsOfSaving = 'months-of-saving';
    case TorqueInRange = 'torque-in-range';
    case PeakAboveRange = 'peak-above-range';
    case FuelGives = 'fuel-gives';
    case HottestDay = 'hottest-day';
    case ClimbAsks = 'climb-asks';
    case TrackPartsAllowed = 'track-parts-allowed';
    case TrackPartsLeftOut = 'track-parts-left-out';
    case GearboxLimit = 'gearbox-limit';
    case MayBreak = 'may-break';
    case RiskAllows = 'risk-allows';
    case RiskRefuses = 'risk-refuses';

    public function parameters(): array
    {
        return match ($this) {
            self::MoreThanReceived, self::TorqueInRange => ['share' => 'float'],
            self::ReachedAfter => ['stage' => 'int', 'money' => 'int'],
            self::LeastThatReaches => ['way' => Reaching::class],
            self::MonthsOfSaving => ['stage' => 'int', 'months' => 'int', 'monthly' => 'int'],
            self::PeakAboveRange => ['rpm' => 'float'],
            self::FuelGives => ['fuel' => Fuel::class, 'peak' => 'float', 'short' => 'float', 'way' => '?'.Reaching::class],
            self::MayBreak => ['risk' => BreakingRisk::class, 'driving' => Driving::class],
            self::HottestDay => ['power' => 'float', 'outside' => Outside::class],
            self::ClimbAsks => ['power' => 'float', 'share' => 'float'],
            self::TrackPartsAllowed, self::TrackPartsLeftOut => ['count' => 'int'],
            self::GearboxLimit => ['reading' => LimitReading::class],
            self::RiskAllows => ['risk' => Risk::class],
            self::RiskRefuses => ['risk' => Risk::class, 'reading' => LimitReading::class, 'stage' => 'int'],
            default => [],
        };
    }
}
