<?php

namespace Pebblerun\Core\Evaluation\Engine;

use Pebblerun\Core\Math\Curve;

/** Engine speeds that are looked at together. */
final readonly class SpeedGrid
{
    public string $name;

    /** @param  non-empty-list<float>  $rpms  rising */
    public function __construct(public array $rpms)
    {
        $this->name = hash('xxh3', implode(' ', $rpms));
    }

    /** The place of the nearest speed, on a grid of every speed of a curve. */
    public function place(float $rpm): int
    {
        return (int) min(count($this->rpms) - 1, max(0.0, round(($rpm - $this->rpms[0]) / Curve::STEP)));
    }
}
