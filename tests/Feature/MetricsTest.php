<?php

declare(strict_types=1);

use Illuminate\Support\Facades\DB;

/** @return array<string, float> figures by their names */
function figures(): array
{
    $answer = test()->get('/api/metrics')->assertOk();
    expect($answer->headers->get('Content-Type'))->toStartWith('application/openmetrics-text');
    $text = (string) $answer->content();
    expect($text)->toEndWith("# EOF\n");
    $figures = [];
    foreach (explode("\n", trim($text)) as $line) {
        if (! str_starts_with($line, '#')) {
            expect($line)->toMatch('/^bowline_[a-z_]+ -?\d+$/');
            [$name, $value] = explode(' ', $line);
            $figures[$name] = (float) $value;
            // Each is told what it is before.
            expect($text)->toContain("# TYPE $name gauge\n# HELP $name ");
        }
    }

    return $figures;
}

it('tells the figures of the server to this machine', function (): void {
    demo();
    DB::table('queued')->insert(array_map(static fn (int $ago): array => [
        'queue' => 'default', 'payload' => '{}', 'attempts' => 0, 'available_at' => now()->subSeconds($ago)->timestamp,
        'created_at' => now()->timestamp,
    ], [5, 90]));
    expect(figures())->toMatchArray([
        'bowline_ready' => 1, 'bowline_jobs' => 1, 'bowline_queue_waiting' => 2, 'bowline_queue_working' => 0,
        'bowline_people_present' => 0,
    ])->and(figures()['bowline_queue_oldest_seconds'])->toBeGreaterThanOrEqual(90)->toBeLessThan(100)
        ->and(figures()['bowline_database_bytes'])->toBeGreaterThan(100_000);
});

it('tells nothing to others', function (): void {
    test()->withServerVariables(['REMOTE_ADDR' => '192.0.2.7'])->get('/api/metrics')->assertNotFound();
});

it('is up where it can work, and somebody works on the queue', function (): void {
    test()->get('/up')->assertNoContent();
    $task = static fn (?int $reserved): array => [
        'queue' => 'default', 'payload' => '{}', 'attempts' => 0, 'reserved_at' => $reserved,
        'available_at' => time() - 300, 'created_at' => time() - 300,
    ];
    DB::table('queued')->insert($task(null));
    test()->get('/up')->assertStatus(503)->assertSee('Nothing is taken from the queue');
    // It answers requests all the same.
    test()->get('/api/ready')->assertNoContent();
    // While one is worked on, others may wait long.
    DB::table('queued')->insert($task(time() - 100));
    test()->get('/up')->assertNoContent();
});
