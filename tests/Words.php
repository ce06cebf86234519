<?php

declare(strict_types=1);

namespace Tests;

use Bowline\Rules\Remedy;
use Bowline\Rules\Rules;
use Bowline\Rules\Severity;
use stdClass;

/** What a rule says of a job: where, by which numbers, and what it suggests, in this order. */
final class Words
{
    /**
     * Expects one finding of a rule.
     *
     * @param  string  $words  its title and its message
     * @param  array<float|int>  $at  its place, mm
     * @param  array<float|int>  $span  developed lengths, mm
     * @param  array<float|int|null>  $numbers  measured and required
     * @param  list<string>  $suggested  labels of the first remedies
     * @param  string|null  $subject  key of what it is about; null to leave that out
     */
    public static function expect(
        string $rule,
        stdClass $file,
        Severity $severity,
        string $words,
        array $at,
        array $span,
        array $numbers,
        array $suggested,
        ?string $subject = null,
    ): void {
        $laid = Jobs::laid($file);
        $found = Rules::all()[$rule]->check($laid);
        expect($found)->toHaveCount(1);
        [$finding] = $found;
        $labels = [];
        /** @var Remedy $remedy */
        foreach (Rules::all()[$rule]->remedies($finding, $laid) as $remedy) {
            $labels[] = $remedy->label;
        }
        expect($finding->title.'. '.$finding->message)
            ->toBe($words)
            ->and($finding->rule)
            ->toBe($rule)
            ->and($finding->severity)
            ->toBe($severity)
            ->and($finding->at->toArray())
            ->toEqualWithDelta($at, 1e-9)
            ->and($finding->span)
            ->toEqualWithDelta($span, 1e-9)
            ->and([$finding->measured, $finding->required])
            ->toEqualWithDelta($numbers, 1e-7)
            ->and(array_slice($labels, 0, count($suggested)))
            ->toBe($suggested);
        // Where nothing is suggested, nothing is expected to be.
        expect($suggested === [] ? $labels : [])->toBe([]);
        if ($subject !== null) {
            expect($finding->subject->key())->toBe($subject);
        }
    }
}
