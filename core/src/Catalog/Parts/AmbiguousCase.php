<?php

namespace Pebblerun\Core\Catalog\Parts;

use DomainException;
use Pebblerun\Core\Catalog\Conditions\Situation;
use Pebblerun\Core\CoreException;

final class AmbiguousCase extends DomainException implements CoreException
{
    /** @param  list<int>  $cases  places among the part's gains, counted from 0 */
    private function __construct(string $message, public readonly array $cases)
    {
        parent::__construct($message);
    }

    /** @param  list<int>  $cases */
    public static function of(Part $part, Situation $situation, array $cases): self
    {
        return new self("Two gain cases of \"{$part->name}\" apply equally on {$situation->fuel->name}: make one of them more specific, so that one alone has the most terms.", $cases);
    }
}
