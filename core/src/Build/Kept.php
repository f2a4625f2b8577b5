<?php

namespace Pebblerun\Core\Build;

use Closure;

/** What was worked out at engine speeds, kept under the name of everything it comes from. */
interface Kept
{
    /**
     * @param  string  $key  names what is worked out, the speeds apart
     * @param  Closure(Grid): list<float>  $make  works it out at these speeds: flat, place × rows + row
     * @return list<float> flat, at the grid's speeds
     */
    public function flat(string $key, Grid $grid, Closure $make): array;
}
