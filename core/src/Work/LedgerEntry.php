<?php

namespace Pebblerun\Core\Work;

use Pebblerun\Core\Catalog\Parts\Part;

/** A part that stands on a car. */
final readonly class LedgerEntry
{
    /**
     * @param  ?bool  $used  whether it was fitted second hand; null where nobody said
     * @param  bool  $ownWork  the customer fitted it
     */
    public function __construct(public Part $part, public ?bool $used, public bool $ownWork) {}
}
