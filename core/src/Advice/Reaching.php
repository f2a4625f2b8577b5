<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Parts\Part;

/** Parts that get a plan to what is asked. */
final readonly class Reaching
{
    /**
     * @param  non-empty-list<Part>  $parts
     * @param  int  $costs  minor units more in their stage, fitting, tax and reserve in
     * @param  float  $figure  likely, with them and mapped in: W at the peak, or N·m at the speed that the target names
     * @param  float  $asked  of the car with them, likewise
     */
    public function __construct(public array $parts, public int $costs, public float $figure, public float $asked) {}
}
