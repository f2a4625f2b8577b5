<?php

namespace Pebblerun\Core\Job\Brief;

use Pebblerun\Core\Physics\Air\Ambient;
use Pebblerun\Core\Physics\Road\Climb;

/** Where the car is driven: how high and how hot, and what it tows. */
final readonly class Outside
{
    /** Where neither brief nor shop say: at the sea, on a hot day. */
    public const HOTTEST = 303.15;

    /** m/s at which a trailer is pulled uphill. */
    private const SPEED = 80.0 / 3.6;

    /** m/s of the air on the cooler on a long grade. */
    public const AIRSPEED = 8.0;

    /** m² of drag area of a car that states none; with a trailer behind it there is half as much again. */
    private const DRAG_AREA = 0.8;

    private const TRAILER_DRAG = 1.4;

    /**
     * @param  float  $altitude  m above the sea
     * @param  float  $hottest  K
     * @param  ?float  $trailer  kg; null where nothing is towed
     * @param  float  $grade  rise over run
     * @param  float  $airspeed  m/s of the air on the cooler there
     */
    public function __construct(public float $altitude = 0.0, public float $hottest = self::HOTTEST, public ?float $trailer = null, public float $grade = 0.0, public float $airspeed = self::AIRSPEED) {}

    public function hottestDay(): Ambient
    {
        return Ambient::at($this->altitude, $this->hottest);
    }

    /**
     * W at the wheels that the climb asks with the trailer; null where nothing is towed or the car's mass is not known.
     *
     * @param  ?float  $mass  kg of the car with driver
     * @param  ?float  $dragArea  m²
     */
    public function climb(?float $mass, ?float $dragArea): ?float
    {
        return $this->trailer === null || $mass === null ? null : Climb::power($mass + $this->trailer, $this->grade, self::SPEED, ($dragArea ?? self::DRAG_AREA) + self::TRAILER_DRAG);
    }
}
