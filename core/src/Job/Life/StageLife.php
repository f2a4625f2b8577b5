<?php

namespace Pebblerun\Core\Job\Life;

/** How far a stage of a plan is, in the order in which it usually goes. */
enum StageLife: string
{
    case Planned = 'planned';
    case Proposed = 'proposed';
    case Accepted = 'accepted';
    /** Its parts are ordered or on the shelf. */
    case Parts = 'parts';
    case InWork = 'in-work';
    case Done = 'done';
}
