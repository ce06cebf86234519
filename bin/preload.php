<?php

declare(strict_types=1);

/*
 * Classes linked once when the server starts instead of at every request: Bowline's own, which are half of what a
 * preview costs beyond an empty call (bench/preview.mjs), and what an ordinary request takes of the framework.
 */

use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;

require __DIR__.'/../vendor/autoload.php';

// Loading TCPDF or its QR code defines constants. Preloading keeps classes and forgets constants, and a class that is
// preloaded is not loaded again, so classes that extend these are left out.
$classes = require __DIR__.'/../vendor/composer/autoload_classmap.php';
foreach ($classes as $class => $file) {
    if (preg_match('~^(Bowline|App)\\\\~', $class) === 1
        && preg_match('~ extends (TCPDF|Encoder)\b~', (string) file_get_contents($file)) === 0) {
        class_exists($class);
    }
}

// Answering one request loads what others need of the framework.
$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Kernel::class)->handle(Request::create('/api/jobs'));
