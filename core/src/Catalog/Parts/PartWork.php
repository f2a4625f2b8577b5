<?php

namespace Pebblerun\Core\Catalog\Parts;

/** How long a part takes to fit, in hundredths of an hour. */
final readonly class PartWork
{
    /**
     * @param  int  $hours  access included
     * @param  int  $accessHours  of these, shared with the other parts of the access group
     * @param  ?string  $accessGroup  what has to come off first
     */
    public function __construct(public int $hours = 0, public int $accessHours = 0, public ?string $accessGroup = null) {}
}
