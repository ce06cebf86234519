<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** Answers that a browser saves as files. */
final class Attachment
{
    /** @param  string  $name  of the file, with its ending */
    public static function of(string $content, string $type, string $name): Response
    {
        return new Response($content, 200, [
            'Content-Type' => $type,
            'Content-Disposition' => sprintf('attachment; filename="%s"', addcslashes($name, '"\\')),
        ]);
    }

    /** Returns a name of a file from a name in any script: "bowline.pdf" where nothing is left of that. */
    public static function name(string $name, string $ending): string
    {
        $slug = Str::slug($name);

        return sprintf('%s.%s', $slug === '' ? 'bowline' : $slug, $ending);
    }
}
