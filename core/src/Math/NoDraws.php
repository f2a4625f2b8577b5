<?php

namespace Pebblerun\Core\Math;

use Pebblerun\Core\CoreException;
use UnderflowException;

final class NoDraws extends UnderflowException implements CoreException
{
    public static function atAll(): self
    {
        return new self('Percentiles of no draws at all mean nothing: draw at least once.');
    }
}
