<?php

namespace Pebblerun\Core\Job\Brief;

use Pebblerun\Core\Evaluation\Limits\Status;

/** How much risk the customer accepts. */
enum Risk: string
{
    /** Only clear limits. */
    case Cautious = 'cautious';
    /** Up to close. */
    case Usual = 'usual';
    /** Up to over; never past the edge. */
    case Bold = 'bold';

    public function allows(Status $status): bool
    {
        return $status->severity() <= match ($this) {
            self::Cautious => Status::Clear->severity(),
            self::Usual => Status::Close->severity(),
            self::Bold => Status::Over->severity(),
        };
    }
}
