<?php

declare(strict_types=1);

use App\Http\Middleware\JsonBodiesOnly;
use App\Http\Middleware\PlainQuery;
use App\Http\Middleware\SameOriginOnly;
use App\Http\Problems;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__.'/../routes/web.php',
        api: __DIR__.'/../routes/api.php',
    )
    ->withMiddleware(function (Middleware $middleware): void {
        // Front end and API share an origin, and fruitcake/php-cors is not to be had here.
        $middleware->remove(HandleCors::class);
        $middleware->prepend(SameOriginOnly::class);
        // No logins and no sessions: a page needs no cookies, and the server no secret key.
        $middleware->group('web', []);
        $middleware->api(append: [JsonBodiesOnly::class, PlainQuery::class]);
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        Problems::register($exceptions);
    })
    ->create();
