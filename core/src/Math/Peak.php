<?php

namespace Pebblerun\Core\Math;

/** The highest point of a curve: rpm, and W or N·m. */
final readonly class Peak
{
    /** On a flat top the first place is the peak, whatever the last digit says. */
    private const FLAT = 1.0 - 1e-9;

    public function __construct(public float $rpm, public float $value) {}

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
