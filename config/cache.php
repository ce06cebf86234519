<?php

declare(strict_types=1);

return [
    'default' => env('CACHE_STORE', env('BOWLINE_REDIS') === null ? 'file' : 'failover'),
    // The store of this machine, which is there when Redis is not.
    'local' => env('CACHE_STORE', 'file'),
    'stores' => [
        'array' => ['driver' => 'array', 'serialize' => false],
        'file' => ['driver' => 'file', 'path' => env('CACHE_PATH', storage_path('framework/cache/data'))],
        'redis' => ['driver' => 'redis', 'connection' => 'default', 'lock_connection' => 'default'],
        // Redis, and files where that is away.
        'failover' => ['driver' => 'failover', 'stores' => ['redis', 'file']],
    ],
    'prefix' => 'bowline',
];
