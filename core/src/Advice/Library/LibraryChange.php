<?php

namespace Pebblerun\Core\Advice\Library;

use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Parts\Part;

/** One thing that differs: of a part, of a limit, or of the platform. Before and after are W, N·m, minor units or hundredths of an hour. */
final readonly class LibraryChange
{
    public function __construct(public LibraryChangeCode $code, public ?Part $part = null, public float $before = 0.0, public float $after = 0.0, public ?Limit $limit = null, public ?Part $successor = null) {}
}
