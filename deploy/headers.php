<?php

declare(strict_types=1);

// Prints the headers of a static file as nginx has them: the same as bin/router.php sends (SafeHeaders).

require __DIR__.'/../app/Http/SafeHeaders.php';

use App\Http\SafeHeaders;

foreach (SafeHeaders::ofFile($argv[1] ?? '/') as $name => $value) {
    printf("add_header %s \"%s\" always;\n", $name, $value);
}
echo 'add_header Strict-Transport-Security "max-age=63072000" always;', "\n";
