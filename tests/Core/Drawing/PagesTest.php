<?php

declare(strict_types=1);

use Bowline\Drawing\Plan\Pages;
use Bowline\Drawing\Plan\Plan;
use Bowline\Job\JobError;

it('draws only the pages that are asked for', function (): void {
    $drawn = [];
    $page = static function (string $name) use (&$drawn): Closure {
        return static function () use ($name, &$drawn): Plan {
            $drawn[] = $name;

            return new Plan($name, 210.0, 297.0, []);
        };
    };
    $pages = new Pages([$page('views'), $page('table'), $page('tape')]);

    expect($pages)->toHaveCount(3)->and($drawn)->toBe([])
        ->and($pages->at(1)->title)->toBe('table')->and($drawn)->toBe(['table'])
        ->and(array_column($pages->all(), 'title'))->toBe(['views', 'table', 'tape'])
        ->and($drawn)->toBe(['table', 'views', 'table', 'tape'])
        ->and(fn () => $pages->at(3))->toThrow(JobError::class, 'there is no page 4; it has 3')
        ->and(fn () => $pages->at(-1))->toThrow(JobError::class, 'there is no page 0');
});

it('counts pages that are drawn already', function (): void {
    $pages = Pages::drawn([new Plan('one', 210.0, 297.0, []), new Plan('two', 210.0, 297.0, [])]);
    expect($pages)->toHaveCount(2)->and($pages->at(1)->title)->toBe('two');
});
