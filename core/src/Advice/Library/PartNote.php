<?php

namespace Pebblerun\Core\Advice\Library;

use Pebblerun\Core\Catalog\Limits\FuelComponent;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Physics\Air\Cooler;

/** What a part's figures come to, or what they leave as it is. */
final readonly class PartNote
{
    public function __construct(public PartNoteCode $code, public Cooler|FuelComponent|Limit|null $of = null) {}
}
