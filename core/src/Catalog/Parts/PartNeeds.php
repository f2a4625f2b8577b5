<?php

namespace Pebblerun\Core\Catalog\Parts;

use LogicException;

/** What a part needs beside it, what goes well with it, and what it cannot stand with. */
final readonly class PartNeeds
{
    /**
     * @param  list<Need>  $requires
     * @param  list<Need>  $recommends
     * @param  list<Need>  $conflicts
     */
    public function __construct(public array $requires = [], public array $recommends = [], public array $conflicts = []) {}

    /** Where one of them stands: "requires[0]". */
    public function placeOf(Need $need): string
    {
        foreach (['requires' => $this->requires, 'recommends' => $this->recommends, 'conflicts' => $this->conflicts] as $list => $needs) {
            $at = array_search($need, $needs, true);
            if ($at !== false) {
                return "{$list}[{$at}]";
            }
        }
        throw new LogicException('No such requirement, recommendation or conflict.');
    }
}
