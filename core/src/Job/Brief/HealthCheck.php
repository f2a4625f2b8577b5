<?php

namespace Pebblerun\Core\Job\Brief;

/** What is looked at before money is spent on power: a sick car wastes the whole plan. */
enum HealthCheck: string
{
    case Plugs = 'plugs';
    case Compression = 'compression';
    case Leaks = 'leaks';
    case Clutch = 'clutch';
    case Oil = 'oil';
    case Cooling = 'cooling';
    case Brakes = 'brakes';
    case Tyres = 'tyres';

    /** Without these no chance is stated. */
    public function isNeeded(): bool
    {
        return match ($this) {
            self::Plugs, self::Compression, self::Leaks, self::Clutch, self::Oil => true,
            self::Cooling, self::Brakes, self::Tyres => false,
        };
    }
}
