<?php

namespace Pebblerun\Core\Catalog\Parts;

/** What is known of a part before the law; it defers to local rules. */
final readonly class PartLaw
{
    /** @param  bool  $trackOnly  not lawful on the road */
    public function __construct(public bool $trackOnly = false, public string $note = '') {}
}
