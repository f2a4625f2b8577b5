<?php

namespace Pebblerun\Core\Catalog\Cars;

/** How an engine breathes as it comes from the factory. */
enum Aspiration: string
{
    case Natural = 'natural';
    case Turbo = 'turbo';
    case Blower = 'blower';

    public function isBoosted(): bool
    {
        return $this !== self::Natural;
    }
}
