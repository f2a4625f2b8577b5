<?php

namespace Pebblerun\Core\Job\Brief;

/** Somebody looked at a measurement that is hard to believe, and stands by it. */
final readonly class Confirmation
{
    /** @param  string  $on  YYYY-MM-DD */
    public function __construct(public string $by, public string $on) {}
}
