<?php

declare(strict_types=1);

use Monolog\Formatter\JsonFormatter;

return [
    'default' => env('LOG_CHANNEL', 'single'),
    'channels' => [
        'single' => ['driver' => 'single', 'path' => storage_path('logs/bowline.log'), 'level' => 'warning'],
        // Of a server: a line of JSON each, a file a day, thirty of them.
        'lines' => [
            'driver' => 'daily', 'path' => storage_path('logs/bowline.jsonl'), 'level' => 'warning', 'days' => 30,
            'formatter' => JsonFormatter::class,
        ],
        'mail' => ['driver' => 'single', 'path' => env('MAIL_LOG', storage_path('logs/mail.log')), 'level' => 'debug'],
    ],
];
