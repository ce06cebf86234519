<?php

declare(strict_types=1);

namespace App\Http;

/**
 * Headers of every answer: what a page may load and who may frame it. Plain PHP: bin/router.php sends them with files.
 */
final class SafeHeaders
{
    public const ALL = [
        // Nothing is loaded from anywhere else and no script stands in a page; workers and pictures may be made in the
        // page.
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
