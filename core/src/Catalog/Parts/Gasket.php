<?php

namespace Pebblerun\Core\Catalog\Parts;

/** A seal that comes off with the old part. */
final readonly class Gasket
{
    /** @param  bool  $renew  false: it may be used again */
    public function __construct(public string $name, public bool $renew) {}
}
