<?php

return [
    'default' => 'pgsql',
    'connections' => [
        'pgsql' => [
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
            // A connection per request would cost most of the throughput; workers keep theirs.
            'options' => [
                PDO::ATTR_PERSISTENT => (bool) env('DB_PERSISTENT', false),
                // One way there and back for a query, instead of one to prepare it and one to run it; values still go apart from it.
                PDO::PGSQL_ATTR_DISABLE_PREPARES => true,
            ],
        ],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => true],
];
