<?php

namespace Pebblerun\Core\Job\Plan;

/** Where a line's price comes from. */
enum PriceBasis: string
{
    /** Full retail. */
    case New = 'new';
    /** Second hand or on sale. */
    case Used = 'used';
    /** The customer has it already: nothing to pay, fitting still costs. */
    case Owned = 'owned';
}
