<?php

namespace App\Exceptions;

use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Log;
use PDOException;

/** Notes a fault of the database: a line for one that is away, the statement without its values for any other. Values are people's. */
final class DatabaseFault
{
    public static function note(PDOException $fault): void
    {
        $state = (string) ($fault->errorInfo[0] ?? $fault->getCode());
        if (Outage::is($fault)) {
            Log::warning("the database is away ({$state})");

            return;
        }
        Log::error("a statement failed ({$state})", [
            'statement' => $fault instanceof QueryException ? $fault->getSql() : '',
            'at' => array_slice(array_map(fn (array $call): string => ($call['file'] ?? '').':'.($call['line'] ?? 0), $fault->getTrace()), 0, 12),
        ]);
    }
}
