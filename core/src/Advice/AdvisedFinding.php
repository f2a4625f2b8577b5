<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Evaluation\Findings\Finding;

/** A finding with what would settle it. */
final readonly class AdvisedFinding
{
    /**
     * @param  string  $slot  where it shows on the board
     * @param  list<list<Part>>  $fixes  sets of parts that would settle it with all they need themselves, cheapest first
     * @param  list<Fuel>  $fuels  that would settle it
     */
    public function __construct(public Finding $finding, public string $slot, public array $fixes = [], public array $fuels = []) {}
}
