<?php

declare(strict_types=1);

return [
    'default' => 'sqlite',
    'connections' => [
        'sqlite' => [
            'driver' => 'sqlite',
            'database' => env('DB_DATABASE', storage_path('bowline.sqlite')),
            'prefix' => '',
            'foreign_key_constraints' => true,
            // Several server workers write: wait for one another, and let readers read meanwhile.
            'busy_timeout' => 5000,
            'journal_mode' => 'WAL',
            'synchronous' => 'NORMAL',
            // Transactions lock when they begin; before PHP 8.4 App\Support\ImmediateConnection sees to that.
            'transaction_mode' => 'IMMEDIATE',
        ],
    ],
    // Queue, cache and locks, where it is told (config/machines.php).
    'redis' => [
        'client' => 'predis',
        'options' => ['prefix' => 'bowline-server:'],
        'default' => ['url' => env('BOWLINE_REDIS'), 'timeout' => 1.0, 'read_write_timeout' => 5.0],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
];
