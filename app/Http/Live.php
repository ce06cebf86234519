<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Job;
use Illuminate\Support\Facades\Config;

/** The quick question whether anything is new in a job (public/live.php), where the server has it. */
final class Live
{
    /** Returns a token by which a window may ask it for a minute; null where it is not served. */
    public static function token(Job $job): ?string
    {
        return Config::boolean('people.live')
            ? LiveToken::of($job->id, time(), Config::string('app.key'))
            : null;
    }
}
