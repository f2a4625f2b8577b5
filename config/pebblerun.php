<?php

use App\Assembly\RuleSources;

// Worked out where settings are cached, and not with every request.
return [
    'version' => '0.12.0',

    // As whom the database is to know the web.
    'role' => env('PEBBLERUN_WEB_ROLE', 'pebblerun_web'),

    // Where backups are written at night, with what they are encrypted and signed, and with what the database is read: known to work in the background alone.
    'backups' => env('PEBBLERUN_BACKUPS', storage_path('backups')),
    'backup_key' => env('PEBBLERUN_BACKUP_KEY'),
    'signing_key' => env('PEBBLERUN_SIGNING_KEY'),
    'backup_password' => env('DB_BACKUP_PASSWORD'),
    'pg_dump' => env('PEBBLERUN_PG_DUMP', '/usr/lib/postgresql/15/bin/pg_dump'),

    'rules' => RuleSources::hash(),

    // Hosts that it answers under, and proxies whose word on address, host and scheme is taken; comma-separated.
    'hosts' => array_values(array_unique(array_filter([parse_url((string) env('APP_URL', ''), PHP_URL_HOST), '127.0.0.1', 'localhost', ...explode(',', (string) env('PEBBLERUN_HOSTS', ''))]))),
    'proxies' => array_values(array_filter(explode(',', (string) env('PEBBLERUN_PROXIES', '')))),

    // Where the stand-in for a supplier listens.
    'supplier' => 'http://127.0.0.1:'.env('PEBBLERUN_SUPPLIER_PORT', 8845),

    // Where the estimator listens; without it every request estimates for itself.
    'estimator' => env('PEBBLERUN_ESTIMATOR'),
];
