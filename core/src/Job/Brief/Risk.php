<?php

namespace Pebblerun\Core\Job\Brief;

/** How much risk the customer accepts. */
enum Risk: string
{
    /** Only clear limits. */
    case Cautious = 'cautious';
    /** Up to close. */
    case Normal = 'normal';
    /** Up to over; never past the edge. */
    case Bold = 'bold';
}
