<?php

declare(strict_types=1);

// Router for PHP's own server: a file of public/ as it is, everything else to the application.
$path = parse_url(is_string($_SERVER['REQUEST_URI'] ?? null) ? $_SERVER['REQUEST_URI'] : '/', PHP_URL_PATH);
$file = realpath(__DIR__.'/../public'.urldecode(is_string($path) ? $path : '/'));
if ($file !== false && is_file($file) && ! str_ends_with($file, '.php')) {
    return false;
}

$_SERVER['SCRIPT_NAME'] = '/index.php';
require __DIR__.'/../public/index.php';
