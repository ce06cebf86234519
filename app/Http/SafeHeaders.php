<?php

declare(strict_types=1);

namespace App\Http;

/** Security headers of answers. Plain PHP, because bin/router.php sends them with static files. */
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

    /** The worker that holds the CAD kernel (resources/js/kernel/worker.ts), as Vite names it. */
    private const KERNEL = '#^/build/assets/worker-[A-Za-z0-9_-]+\.js$#';

    /**
     * Returns the headers of a static file. The kernel is WebAssembly whose glue makes functions of text; only its
     * worker may, which has neither page nor cookies. A worker goes by the headers of its own script.
     *
     * @return array<string, string>
     */
    public static function ofFile(string $path): array
    {
        return preg_match(self::KERNEL, $path) !== 1 ? self::ALL : [
            ...self::ALL,
            'Content-Security-Policy' => "default-src 'none'; script-src 'self' 'unsafe-eval'; connect-src 'self'",
        ];
    }
}
