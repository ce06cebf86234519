<?php

declare(strict_types=1);

return [
    'default' => env('QUEUE_CONNECTION', 'database'),
    'connections' => [
        'sync' => ['driver' => 'sync'],
        // Longer than a worker lets a task take (bin/work), so that two never work on one. `jobs` is the table of what
        // our designers call a job.
        'database' => [
            'driver' => 'database',
            'table' => 'queued',
            'queue' => 'default',
            'retry_after' => 330,
            'after_commit' => true,
        ],
    ],
    'failed' => ['driver' => 'null'],
];
