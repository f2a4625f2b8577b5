<?php

// Without a server of its own, mail goes to the stand-in that ships: it keeps what was sent, for a page that shows it.
$catcher = env('MAIL_HOST') === null;

return [
    'catcher' => $catcher,
    'default' => env('MAIL_MAILER', 'smtp'),
    'mailers' => [
        'smtp' => [
            'transport' => 'smtp',
            'scheme' => env('MAIL_SCHEME'),
            'host' => $catcher ? '127.0.0.1' : env('MAIL_HOST'),
            'port' => (int) ($catcher ? env('PEBBLERUN_MAIL_PORT', 8825) : env('MAIL_PORT', 587)),
            'username' => env('MAIL_USERNAME'),
            'password' => env('MAIL_PASSWORD'),
            'timeout' => 10,
            'auto_tls' => ! $catcher,
        ],
        'array' => ['transport' => 'array'],
    ],
    'from' => ['address' => env('MAIL_FROM_ADDRESS', 'pebblerun@saltmarsh.test'), 'name' => env('MAIL_FROM_NAME', 'Pebblerun')],
];
