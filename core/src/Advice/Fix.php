<?php

namespace Pebblerun\Core\Advice;

/** A small change that was tried and settles a line of the verdict. */
final readonly class Fix
{
    /** @param  list<array<string, mixed>>  $commands  that do it */
    public function __construct(public Message $message, public array $commands) {}
}
