<?php

declare(strict_types=1);

use App\Support\ProcessorTime;

it('counts what is computed, and not what is waited', function (): void {
    $begun = ProcessorTime::now();
    usleep(200_000);
    $waited = ProcessorTime::now() - $begun;

    $begun = ProcessorTime::now();
    $hash = '';
    // Half a million rounds take a tenth of a second and more of any processor.
    for ($round = 0; $round < 500_000; $round++) {
        $hash = md5($hash);
    }
    $computed = ProcessorTime::now() - $begun;

    expect($waited)->toBeGreaterThanOrEqual(0.0)->toBeLessThan(20.0)
        ->and($computed)->toBeGreaterThan(20.0);
});
