<?php

namespace Pebblerun\Formats\PriceList;

/** What a line of a price list does to the library. */
enum LineOutcome: string
{
    case Added = 'added';
    case Changed = 'changed';
    case Unchanged = 'unchanged';
    case Refused = 'refused';
}
