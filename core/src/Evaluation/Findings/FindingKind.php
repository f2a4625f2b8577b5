<?php

namespace Pebblerun\Core\Evaluation\Findings;

enum FindingKind: string
{
    /** A part needs something that is not there. */
    case Missing = 'missing';
    /** Two things that must not be together. */
    case Conflict = 'conflict';
    /** A part that must not run at full load before a map covers it. */
    case Gated = 'gated';
    /** No gain case fits: the map or part does not allow this fuel or build. */
    case NotAllowed = 'not-allowed';
    /** The fuel knocks under the map in the car, or runs lean. */
    case WrongFuel = 'wrong-fuel';
    /** The fuel costs power under the map in the car. */
    case PoorFuel = 'poor-fuel';
    /** Not lawful on the road, in a plan for the road. */
    case Law = 'law';
    /** Something that the customer will not live with. */
    case Unwanted = 'unwanted';
    /** A part that the map in the car does not cover. */
    case Uncovered = 'uncovered';
    /** Something that would be wise. */
    case Advised = 'advised';
    /** A kit was broken up: its measured gain no longer holds. */
    case KitBroken = 'kit-broken';
    /** A part that another of the same stage takes the slot of: it is not fitted, and not billed. */
    case Displaced = 'displaced';
    /** A part that is no longer offered. */
    case Retired = 'retired';

    /** Whether the stage cannot stand as it is. */
    public function isFault(): bool
    {
        return match ($this) {
            self::Missing, self::Conflict, self::Gated, self::NotAllowed, self::WrongFuel, self::Law, self::Unwanted => true,
            self::PoorFuel, self::Uncovered, self::Advised, self::KitBroken, self::Displaced, self::Retired => false,
        };
    }
}
