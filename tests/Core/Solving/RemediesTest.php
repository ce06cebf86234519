<?php

declare(strict_types=1);

use Bowline\Rules\Finding;
use Tests\Jobs;
use Tests\Limits;

it('offers only what takes a finding away, solved again with all rules', function (
    string $rule,
    Closure $job,
    float $last,
    float $step,
): void {
    $file = $job($last + $step);
    $of = static fn (stdClass $one): array => array_filter(
        Jobs::solve($one)->findings,
        static fn (Finding $finding): bool => $finding->rule === $rule,
    );
    $found = $of($file);
    expect($found)->not->toBe([]);
    foreach ($found as $finding) {
        foreach ($finding->remedies as $remedy) {
            expect(count($of(Limits::cured($file, $remedy))))->toBeLessThan(count($found), $remedy->label);
        }
    }
})->with(Limits::all());
