<?php

return [
    // Private files: a folder of this machine, or any store that speaks S3 where several machines serve.
    'default' => env('FILES_ENDPOINT') === null ? 'local' : 'store',
    'disks' => [
        'local' => ['driver' => 'local', 'root' => env('PEBBLERUN_FILES', storage_path('app')), 'throw' => true],
        'store' => [
            'driver' => 's3',
            'endpoint' => env('FILES_ENDPOINT'),
            'bucket' => env('FILES_BUCKET', 'pebblerun'),
            'key' => env('FILES_KEY'),
            'secret' => env('FILES_SECRET'),
            'region' => env('FILES_REGION', 'local'),
            'use_path_style_endpoint' => true,
            'throw' => true,
        ],
    ],
];
