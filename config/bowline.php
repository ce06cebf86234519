<?php

declare(strict_types=1);

$core = storage_path('core.md5');

return [
    // Fingerprint of core/, written by bin/prepare: what an older solver worked out does not hold any more.
    'core' => is_file($core) ? trim((string) file_get_contents($core)) : '',
    // How long reading a job may go on solving runs in all, s; what is not solved by then is solved on the queue.
    'solving_seconds' => (float) env('BOWLINE_SOLVING_SECONDS', 1.0),
    // How long a question that changes nothing may take (previews, ways into a port, files), s.
    'request_seconds' => (float) env('BOWLINE_REQUEST_SECONDS', 5.0),
    // Whether computations are interrupted by alarms, where PHP has them (App\Support\WorkTime); tests do without.
    'has_alarm' => (bool) env('BOWLINE_ALARM', true),
    // Where tube benders listen, by their ids ("bench-22=127.0.0.1:7001,shop-60=127.0.0.1:7002"), and the measuring
    // arm; null where there is none (docs/bender.md).
    'benders' => (static function (): array {
        parse_str(str_replace(',', '&', (string) env('BOWLINE_BENDERS', '')), $benders);

        return $benders;
    })(),
    'arm' => env('BOWLINE_ARM'),
    // How long a file or the mass of bodies may take whose surface is found, s.
    'body_seconds' => (float) env('BOWLINE_BODY_SECONDS', 60.0),
];
