<?php

namespace Pebblerun\Core\Catalog\Parts;

/** The pressure ratio that forced induction holds over engine speed, by pulley or gate. */
final readonly class PressureRatio
{
    /** @param  non-empty-list<array{float, float}>  $points  rising rpm and ratio; straight between, flat outside */
    public function __construct(public array $points) {}

    public function at(float $rpm): float
    {
        $before = $this->points[0];
        foreach ($this->points as $point) {
            if ($rpm <= $point[0]) {
                return $point[0] === $before[0] ? $point[1] : $before[1] + ($point[1] - $before[1]) * ($rpm - $before[0]) / ($point[0] - $before[0]);
            }
            $before = $point;
        }

        return $before[1];
    }
}
