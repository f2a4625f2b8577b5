<?php

namespace Pebblerun\Core\Catalog\Platform;

use Pebblerun\Core\Catalog\Conditions\Condition;
use Pebblerun\Core\Catalog\Conditions\Situation;

/** Slots that share one restriction, and the most its removal can give. */
final readonly class Family
{
    /**
     * @param  float  $ceiling  C, a fraction of the baseline: 0.06 for 6 %
     * @param  AirRole  $air  how its gains move the air
     * @param  bool  $driveline  its gains are on the wheel figure alone: less is lost on the way, the engine makes no more
     * @param  list<array{Condition, float}>  $conditional  other ceilings; the most specific that holds replaces C
     */
    public function __construct(public string $key, public string $name, public float $ceiling, public array $conditional, public bool $driveline = false, public AirRole $air = AirRole::None) {}

    public function ceilingIn(Situation $situation): float
    {
        $best = $this->ceiling;
        $terms = 0;
        foreach ($this->conditional as [$when, $ceiling]) {
            if ($when->terms() > $terms && $when->holds($situation)) {
                [$best, $terms] = [$ceiling, $when->terms()];
            }
        }

        return $best;
    }

    /** The highest it can ever be: a claim above it counts no further. */
    public function highest(): float
    {
        return max([$this->ceiling, ...array_column($this->conditional, 1)]);
    }
}
