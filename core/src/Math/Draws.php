<?php

namespace Pebblerun\Core\Math;

/** Where the draws of every uncertain thing come from. */
interface Draws
{
    /** @return positive-int */
    public function count(): int;

    /**
     * One u for each draw.
     *
     * @param  string  $key  names the part: the same key always gives the same answer
     * @return list<float> strictly between 0 and 1, tied to all other parts by the common factor
     */
    public function part(string $key): array;

    /** @return list<float> strictly between 0 and 1, independent of everything else */
    public function ceiling(string $key): array;

    /** @return list<float> standard normal values for the measured curve, independent of all else */
    public function curve(): array;

    /** @return list<float> standard normal values for the model's own doubt, independent of all else */
    public function model(): array;

    /** The same for a figure that falls where others rise: it differs for corners alone. */
    public function falling(): Draws;
}
