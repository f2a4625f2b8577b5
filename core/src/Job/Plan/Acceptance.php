<?php

namespace Pebblerun\Core\Job\Plan;

/** Somebody accepts that a limit is passed, from a stage on, and says why. */
final readonly class Acceptance
{
    /**
     * @param  string  $limit  key
     * @param  string  $by  name of the person
     * @param  string  $on  ISO 8601 date
     */
    public function __construct(public string $limit, public string $by, public string $on, public string $reason) {}
}
