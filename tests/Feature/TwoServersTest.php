<?php

declare(strict_types=1);

use Illuminate\Http\Client\Response;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Http;
use Tests\OwnServer;

/*
 * Two servers on one database: processes of their own, that are sent edits at the same time.
 */

/** @return array<string, mixed> a fitting at a place along x */
function fittingAt(int $number, float $x): array
{
    return [
        'id' => "f$number", 'name' => "Fitting $number", 'pose' => ['at' => [$x, 200 * $number, 0]],
        'body' => ['shape' => 'box', 'size' => [50, 50, 50]], 'ports' => [],
    ];
}

it('loses no edit and does none twice', function (): void {
    $database = (string) tempnam(sys_get_temp_dir(), 'two-servers');
    exec('DB_DATABASE='.escapeshellarg($database).' php '.escapeshellarg(base_path('artisan')).' migrate --force -q');
    // What others are told of each edit, which both write.
    $files = ['BOWLINE_LIVE' => $database.'-live', 'BOWLINE_LIVE_KEY' => 'of this test'];
    $servers = [OwnServer::start($database, $files), OwnServer::start($database, $files)];
    try {
        $address = static fn (int $server, string $path): string => $servers[$server % 2]->address."/api/$path";
        $job = Http::post($address(0, 'jobs/open'), [
            'format' => 'bowline-job', 'version' => 1, 'name' => 'Shared',
            'fittings' => array_map(static fn (int $number): array => fittingAt($number, 0), range(0, 3)),
        ])->throw()->json('id');
        // Ten rounds, in each of which every fitting is moved by both servers at once, and one edit is sent to both.
        for ($round = 1; $round <= 10; $round++) {
            $answers = Http::pool(static fn ($pool): array => array_map(
                static fn (int $sent) => $pool->timeout(30)->post($address($sent, "jobs/$job/edits"), ['edits' => [[
                    'list' => 'fittings', 'id' => 'f'.intdiv($sent, 2),
                    'item' => fittingAt(intdiv($sent, 2), $round * 10 + ($sent < 6 ? $sent % 2 : 0)),
                ]], 'token' => $sent < 6 ? "r$round-$sent" : "r$round-both"]), range(0, 7),
            ));
            foreach ($answers as $answer) {
                assert($answer instanceof Response);
                expect($answer->status())->toBe(200, $answer->body());
            }
            // Others are told of it after the answer, at once.
            $newest = (new PDO("sqlite:$database"))->query('SELECT revision, step FROM jobs', PDO::FETCH_ASSOC);
            assert($newest !== false);
            $newest = $newest->fetch();
            $told = null;
            for ($tries = 0; $tries < 200; $tries++) {
                $told = json_decode((string) @file_get_contents("$database-live/$job/now.json"), true);
                if (is_array($told) && $told['revision'] === $newest['revision']) {
                    break;
                }
                usleep(20_000);
            }
            expect($told)->toMatchArray($newest);
        }
        $state = Http::get($address(1, "jobs/$job"))->throw();
        // Six of their own and one that both were sent, in each round.
        expect($state->json('step'))->toBe(70)->and($state->json('revision'))->toBeGreaterThanOrEqual(70);
        foreach ($state->json('job.fittings') as $number => $fitting) {
            expect($fitting['pose']['at'][0])->toBeIn($number < 3 ? [100, 101] : [100]);
        }
        $check = (new PDO("sqlite:$database"))->query('PRAGMA integrity_check');
        expect($check === false ? null : $check->fetchColumn())->toBe('ok');
    } finally {
        $servers[0]->end();
        $servers[1]->end();
        File::deleteDirectory($database.'-live');
        array_map(unlink(...), glob($database.'*') ?: []);
    }
});
