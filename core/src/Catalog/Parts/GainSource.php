<?php

namespace Pebblerun\Core\Catalog\Parts;

use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Physics\Dyno\Frame;

/** Where the figures of a gain come from. */
final readonly class GainSource
{
    /**
     * @param  ?Frame  $frame  that they were read in, when it was not the shop's own
     * @param  bool  $setByHand  they do not come from records by the rule: somebody set them
     */
    public function __construct(public Evidence $evidence, public string $note = '', public ?Frame $frame = null, public bool $setByHand = false) {}
}
