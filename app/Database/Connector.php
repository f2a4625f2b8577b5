<?php

namespace App\Database;

use Illuminate\Database\Connectors\PostgresConnector;

/** Says of several hosts which will do, and how long one is asked that does not answer. */
final class Connector extends PostgresConnector
{
    /** Source: PostgreSQL, chapter 34.1.2, parameter key words. */
    private const OPTIONS = ['target_session_attrs', 'connect_timeout'];

    /** @param  array<string, mixed>  $config */
    protected function getDsn(array $config): string
    {
        $dsn = parent::getDsn($config);
        foreach (self::OPTIONS as $option) {
            if (isset($config[$option])) {
                $dsn .= ";{$option}={$config[$option]}";
            }
        }

        return $dsn;
    }
}
