<?php

namespace Pebblerun\Core\Evaluation\Findings;

use Pebblerun\Core\Catalog\Parts\Part;

/** Something to know about a stage, said in a sentence. */
final readonly class Finding
{
    /**
     * @param  Part  $part  whose doing it is
     * @param  string  $slot  where it shows on the board
     * @param  list<list<Part>>  $fixes  sets of parts that would settle it with all they need themselves, cheapest first
     * @param  list<string>  $fuels  names of fuels that would settle it
     */
    public function __construct(
        public FindingKind $kind,
        public Part $part,
        public string $slot,
        public string $sentence,
        public array $fixes = [],
        public array $fuels = [],
    ) {}
}
