<?php

declare(strict_types=1);

return [
    // Into storage/logs/mail.log, unless MAIL_MAILER says otherwise ("smtp").
    'default' => env('MAIL_MAILER', 'log'),
    'mailers' => [
        'log' => ['transport' => 'log', 'channel' => 'mail'],
        'array' => ['transport' => 'array'],
        'smtp' => [
            'transport' => 'smtp', 'host' => env('MAIL_HOST', '127.0.0.1'), 'port' => env('MAIL_PORT', 25),
            'username' => env('MAIL_USERNAME'), 'password' => env('MAIL_PASSWORD'), 'timeout' => 10,
        ],
    ],
    'from' => ['address' => env('MAIL_FROM_ADDRESS', 'bowline@localhost'), 'name' => 'Bowline'],
];
