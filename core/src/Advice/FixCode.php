<?php

namespace Pebblerun\Core\Advice;

/** What a fix does. */
enum FixCode: string
{
    /** way: parts fitted in the last stage and mapped in. */
    case FitToReach = 'fit-to-reach';
    /** total in minor units. */
    case UsedPrices = 'used-prices';
    /** parts, total in minor units, lost W. */
    case WithoutPart = 'without-part';
    /** part, stage: every limit is within the accepted risk then. */
    case BearsAll = 'bears-all';
    /** part, stage, next StageLimit: another becomes the weakest link. */
    case BearsMore = 'bears-more';
    /** hold, stage, W and N·m that it costs at their peaks. */
    case HoldTorque = 'hold-torque';
    /** saved in minor units, stage that is mapped, stages that wait and the likely W that the last of them gives meanwhile and gave. */
    case MapOnce = 'map-once';
    /** parts, stage. */
    case FitMissing = 'fit-missing';
    /** part, stage. */
    case RemovePart = 'remove-part';
    /** fuel, stage, peak W at the end. */
    case OtherFuel = 'other-fuel';
}
