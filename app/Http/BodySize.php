<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Request;

/** The largest body of a request; only archives of jobs, which are read from a file, may be larger. */
final class BodySize
{
    /** Most bytes of a body that is read into memory. */
    private const MAX_BYTES = 64 * 1024 * 1024;

    /** Message for a body larger than the server accepts (post_max_size of bin/serve). */
    public const WORDS = 'This is larger than Bowline reads: 64 MB, and 256 MB of a .bowline file. Save a job '.
        'with large bodies as .bowline.';

    public static function isTooLarge(Request $request): bool
    {
        return (int) $request->headers->get('Content-Length') > self::MAX_BYTES;
    }
}
