<?php

namespace Pebblerun\Core\Evaluation\Engine;

use Closure;

/** Remembers what was worked out at engine speeds, under the name of everything it comes from. */
interface EvaluationCache
{
    /**
     * @param  string  $key  names what is worked out, the speeds apart
     * @param  Closure(SpeedGrid): list<float>  $make  works it out at these speeds: flat, place × rows + row
     * @return list<float> flat, at the grid's speeds
     */
    public function flat(string $key, SpeedGrid $grid, Closure $make): array;
}
