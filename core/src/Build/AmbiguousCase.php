<?php

namespace Pebblerun\Core\Build;

use DomainException;
use Pebblerun\Core\Condition\Situation;
use Pebblerun\Core\CoreException;
use Pebblerun\Core\Parts\Part;

final class AmbiguousCase extends DomainException implements CoreException
{
    public static function of(Part $part, Situation $situation): self
    {
        return new self("Two gain cases of \"{$part->name}\" apply equally on {$situation->fuel->name}: make one of them more specific, so that one alone has the most terms.");
    }
}
