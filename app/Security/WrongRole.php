<?php

namespace App\Security;

use RuntimeException;

/** The web is connected to the database as somebody who sees more than the web may: nothing is served. */
final class WrongRole extends RuntimeException
{
    public function __construct(string $role)
    {
        parent::__construct("The web works as \"{$role}\" in the database, and not in its own role: start it with bin/start.");
    }
}
