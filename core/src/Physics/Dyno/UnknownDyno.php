<?php

namespace Pebblerun\Core\Physics\Dyno;

use InvalidArgumentException;
use Pebblerun\Core\CoreException;

final class UnknownDyno extends InvalidArgumentException implements CoreException
{
    /** @param  list<string>  $known */
    public static function noFactor(string $dyno, array $known): self
    {
        return new self("The shop has no factor for figures from a \"{$dyno}\": add it to the shop's dyno_factors, or use one of ".($known === [] ? 'none so far' : implode(', ', $known)).'.');
    }
}
