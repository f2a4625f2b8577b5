<?php

namespace Pebblerun\Core\Advice\Library;

/** What may be wrong with figures of the library, although they can be read. */
enum LibraryDoubtCode: string
{
    /** The baseline asks the engine to fill less, or more, than such engines do. */
    case FillsTooLittle = 'fills-too-little';
    case FillsTooMuch = 'fills-too-much';
    /** Mean effective pressure or power a litre that few or no such engines reach. */
    case HardToBelieve = 'hard-to-believe';
    /** The stock car stands too near to a limit. */
    case StockNearLimit = 'stock-near-limit';
    case NoFuelSystem = 'no-fuel-system';
    /** A ceiling on power that asks for a fuel: fuel components are given as flow. */
    case FuelAsCeiling = 'fuel-as-ceiling';
    case NoLimits = 'no-limits';
    case FewKindsOfEvidence = 'few-kinds-of-evidence';
    case CamsWithoutPeaks = 'cams-without-peaks';
    /** The factory claims less at the crank than the wheels showed. */
    case ClaimBelowWheels = 'claim-below-wheels';
    /** A limit was set by hand and nobody said why. */
    case NoReasonOfLimit = 'no-reason-of-limit';
    /** A figure was set by hand and nobody said why. */
    case NoReason = 'no-reason';
    case SameName = 'same-name';
    case SameFigures = 'same-figures';
    case NoPrice = 'no-price';
    case ManyHours = 'many-hours';
    case GivesNothing = 'gives-nothing';
    /** A gain without a spread: nobody knows one that well. */
    case NoSpread = 'no-spread';
    /** One gain that moves power a lot and torque the other way, or the like. */
    case TorqueAgainstPower = 'torque-against-power';
    /** A claim above what its family can give. */
    case AboveFamily = 'above-family';
    /** More power than its stated boost brings air for. */
    case MoreThanItsAir = 'more-than-its-air';
}
