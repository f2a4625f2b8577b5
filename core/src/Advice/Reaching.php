<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Parts\Part;

/** A part that gets a plan to what is asked. */
final readonly class Reaching
{
    /**
     * @param  int  $costs  minor units more in its stage, fitting, tax and reserve in
     * @param  float  $figure  likely, with it and mapped in: W at the peak, or N·m at the speed that the target names
     * @param  float  $asked  of the car with it, likewise
     */
    public function __construct(public Part $part, public int $costs, public float $figure, public float $asked) {}
}
