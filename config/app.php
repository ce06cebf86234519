<?php

declare(strict_types=1);

return [
    'name' => 'Bowline',
    'env' => env('APP_ENV', 'production'),
    'debug' => (bool) env('APP_DEBUG', false),
    'url' => env('APP_URL', 'http://127.0.0.1'),
    'timezone' => 'UTC',
    'locale' => 'en',
    'fallback_locale' => 'en',
    'cipher' => 'AES-256-CBC',
    // For the cookies of those who sign in; made by bin/prepare.
    'key' => env('APP_KEY') ?? (is_file(storage_path('app/key'))
        ? trim((string) file_get_contents(storage_path('app/key')))
        : null),
];
