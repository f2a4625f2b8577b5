<?php

return [
    'driver' => env('SESSION_DRIVER', 'people'),
    // Minutes without a request, and since the sign-in: whatever ends first. What waits to be saved is kept in the browser and sent after the next sign-in.
    'lifetime' => (int) env('SESSION_LIFETIME', 240),
    'absolute' => (int) env('SESSION_ABSOLUTE', 840),
    'expire_on_close' => false,
    'encrypt' => false,
    'files' => storage_path('framework/sessions'),
    'connection' => null,
    'table' => 'sessions',
    'store' => null,
    'lottery' => [2, 100],
    'cookie' => 'pebblerun_session',
    'path' => '/',
    'domain' => null,
    // Where the address is one of HTTPS; the loopback demo has none.
    'secure' => (bool) env('SESSION_SECURE_COOKIE', str_starts_with((string) env('APP_URL', ''), 'https://')),
    'http_only' => true,
    'same_site' => 'lax',
    'partitioned' => false,
];
