<?php

declare(strict_types=1);

use Bowline\Editing\EditError;
use Bowline\Editing\Renaming;
use Bowline\Job;
use Tests\Jobs;

function withValues(): stdClass
{
    $file = Jobs::file(
        [['at' => ['rise', 'rise2 + rise', 'max(rise, 3)']], ['along' => '+x', 'length' => '2 * rise']],
        ['at' => [900, 0, 'rise']],
    );
    $file->values = Jobs::object(['rise' => 120, 'rise2' => 'rise / 2', 'max_rise' => 'rise']);
    $file->stock[0]->name = 'rise';
    $file->runs[0]->name = 'The rise';
    $file->fittings[] = Jobs::object([
        'id' => 'rise',
        'ports' => [['id' => 'in', 'at' => [0, 0, 'rise'], 'axis' => '+z']],
    ]);

    return $file;
}

it('renames a value wherever it is used, and nothing that only looks like it', function (): void {
    $file = withValues();
    $renamed = Renaming::of($file, 'rise', 'height');
    expect($renamed->values)->toEqual(Jobs::object(['height' => 120, 'rise2' => 'height / 2', 'max_rise' => 'height']))
        ->and($renamed->runs[0]->route->stops[0]->at)->toBe(['height', 'rise2 + height', 'max(height, 3)'])
        ->and($renamed->runs[0]->route->stops[1]->length)->toBe('2 * height')
        ->and($renamed->fittings[1]->ports[0]->at[2])->toBe('height')
        // Names of things are words.
        ->and($renamed->stock[0]->name)
        ->toBe('rise')
        ->and($renamed->runs[0]->name)
        ->toBe('The rise')
        ->and($renamed->fittings[1]->id)
        ->toBe('rise')
        ->and(Jobs::written($renamed)['vertices'])->toEqual(Jobs::written($file)['vertices'])
        // What it was made from stands as it stood.
        ->and($file->values->rise)->toBe(120);
    Job::read($renamed);
});

it('refuses a name that is taken or none', function (string $from, string $to, string $why): void {
    expect(fn () => Renaming::of(withValues(), $from, $to))->toThrow(EditError::class, $why);
})->with([
    ['rise', 'rise2', 'already'],
    ['rise', '2nd', 'letters'],
    ['rise', '', 'letters'],
    ['none', 'x', 'no value'],
]);
