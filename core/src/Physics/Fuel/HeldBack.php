<?php

namespace Pebblerun\Core\Physics\Fuel;

use Closure;

/** How far a tuner must hold an engine back for a fuel component whose delivery falls with boost. */
final class HeldBack
{
    private const STEPS = 40;

    /**
     * The largest power whose own boost lets the component deliver what it asks: found by halving. A part that adds air never lowers it
     * by itself. Eight port injectors of 630 cm³/min at 3 bar, 0.9 bar at 300 kW and in proportion: 439.1 kW, 586.4 without boost.
     *
     * @param  Closure(float): float  $delivers  W that it delivers at a boost, Pa over ambient; falling
     * @param  Closure(float): float  $boost  Pa over ambient at a power, W; rising
     * @return float W
     */
    public static function at(Closure $delivers, Closure $boost): float
    {
        $most = $delivers(0.0);
        if ($most <= 0.0 || $delivers($boost($most)) >= $most) {
            return max(0.0, $most);
        }
        $least = 0.0;
        for ($step = 0; $step < self::STEPS; $step++) {
            $middle = ($least + $most) / 2.0;
            if ($delivers($boost($middle)) >= $middle) {
                $least = $middle;
            } else {
                $most = $middle;
            }
        }

        return $least;
    }
}
