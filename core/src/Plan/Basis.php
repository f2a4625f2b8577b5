<?php

namespace Pebblerun\Core\Plan;

/** Where a line's price comes from. */
enum Basis: string
{
    /** Full retail. */
    case New = 'new';
    /** Second hand or on sale. */
    case Used = 'used';
    /** The customer has it already: nothing to pay, fitting still costs. */
    case Owned = 'owned';
}
