<?php

declare(strict_types=1);

// PHP 8.5's own functions, which Laravel expects from symfony/polyfill-php85 (not to be had where Bowline
// is built). This file can go, with its line in composer.json, once PHP 8.5 is the least version.

if (! function_exists('array_first')) {
    /**
     * @template T
     *
     * @param  array<array-key, T>  $array
     * @return T|null
     */
    function array_first(array $array): mixed
    {
        return $array === [] ? null : $array[array_key_first($array)];
    }
}

if (! function_exists('array_last')) {
    /**
     * @template T
     *
     * @param  array<array-key, T>  $array
     * @return T|null
     */
    function array_last(array $array): mixed
    {
        return $array === [] ? null : $array[array_key_last($array)];
    }
}

if (! function_exists('get_error_handler')) {
    function get_error_handler(): ?callable
    {
        $handler = set_error_handler(null);
        restore_error_handler();

        return $handler;
    }
}

if (! function_exists('get_exception_handler')) {
    function get_exception_handler(): ?callable
    {
        $handler = set_exception_handler(null);
        restore_exception_handler();

        return $handler;
    }
}
