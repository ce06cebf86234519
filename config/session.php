<?php

declare(strict_types=1);

return [
    // Only where people sign in (config/people.php).
    'driver' => env('SESSION_DRIVER', 'file'),
    'files' => storage_path('framework/sessions'),
    'lifetime' => 720,
    'expire_on_close' => false,
    'encrypt' => false,
    'lottery' => [2, 100],
    'cookie' => 'bowline_session',
    'path' => '/',
    'domain' => null,
    'http_only' => true,
    'same_site' => 'strict',
];
