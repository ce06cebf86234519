<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Route;
use Tests\Fuzz\BroughtInFiles;
use Tests\Fuzz\Fuzzer;
use Tests\Fuzz\JobFiles;
use Tests\Fuzz\RunEdits;
use Tests\Fuzz\SchemaBodies;
use Tests\Seeds;

/*
 * Random input with fixed seeds; bin/fuzz takes any, and as much as is wanted.
 */

it('refuses what it cannot take in plain words', function (Fuzzer $fuzzer, int $count): void {
    $failures = [];
    for ($seed = 1; $seed <= $count; $seed++) {
        $failure = $fuzzer->failure($seed);
        if ($failure !== null) {
            $failures[] = "seed $seed: $failure";
        }
    }
    expect($failures)->toBe([]);
})->with([
    'job files' => fn () => [new JobFiles, Seeds::most(400)],
    'edits of runs' => fn () => [new RunEdits, Seeds::most(160)],
    'what is brought in' => fn () => [new BroughtInFiles, Seeds::most(2000)],
]);

/** Requests of one seed. */
const REQUESTS = 150;

/** Most that one may take, with what goes on the queue worked at once: s; bytes. */
const MOST_SECONDS = 60.0;
const MOST_MEMORY = 256 * 1024 * 1024;

/** A body of a request that may suit a route, and may not. */
function oddBody(): string
{
    $bodies = [
        '{}',
        '[]',
        'null',
        '3',
        '"text"',
        '',
        '{',
        "\u{feff}{}",
        '{"name":null}',
        '{"name":"'.str_repeat('x', 5000).'"}',
        '{"edits":[]}',
        '{"edits":[{}]}',
        '{"edits":3}',
        '{"edits":[{"list":"runs","id":"feed","item":null}]}',
        '{"edits":[{"list":"runs","id":"nobody","item":{"id":"nobody"}}]}',
        '{"edits":[{"list":"stock","id":"x","item":{"id":"y"}}]}',
        '{"do":"reverse"}',
        '{"do":3}',
        '{"do":"take-back"}',
        '{"do":"add-leg","along":"+x","length":"1/0"}',
        '{"step":-1}',
        '{"step":1e300}',
        '{"step":0}',
        '{"settle":true}',
        '{"settle":3}',
        '{"port":"pump.out"}',
        '{"port":"a.b.c"}',
        '{"port":7}',
        '{"text":"1/2 in"}',
        '{"text":3}',
        '{"text":"\u0000"}',
        '{"text":"0\nSECTION\n"}',
        '{"run":"feed","change":{"do":"move-corner","vertex":1,"by":[0,0,9]}}',
        '{"run":"feed","change":{"do":"nothing"}}',
        '{"run":[],"change":{}}',
        '{"list":"fittings","id":"pump","change":{"do":"move","by":[1,0,0]}}',
        '{"list":"nothing","id":"pump","change":{"do":"turn"}}',
        '{"list":"fittings","id":"pump","change":{"do":"turn","about":[0,0,0],"angle":"x"},"hold":1}',
        '{"pieces":[]}',
        '{"pieces":[{"from":[0,0,0],"to":[0,0,0]}],"stock":"x"}',
        '{"from":"a","to":"b"}',
        '{"runs":["feed","feed"]}',
        '{"format":"bowline-job","version":1}',
        '{"format":"bowline-job","version":99}',
        '{"find":[1]}',
        '{"stock":"dn25","ports":[]}',
        '{"kind":"mirror"}',
    ];

    return $bodies[mt_rand(0, count($bodies) - 1)];
}

it('answers no request with an error of its own', function (int $seed): void {
    mt_srand($seed);
    $job = (int) basename(demo());
    $routes = array_values(
        array_filter(
            Route::getRoutes()->getRoutes(),
            static fn ($route): bool => str_starts_with($route->uri(), 'api/'),
        ),
    );
    $bodies = new SchemaBodies;
    $pick = static fn (mixed ...$of): mixed => $of[mt_rand(0, count($of) - 1)];
    for ($i = 0; $i < REQUESTS; $i++) {
        $route = $routes[mt_rand(0, count($routes) - 1)];
        $method =
            mt_rand(0, 9) === 0 ? $pick('GET', 'POST', 'DELETE', 'PUT', 'PATCH', 'OPTIONS') : $route->methods()[0];
        $address =
            '/'.
            preg_replace_callback(
                '/\{(\w+)\??\}/',
                static fn (array $match): string => rawurlencode(
                    (string) match ($match[1]) {
                        'job' => $pick($job, $job, $job, $job, 999, 'x', '-1', '1e3', "\0"),
                        'run' => $pick('feed', 'feed', 'suction', 'nobody', '..', 'a b', "ä\0"),
                        default => $pick('pump', '1', 'nobody', "\0", str_repeat('a', 300)),
                    },
                ),
                $route->uri(),
            ).
            $pick(
                '',
                '',
                '',
                '?find[]=1',
                '?since=x',
                '?paper=a9',
                '?paper[]=a4',
                '?name[]=x',
                '?revision=-1',
                '?find=%00',
                '?kind[]=tube',
                '?page=x',
            );
        $start = hrtime(true);
        memory_reset_peak_usage();
        $before = memory_get_usage();
        $response = $this->call(
            $method,
            $address,
            [],
            [],
            [],
            ['CONTENT_TYPE' => $pick('application/json', 'application/json', 'application/octet-stream')],
            mt_rand(0, 1) === 0 ? oddBody() : $bodies->of($route) ?? oddBody(),
        );
        $label = "$method $address";
        // Nobody is told where on the machine Bowline is, or what a program of it says of itself.
        $told = $response->headers->get('Content-Type') === 'application/json' ? (string) $response->getContent() : '';
        foreach ([trim((string) json_encode(base_path()), '"'), 'SQLSTATE', 'Stack trace'] as $secret) {
            expect(str_contains($told, $secret))->toBeFalse("$label tells $secret");
        }
        expect((hrtime(true) - $start) / 1e9)->toBeLessThan(MOST_SECONDS, $label)
            ->and(memory_get_peak_usage() - $before)->toBeLessThan(MOST_MEMORY, $label);
        // 503 and 507 are for disks and databases; nothing is wrong with these here.
        expect($response->getStatusCode())->toBeLessThan(
            500,
            sprintf(
                '%s %s: %s',
                $method,
                $address,
                mb_substr((string) ($response->baseResponse->exception ?? ''), 0, 300),
            ),
        );
        if ($method === 'DELETE' || str_contains($address, 'restore')) {
            $this->postJson('/api/jobs/'.$job.'/restore', []);
        }
    }
})->with(static function (): array {
    // bin/fuzz COUNT FIRST routes
    [$first, $count] = array_map(
        static fn (string $name, int $usual): int => (int) (getenv($name) ?: $usual),
        ['FUZZ_FIRST', 'FUZZ_COUNT'],
        [1, Seeds::most(20)],
    );

    return range($first, $first + $count - 1);
});
