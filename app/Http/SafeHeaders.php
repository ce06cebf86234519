<?php

declare(strict_types=1);

namespace App\Http;

/** Security headers of every answer. Plain PHP, because bin/router.php sends them with static files. */
final class SafeHeaders
{
    public const ALL = [
        // Only own files are loaded and no inline scripts run; workers and images may be created in the page.
        'Content-Security-Policy' => "default-src 'self'; script-src 'self'; style-src 'self' 'unsafe-inline'; ".
            "img-src 'self' data: blob:; ".
            "font-src 'self' data:; connect-src 'self' blob:; worker-src 'self' blob:; object-src 'none'; ".
            "base-uri 'none'; form-action 'self'; frame-ancestors 'none'",
        'X-Frame-Options' => 'DENY',
        'X-Content-Type-Options' => 'nosniff',
        'Referrer-Policy' => 'no-referrer',
        'Cross-Origin-Resource-Policy' => 'same-origin',
        'Cross-Origin-Opener-Policy' => 'same-origin',
    ];
}
