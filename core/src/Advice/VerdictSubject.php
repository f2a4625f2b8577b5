<?php

namespace Pebblerun\Core\Advice;

/** What a line of the verdict is about. */
enum VerdictSubject: string
{
    case Target = 'target';
    case Budget = 'budget';
    case Limits = 'limits';
    /** Requirements, conflicts, coverage. */
    case Build = 'build';
    case Fuel = 'fuel';
    case Law = 'law';
}
