<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Evaluation\Limits\StageLimit;
use Pebblerun\Core\Job\Brief\Target;
use Pebblerun\Core\Job\Plan\TorqueHold;

/** What a fix does. W, N·m and minor units. */
enum FixCode: string implements MessageCode
{
    /** Parts fitted in the last stage and mapped in. */
    case FitToReach = 'fit-to-reach';
    case UsedPrices = 'used-prices';
    case WithoutPart = 'without-part';
    /** Every limit is within the accepted risk then. */
    case BearsAll = 'bears-all';
    /** Another becomes the weakest link. */
    case BearsMore = 'bears-more';
    /** Power and torque that it costs at their peaks. */
    case HoldTorque = 'hold-torque';
    /** The stage that is mapped, how many wait, and the likely power that the last of them gives meanwhile, and gave. */
    case MapOnce = 'map-once';
    case FitMissing = 'fit-missing';
    case RemovePart = 'remove-part';
    /** Peak at the end. */
    case OtherFuel = 'other-fuel';

    public function parameters(): array
    {
        return match ($this) {
            self::FitToReach => ['target' => Target::class, 'way' => Reaching::class],
            self::UsedPrices => ['total' => 'int'],
            self::WithoutPart => ['parts' => 'array', 'total' => 'int', 'lost' => 'float'],
            self::BearsAll, self::FitMissing => ['parts' => 'array', 'stage' => 'int'],
            self::BearsMore => ['parts' => 'array', 'stage' => 'int', 'next' => StageLimit::class],
            self::HoldTorque => ['hold' => TorqueHold::class, 'stage' => 'int', 'power' => 'float', 'torque' => 'float'],
            self::MapOnce => ['saved' => 'int', 'stage' => 'int', 'waits' => 'int', 'meanwhile' => 'float', 'mapped' => 'float'],
            self::RemovePart => ['part' => Part::class, 'stage' => 'int'],
            self::OtherFuel => ['fuel' => Fuel::class, 'stage' => 'int', 'peak' => 'float'],
        };
    }
}
