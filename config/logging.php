<?php

declare(strict_types=1);

return [
    'default' => 'single',
    'channels' => [
        'single' => ['driver' => 'single', 'path' => storage_path('logs/bowline.log'), 'level' => 'warning'],
        'mail' => ['driver' => 'single', 'path' => env('MAIL_LOG', storage_path('logs/mail.log')), 'level' => 'debug'],
    ],
];
