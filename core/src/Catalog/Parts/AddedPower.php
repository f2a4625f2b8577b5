<?php

namespace Pebblerun\Core\Catalog\Parts;

use Pebblerun\Core\Units\Range;

/** Power added in a window of engine speed, whatever the engine makes: nitrous, or accessory drag that falls away. */
final readonly class AddedPower
{
    /**
     * @param  Range  $power  W
     * @param  ?float  $rated  rpm; up to there it grows with the square of the speed, as drag does. Null: all of it everywhere
     */
    public function __construct(public float $from, public float $to, public Range $power, public ?float $rated = null, public bool $wet = false) {}

    /** The share of its power at a speed. */
    public function at(float $rpm): float
    {
        return match (true) {
            $rpm < $this->from || $rpm > $this->to => 0.0,
            $this->rated === null => 1.0,
            default => (min($rpm, $this->rated) / $this->rated) ** 2,
        };
    }
}
