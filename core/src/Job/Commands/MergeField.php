<?php

namespace Pebblerun\Core\Job\Commands;

/** One command of mine against what others did meanwhile. */
final readonly class MergeField
{
    /**
     * @param  list<Description>  $theirs  what they did in the places it touches
     * @param  bool  $can  whether it can still be done: what it needs is there
     */
    public function __construct(public Description $mine, public array $theirs, public bool $can) {}

    public function clashes(): bool
    {
        return $this->theirs !== [] || ! $this->can;
    }
}
