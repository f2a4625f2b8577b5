<?php

namespace Pebblerun\Core\Job\Brief;

/** What is asked of a customer, in the order one asks it. */
enum Question: string
{
    case Purpose = 'purpose';
    case Mileage = 'mileage';
    case Health = 'health';
    case Baseline = 'baseline';
    case Target = 'target';
    case Budget = 'budget';
    case RpmRange = 'rpm-range';
    case Fuels = 'fuels';
    case Use = 'use';
    case Noise = 'noise';
    case Inspection = 'inspection';
    case Warranty = 'warranty';
    case Refuses = 'refuses';
    case Risk = 'risk';
    case Warnings = 'warnings';

    /** @return list<string> places of the brief document, of which one must be there */
    public function places(): array
    {
        return match ($this) {
            self::Purpose => ['purpose'],
            self::Mileage => ['car.mileage_km'],
            self::Health => ['received.checks', 'received.healthy'],
            self::Baseline => ['received.baseline'],
            self::Target => ['target'],
            self::Budget => ['budget.total'],
            self::RpmRange => ['rpm_range'],
            self::Fuels => ['fuels'],
            self::Use => ['use'],
            self::Noise => ['noise'],
            self::Inspection => ['inspection'],
            self::Warranty => ['warranty'],
            self::Refuses => ['refuses'],
            self::Risk => ['risk'],
            self::Warnings => ['warnings'],
        };
    }

    /** Whether it is a measurement on the car and no part of the conversation. */
    public function isMeasurement(): bool
    {
        return $this === self::Health || $this === self::Baseline;
    }
}
