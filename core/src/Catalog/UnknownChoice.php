<?php

namespace Pebblerun\Core\Catalog;

use InvalidArgumentException;
use Pebblerun\Core\CoreException;

final class UnknownChoice extends InvalidArgumentException implements CoreException
{
    public static function part(string $key): self
    {
        return new self("The catalogue has no part \"{$key}\": use the key of one of its parts.");
    }

    /** @param  list<string>  $known */
    public static function slot(string $key, array $known): self
    {
        return new self("The platform has no slot \"{$key}\": use one of ".implode(', ', $known).'.');
    }

    /** @param  list<string>  $known */
    public static function fuel(string $key, array $known): self
    {
        return new self("The shop has no fuel \"{$key}\": use one of ".implode(', ', $known).'.');
    }
}
