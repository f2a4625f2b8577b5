<?php

namespace Pebblerun\Core\Catalog\Parts;

use DomainException;
use Pebblerun\Core\Catalog\Conditions\Situation;
use Pebblerun\Core\CoreException;

final class AmbiguousCase extends DomainException implements CoreException
{
    public static function of(Part $part, Situation $situation): self
    {
        return new self("Two gain cases of \"{$part->name}\" apply equally on {$situation->fuel->name}: make one of them more specific, so that one alone has the most terms.");
    }
}
