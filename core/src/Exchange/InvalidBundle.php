<?php

namespace Pebblerun\Core\Exchange;

use InvalidArgumentException;
use Pebblerun\Core\CoreException;
use Throwable;

/** A document that cannot be taken, with the place in it. */
final class InvalidBundle extends InvalidArgumentException implements CoreException
{
    /** @param  string  $path  such as parts[3].gains[0].power */
    public function __construct(public readonly string $path, public readonly string $fault, ?Throwable $previous = null)
    {
        parent::__construct("{$path}: {$fault}", 0, $previous);
    }
}
