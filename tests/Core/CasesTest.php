<?php

declare(strict_types=1);

use Tests\Cases;

/*
 * Jobs with solutions worked out by an independent calculation, run through the command line as anybody
 * would run them.
 */

dataset('solved cases', fn (): array => Cases::named('corners-*', 'fixed-*', 'rule-*'));
dataset('wrong files', fn (): array => Cases::named('bad-*'));

it('solves', function (string $case): void {
    $expected = Cases::expected($case);
    [$exit, $out, $err] = Cases::bowline('solve', Cases::file($case));

    expect($exit)->toBe($expected['exit'])->and($err)->toBe('');
    $solution = json_decode($out, true, 512, JSON_THROW_ON_ERROR);
    unset($expected['exit']);
    expect(Cases::differences($expected, $solution))->toBe([]);
})->with('solved cases');

it('refuses', function (string $case): void {
    $expected = Cases::expected($case);
    [$exit, $out, $err] = Cases::bowline('solve', Cases::file($case));

    expect($exit)->toBe(2)->and($out)->toBe('')->and(substr_count($err, "\n"))->toBe(1);
    expect((array) $expected['pointer'])->toContain(explode(':', $err)[0]);
})->with('wrong files');
