<?php

declare(strict_types=1);

/*
 * Bowline's own classes and its schema checker, linked once when the server starts instead of at every
 * request: half of what a preview costs beyond an empty call (bench/preview.mjs).
 */

require __DIR__.'/../vendor/autoload.php';

$classes = require __DIR__.'/../vendor/composer/autoload_classmap.php';
foreach (array_keys($classes) as $class) {
    if (preg_match('~^(Bowline|Opis|App)\\\\~', $class) === 1) {
        class_exists($class);
    }
}
