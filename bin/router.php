<?php

declare(strict_types=1);

// Router for PHP's own server: a file of public/ as it is, everything else to the application.

require __DIR__.'/../app/Http/TrustedHosts.php';
require __DIR__.'/../app/Http/SafeHeaders.php';

use App\Http\SafeHeaders;
use App\Http\TrustedHosts;

const TYPES = [
    'js' => 'text/javascript',
    'mjs' => 'text/javascript',
    'css' => 'text/css',
    'svg' => 'image/svg+xml',
    'png' => 'image/png',
    'json' => 'application/json',
    'woff2' => 'font/woff2',
    'woff' => 'font/woff',
    'wasm' => 'application/wasm',
    'txt' => 'text/plain',
    'map' => 'application/json',
    'ico' => 'image/x-icon',
];

header_remove('X-Powered-By');
if (! TrustedHosts::trusts(is_string($_SERVER['HTTP_HOST'] ?? null) ? $_SERVER['HTTP_HOST'] : null)) {
    http_response_code(421);
    header('Content-Type: application/json');
    echo json_encode(['message' => 'Bowline does not answer to this name. Use 127.0.0.1 or localhost.']);

    return true;
}

$path = parse_url(is_string($_SERVER['REQUEST_URI'] ?? null) ? $_SERVER['REQUEST_URI'] : '/', PHP_URL_PATH);
$path = urldecode(is_string($path) ? $path : '/');
$public = (string) realpath(__DIR__.'/../public');
$file = str_contains($path, "\0") ? false : realpath($public.$path);
if (
    $file !== false &&
    is_file($file) &&
    str_starts_with($file, $public.'/') &&
    isset(TYPES[pathinfo($file, PATHINFO_EXTENSION)])
) {
    foreach (SafeHeaders::ofFile($path) as $name => $value) {
        header($name.': '.$value);
    }
    $tag = sprintf('"%x-%x"', (int) filemtime($file), (int) filesize($file));
    header('Content-Type: '.TYPES[pathinfo($file, PATHINFO_EXTENSION)]);
    header('ETag: '.$tag);
    // Vite names what it builds by its content.
    header(
        'Cache-Control: '.
            (str_contains($path, '/build/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache'),
    );
    if (($_SERVER['HTTP_IF_NONE_MATCH'] ?? null) === $tag) {
        http_response_code(304);

        return true;
    }
    header('Content-Length: '.filesize($file));
    if (($_SERVER['REQUEST_METHOD'] ?? 'GET') !== 'HEAD') {
        readfile($file);
    }

    return true;
}
if (str_contains($path, "\0")) {
    http_response_code(404);

    return true;
}

$_SERVER['SCRIPT_NAME'] = '/index.php';
require __DIR__.'/../public/index.php';
