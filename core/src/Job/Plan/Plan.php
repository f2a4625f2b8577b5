<?php

namespace Pebblerun\Core\Job\Plan;

/** A staged plan: what is done to the car, stage by stage, and how it is computed. */
final readonly class Plan
{
    /** @param  list<Stage>  $stages */
    public function __construct(public Settings $settings, public array $stages) {}

    /** @param  int  $number  counted from 1 */
    public function stage(int $number): ?Stage
    {
        return $this->stages[$number - 1] ?? null;
    }
}
