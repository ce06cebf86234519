<?php

declare(strict_types=1);

use Bowline\Rules\Finding;
use Bowline\Rules\Remedy;
use Bowline\Rules\Rules;
use Tests\Jobs;
use Tests\Limits;

/*
 * Every rule by itself, at its limit, just within and just beyond. What is offered after all rules have been asked is
 * in tests/Core/Solving/RemediesTest.php.
 */

/** @return list<Finding> */
function findingsOf(string $rule, stdClass $file): array
{
    return Rules::all()[$rule]->check(Jobs::laid($file));
}

// A test of each rule, so that a change of one rule is noticed by its own (bin/mutate).
$byRule = [];
foreach (Limits::all() as $words => $limit) {
    $byRule[$limit[0]][$words] = $limit;
}
foreach ($byRule as $rule => $limits) {
    it("lets $rule say nothing at its limit and within it", function (
        string $rule,
        Closure $job,
        float $last,
        float $step,
    ): void {
        expect(findingsOf($rule, $job($last)))->toBe([])
            ->and(findingsOf($rule, $job($last - $step)))->toBe([]);
    })->with($limits);

    it("lets $rule speak just beyond its limit, of a part that is there and by what it measures", function (
        string $rule,
        Closure $job,
        float $last,
        float $step,
    ): void {
        $file = $job($last + $step);
        $laid = Jobs::laid($file);
        $found = findingsOf($rule, $file);
        expect($found)->not->toBe([]);
        foreach ($found as $finding) {
            match ($finding->subject->kind) {
                'bend' => expect($laid->bends)->toHaveKey($finding->subject->index),
                'leg', 'corner' => expect($laid->vertices)->toHaveKey($finding->subject->vertex),
                'curve' => expect($laid->path->segments)->toHaveKey($finding->subject->index),
                'end' => expect($finding->subject->name)->toBeIn(['from', 'to']),
                'clamp' => expect($finding->subject->name)->toBe('c'),
                'joint' => expect($laid->run->joints)->toHaveKey($finding->subject->index),
                default => expect($finding->subject->kind)->toBe('run'),
            };
            expect($finding->rule)->toBe($rule)
                ->and($finding->span[0])
                ->toBeGreaterThanOrEqual(-1e-9)
                ->and($finding->span[1])
                ->toBeLessThanOrEqual($laid->length() + 1e-9)
                // So near the limit, what there is and what there should be are nearly the same.
                ->and(abs(($finding->measured ?? 0.0) - ($finding->required ?? 0.0)))
                ->toBeLessThanOrEqual(1.01 * max(abs($step), 1.0));
        }
    })->with($limits);

    it("lets $rule suggest something that takes its finding away, where it suggests anything", function (
        string $rule,
        Closure $job,
        float $last,
        float $step,
    ): void {
        $file = $job($last + $step);
        $found = findingsOf($rule, $file);
        foreach ($found as $finding) {
            $tried = 0;
            $cured = false;
            /** @var Remedy $remedy */
            foreach (Rules::all()[$rule]->remedies($finding, Jobs::laid($file)) as $remedy) {
                $tried++;
                $cured = $cured || count(findingsOf($rule, Limits::cured($file, $remedy))) < count($found);
            }
            expect($cured || $tried === 0)->toBeTrue();
        }
        expect($found)->not->toBe([]);
    })->with($limits);
}

it('calls its rules as their ids', function (): void {
    foreach (Rules::all() as $id => $rule) {
        expect($rule::class)->toBe('Bowline\Rules\\'.str_replace('-', '', ucwords($id, '-')));
    }
});

it('tries the limit of every rule that has one as a number', function (): void {
    // Not numbers: what cannot be kept beside another tie, a shape that is not there or is not found, a twist, a jump.
    $others = ['tie', 'unknown-shape', 'lies-in', 'twist', 'snaps'];
    expect([...array_unique(array_column(Limits::all(), 0)), ...$others])
        ->toEqualCanonicalizing(array_keys(Rules::all()));
});
