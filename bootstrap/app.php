<?php

declare(strict_types=1);

use App\Http\Middleware\JsonBodiesOnly;
use App\Http\Middleware\KnownPerson;
use App\Http\Middleware\PlainQuery;
use App\Http\Middleware\SameOriginOnly;
use App\Http\Middleware\SessionOfPeople;
use App\Http\Middleware\WherePeopleSignIn;
use App\Http\Problems;
use App\Http\TrustedProxies;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__.'/../routes/web.php',
        api: [__DIR__.'/../routes/api.php', __DIR__.'/../routes/people.php'],
    )
    ->withMiddleware(function (Middleware $middleware): void {
        // Front end and API share an origin, and fruitcake/php-cors is not to be had here.
        $middleware->remove(HandleCors::class);
        $middleware->prepend(SameOriginOnly::class);
        $middleware->trustProxies(at: TrustedProxies::told(), headers: Request::HEADER_X_FORWARDED_FOR);
        // The page needs no cookies; the API has a session where people sign in (SessionOfPeople).
        $middleware->group('web', []);
        // Who it is, and what they may do, comes before all else: nobody else learns what is there.
        $middleware->api(
            append: [JsonBodiesOnly::class, PlainQuery::class], prepend: [SessionOfPeople::class, KnownPerson::class],
        );
        $middleware->alias(['people' => WherePeopleSignIn::class]);
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        Problems::register($exceptions);
    })
    ->create();
