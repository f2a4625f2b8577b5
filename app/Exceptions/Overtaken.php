<?php

namespace App\Exceptions;

use RuntimeException;

/** The plan or its brief was saved by somebody else while a change was worked out. */
final class Overtaken extends RuntimeException
{
    public function __construct()
    {
        parent::__construct('Somebody saved this job while a change was worked out.');
    }
}
