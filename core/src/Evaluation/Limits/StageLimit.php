<?php

namespace Pebblerun\Core\Evaluation\Limits;

/** A limit with the stage it is read in. */
final readonly class StageLimit
{
    public function __construct(public int $stage, public LimitReading $reading) {}
}
