<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Evaluation\Limits\Status;
use Pebblerun\Core\Job\Brief\Risk;

/** Which status of a limit a plan may contain at the risk that the customer accepts. */
final class RiskRule
{
    public static function allows(Risk $risk, Status $status): bool
    {
        return $status->severity() <= match ($risk) {
            Risk::Cautious => Status::Clear->severity(),
            Risk::Normal => Status::Close->severity(),
            Risk::Bold => Status::Over->severity(),
        };
    }
}
