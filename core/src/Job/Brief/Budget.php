<?php

namespace Pebblerun\Core\Job\Brief;

/** Money in minor units. */
final readonly class Budget
{
    /**
     * @param  ?int  $total  in all
     * @param  ?int  $now  for the first stage
     * @param  ?int  $monthly  after that
     */
    public function __construct(public ?int $total, public ?int $now, public ?int $monthly) {}
}
