<?php

namespace Pebblerun\Core\Advice\Library;

/** What differs between two states of a platform's library. */
enum LibraryChangeCode: string
{
    case Added = 'added';
    case Gone = 'gone';
    case Retired = 'retired';
    case Power = 'power';
    case Torque = 'torque';
    case Cases = 'cases';
    case Price = 'price';
    case Hours = 'hours';
    case Needs = 'needs';
    case Other = 'other';
    case Baseline = 'baseline';
    case Limit = 'limit';
    case LimitAdded = 'limit-added';
    case LimitGone = 'limit-gone';
    case Platform = 'platform';
}
