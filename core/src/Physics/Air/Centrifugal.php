<?php

namespace Pebblerun\Core\Physics\Air;

/** A blower whose ratio grows with the square of its speed, whatever the engine swallows: 1.45 at 6,000 rpm is 1.2531 at 4,500. */
final readonly class Centrifugal implements Charger
{
    /**
     * @param  float  $rpm  of the engine at which the ratio is stated
     * @param  float  $driven  by a pulley, times
     */
    public function __construct(private Compression $compression, private float $rpm, private float $ratio, private float $driven = 1.0) {}

    public function charge(Ambient $day, float $rpm, float $swept): Charge
    {
        return $this->compression->at($day, 1.0 + ($this->ratio - 1.0) * ($this->driven * $rpm / $this->rpm) ** 2, $swept);
    }
}
