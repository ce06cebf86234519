<?php

declare(strict_types=1);

use App\Support\ProcessorTime;

it('counts what is computed, and not what is waited', function (): void {
    $begun = ProcessorTime::now();
    usleep(200_000);
    $waited = ProcessorTime::now() - $begun;

    $begun = ProcessorTime::now();
    $end = hrtime(true) + 200_000_000;
    $rounds = 0;
    while (hrtime(true) < $end || ProcessorTime::now() - $begun < 50.0) {
        $rounds++;
    }
    $computed = ProcessorTime::now() - $begun;

    expect($waited)->toBeGreaterThanOrEqual(0.0)->toBeLessThan(20.0)
        ->and($computed)->toBeGreaterThanOrEqual(50.0);
});
