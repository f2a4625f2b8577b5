<?php

namespace App\Exceptions;

use Illuminate\Database\LostConnectionDetector;
use PDOException;
use Throwable;

/** A connection that the server ended: it is made anew and the query asked again, so that a database that is back is back at once. */
final class LostConnection extends LostConnectionDetector
{
    /** Source: PostgreSQL, appendix A: connection exception, and operator intervention without a cancelled query. */
    private const STATES = '/^(08|57P)/';

    public function causedByLostConnection(Throwable $e): bool
    {
        return parent::causedByLostConnection($e) || ($e instanceof PDOException && preg_match(self::STATES, (string) ($e->errorInfo[0] ?? '')) === 1);
    }
}
