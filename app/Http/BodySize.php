<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Request;

/** How large the body of a request may be: only archives of jobs, which are read from a file, may be larger. */
final class BodySize
{
    /** Bytes of a body that is read whole. */
    private const MAX_BYTES = 64 * 1024 * 1024;

    /** What a body is told that is larger than the server takes (post_max_size of bin/serve). */
    public const WORDS = 'This is larger than Bowline reads: 64 MB, and 256 MB of a .bowline file. Save a job '.
        'with large bodies as .bowline.';

    public static function isTooLarge(Request $request): bool
    {
        return (int) $request->headers->get('Content-Length') > self::MAX_BYTES;
    }
}
