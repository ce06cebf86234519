<?php

declare(strict_types=1);

// Longer than a worker lets a task take (bin/work), so that two never work on one.
$retryAfter = 330;

return [
    'default' => env('QUEUE_CONNECTION', env('BOWLINE_REDIS') === null ? 'database' : 'failover'),
    'connections' => [
        'sync' => ['driver' => 'sync'],
        // `jobs` is the table of what our designers call a job.
        'database' => [
            'driver' => 'database',
            'table' => 'queued',
            'queue' => 'default',
            'retry_after' => $retryAfter,
        ],
        // Tasks are about rows of this server's database: each server has a queue of its own.
        'redis' => [
            'driver' => 'redis',
            'connection' => 'default',
            'queue' => 'tasks-'.substr(md5(gethostname().env('DB_DATABASE', '')), 0, 12),
            'retry_after' => $retryAfter,
            'block_for' => null,
        ],
        // Redis, and the database where that is away.
        'failover' => ['driver' => 'failover', 'connections' => ['redis', 'database']],
    ],
    'failed' => ['driver' => 'null'],
    // Where workers note what they are at (HeldTask); bin/work looks there.
    'held' => storage_path('framework/held'),
];
