<?php

use App\Assembly\RuleSources;

// Worked out where settings are cached, and not with every request.
return [
    'rules' => RuleSources::hash(),

    // Hosts that it answers under, and proxies whose word on address, host and scheme is taken; comma-separated.
    'hosts' => array_values(array_unique(array_filter([parse_url((string) env('APP_URL', ''), PHP_URL_HOST), '127.0.0.1', 'localhost', ...explode(',', (string) env('PEBBLERUN_HOSTS', ''))]))),
    'proxies' => array_values(array_filter(explode(',', (string) env('PEBBLERUN_PROXIES', '')))),

    // Where the estimator listens; without it every request estimates for itself.
    'estimator' => env('PEBBLERUN_ESTIMATOR'),
];
