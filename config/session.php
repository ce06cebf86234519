<?php

declare(strict_types=1);

return [
    'driver' => env('SESSION_DRIVER', 'array'),
    'lifetime' => 120,
    'cookie' => 'bowline_session',
    'path' => '/',
    'same_site' => 'strict',
];
