<?php

namespace Pebblerun\Core\Job\Brief;

use Pebblerun\Core\Catalog\Cars\CarUse;

/** How long and how hard the car will be driven: what tires what carries its power. */
final readonly class Driving
{
    /** Hard pulls, full load through the demanding speeds, in 1,000 km of each use: a shop's figures. */
    private const PULLS = ['daily' => 2.0, 'hard' => 20.0, 'track' => 200.0, 'drag' => 400.0];

    /** Shares of each use where nobody says. */
    private const USUAL = [['daily' => 0.9, 'hard' => 0.1, 'track' => 0.0, 'drag' => 0.0], ['daily' => 0.0, 'hard' => 0.5, 'track' => 0.5, 'drag' => 0.0]];

    /**
     * @param  float  $months  that are asked about
     * @param  float  $distance  km a month
     * @param  array{daily: float, hard: float, track: float, drag: float}  $shares  of the distance, together 1
     */
    public function __construct(public float $months = 24.0, public float $distance = 1_000.0, public array $shares = self::USUAL[0]) {}

    public static function usual(CarUse $use): self
    {
        return new self(shares: self::USUAL[$use === CarUse::Track ? 1 : 0]);
    }

    /** Hard pulls in all. */
    public function pulls(): float
    {
        $each = 0.0;
        foreach (self::PULLS as $use => $pulls) {
            $each += $this->shares[$use] * $pulls;
        }

        return $this->months * $this->distance / 1_000.0 * $each;
    }
}
