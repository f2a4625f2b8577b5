<?php

use App\Logging\BoundedFile;

return [
    'default' => env('LOG_CHANNEL', 'file'),
    'deprecations' => ['channel' => 'null', 'trace' => false],
    'channels' => [
        // Readable by its user alone, and bounded by size.
        'file' => [
            'driver' => 'custom',
            'via' => [BoundedFile::class, 'logger'],
            'path' => storage_path('logs/pebblerun.log'),
            'bytes' => (int) env('LOG_BYTES', 8_000_000),
            'older' => (int) env('LOG_OLDER', 4),
            'level' => env('LOG_LEVEL', 'info'),
        ],
        'stderr' => [
            'driver' => 'monolog',
            'level' => env('LOG_LEVEL', 'info'),
            'handler' => Monolog\Handler\StreamHandler::class,
            'handler_with' => ['stream' => 'php://stderr'],
        ],
        'null' => ['driver' => 'monolog', 'handler' => Monolog\Handler\NullHandler::class],
    ],
];
