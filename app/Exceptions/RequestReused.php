<?php

namespace App\Exceptions;

use RuntimeException;

/** A change came under a name that another change had before: which of the two was meant, nobody can say. */
final class RequestReused extends RuntimeException
{
    public function __construct(string $request)
    {
        parent::__construct("The request \"{$request}\" was used for another change: send this one under a name of its own.");
    }
}
