<?php

namespace Pebblerun\Core\Math;

/** The highest point of a curve: rpm, and W or N·m. */
final readonly class Peak
{
    /** On a flat top the first place is the peak, whatever the last digit says. */
    private const FLAT = 1.0 - 1e-9;

    private const AWAY = 1e-5;

    public function __construct(public float $rpm, public float $value) {}

    /**
     * What a curve that is told by this peak of power may give at a speed: the stated power, and a hair less away from it, so that it
     * comes to its peak where it was stated.
     *
     * @return float W
     */
    public function powerAt(float $rpm): float
    {
        return $this->value * (1.0 - self::AWAY * min(1.0, abs($rpm - $this->rpm) / $this->rpm));
    }

    /**
     * Where a track is highest.
     *
     * @param  non-empty-list<float>  $values  none below 0
     */
    public static function place(array $values): int
    {
        $enough = max($values) * self::FLAT;
        $place = 0;
        while ($values[$place] < $enough) {
            $place++;
        }

        return $place;
    }
}
