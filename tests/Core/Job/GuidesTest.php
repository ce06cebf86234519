<?php

declare(strict_types=1);

use Bowline\Editing\Renaming;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\JobFile;
use Tests\Jobs;
use Tests\RandomScenes;

/* Boxes that runs which lay themselves stay out of, and what they go along, as they stand in the job file. */

/** @param  array<string, mixed>  $guides */
function guided(array $guides): stdClass
{
    return Jobs::decoded([
        ...RandomScenes::boxes(1, 0), 'values' => ['width' => 200, 'gap' => 15],
        'surroundings' => [['id' => 'rack', 'shape' => 'box', 'size' => [1000, 100, 20]]], ...$guides,
    ]);
}

it('reads them with named values', function (): void {
    $guides = Job::read(guided([
        'keep_outs' => [['id' => 'door', 'pose' => ['at' => [10, 20, 30]], 'size' => ['2 * width', 'width', 50]]],
        'follow' => [['of' => 'rack', 'stand_off' => 'gap + 5'], ['of' => 'gone']],
    ]))->guides;

    expect($guides->keepOuts['door']->box->size->toArray())->toBe([400.0, 200.0, 50.0])
        ->and($guides->keepOuts['door']->pose->at->toArray())->toBe([10.0, 20.0, 30.0])
        ->and($guides->keepOuts['door']->name)->toBe('door')
        ->and($guides->follow)->toBe(['rack' => 20.0, 'gone' => 0.0]);
});

it('is written as version 5 where it has any, and not else', function (array $guides, int $version): void {
    expect(json_decode(JobFile::encode(guided($guides)))->version)->toBe($version);
})->with([
    'none' => [[], 1],
    'a box' => [['keep_outs' => [['id' => 'door', 'size' => [1, 1, 1]]]], 5],
    'a rack' => [['follow' => [['of' => 'rack']]], 5],
]);

it('follows a value that is renamed, and no name that looks like it', function (): void {
    $after = Renaming::of(guided([
        'keep_outs' => [['id' => 'width', 'size' => ['width', 10, 10]]],
        'follow' => [['of' => 'width', 'stand_off' => 'width / 2']],
    ]), 'width', 'broad');

    expect($after->keep_outs[0]->size[0])->toBe('broad')->and($after->keep_outs[0]->id)->toBe('width')
        ->and($after->follow[0]->stand_off)->toBe('broad / 2')->and($after->follow[0]->of)->toBe('width');
});

it('says what is wrong with one', function (array $guides, string $pointer, string $words): void {
    expect(fn () => Job::read(guided($guides)))->toThrow(
        fn (JobError $error) => expect($error->pointer)->toBe($pointer)->and($error->getMessage())->toContain($words),
    );
})->with([
    'flat' => [['keep_outs' => [['id' => 'x', 'size' => [10, 0, 10]]]], '/keep_outs/0/size', 'larger than 0'],
    'two of a name' => [
        ['keep_outs' => [['id' => 'x', 'size' => [1, 1, 1]], ['id' => 'x', 'size' => [1, 1, 1]]]], '/keep_outs/1/id',
        'used twice',
    ],
    'an unknown value' => [['follow' => [['of' => 'rack', 'stand_off' => 'far']]], '/follow/0/stand_off', 'far'],
    'below 0' => [['follow' => [['of' => 'rack', 'stand_off' => -1]]], '/follow/0/stand_off', 'the stand-off'],
    'followed twice' => [['follow' => [['of' => 'rack'], ['of' => 'rack']]], '/follow/1/of', 'followed already'],
]);
