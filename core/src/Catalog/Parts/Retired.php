<?php

namespace Pebblerun\Core\Catalog\Parts;

/** That a part is no longer offered: plans that have it keep it. */
final readonly class Retired
{
    /**
     * @param  ?string  $successor  key of the part that takes its place
     * @param  ?string  $on  ISO 8601
     */
    public function __construct(public ?string $successor, public ?string $on) {}
}
