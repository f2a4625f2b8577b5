<?php

namespace Pebblerun\Core\Advice;

use BackedEnum;

/** What can be said of something: each code has its own parameters. */
interface MessageCode extends BackedEnum
{
    /** @return array<string, string> by name: a class, a type as get_debug_type() names it, or either behind a question mark */
    public function parameters(): array;
}
