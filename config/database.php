<?php

$primary = [
    'driver' => 'pgsql',
    'host' => env('DB_HOST', '127.0.0.1'),
    'port' => env('DB_PORT', '8854'),
    'database' => env('DB_DATABASE', 'pebblerun'),
    'username' => env('DB_USERNAME', 'app'),
    'password' => env('DB_PASSWORD', ''),
    'charset' => 'utf8',
    'prefix' => '',
    'prefix_indexes' => true,
    'search_path' => 'public',
    'sslmode' => env('DB_SSLMODE', 'prefer'),
    // Of several hosts the one that takes changes: after a replica was promoted that is another one.
    'target_session_attrs' => 'read-write',
    'connect_timeout' => 3,
    'options' => [
        PDO::ATTR_PERSISTENT => (bool) env('DB_PERSISTENT', false),
        PDO::PGSQL_ATTR_DISABLE_PREPARES => true,
    ],
];
// What lists are read from, where there is one: see App\Database\Replica.
$replica = env('DB_READ_HOST') === null ? [] : ['replica' => [
    ...$primary,
    'host' => env('DB_READ_HOST'),
    'port' => env('DB_READ_PORT', env('DB_PORT', '8854')),
    'target_session_attrs' => 'any',
    'connect_timeout' => 1,
]];

return [
    'default' => 'pgsql',
    'connections' => ['pgsql' => $primary, ...$replica],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => true],
];
