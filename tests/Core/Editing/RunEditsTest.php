<?php

declare(strict_types=1);

use Bowline\Editing\Draggable;
use Bowline\Editing\RunChange;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Editing\RunEdits;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Tests\Jobs;

/** @return array<string, mixed> the definitions of schema/laying.json */
function layingDefinitions(): array
{
    return json_decode(
        (string) file_get_contents(dirname(__DIR__, 3).'/schema/laying.json'),
        true,
        512,
        JSON_THROW_ON_ERROR,
    )['$defs'];
}

it('has a body in the schema for each edit, with its word in it', function (string $edit): void {
    assert(is_a($edit, RunEdit::class, true));
    $definitions = layingDefinitions();
    $name = RunEdits::definition($edit);
    expect($definitions)
        ->toHaveKey($name)
        ->and($definitions[$name]['properties']['do']['const'] ?? null)
        ->toBe($edit::word())
        ->and(substr_count($edit::label(), '%s'))->toBe(1);
})->with(RunEdits::ALL);

it('knows every edit of a run that the schema has, each by one word', function (): void {
    $words = array_map(static fn (string $edit): string => $edit::word(), RunEdits::ALL);
    $ofPlaces = ['move', 'turn'];
    $inSchema = array_values(
        array_filter(
            array_map(
                static fn (array $one): ?string => $one['properties']['do']['const'] ?? null,
                layingDefinitions(),
            ),
            static fn (?string $word): bool => $word !== null,
        ),
    );
    expect(array_unique($words))
        ->toHaveCount(count($words))
        ->and(array_values(array_diff($inSchema, $ofPlaces)))
        ->toEqualCanonicalizing($words);
});

it(
    'has a class in its folder for each edit that it lists, and none besides but those that remedies make',
    function (): void {
        $files = array_map(
            static fn (string $file): string => basename($file, '.php'),
            glob(dirname(__DIR__, 3).'/core/Editing/Edit/*.php') ?: [],
        );
        $listed = array_map(
            static fn (string $edit): string => substr((string) strrchr($edit, '\\'), 1),
            RunEdits::ALL,
        );
        expect(array_values(array_diff($files, $listed, ['ReadsVertex'])))->toEqualCanonicalizing([
            'ChangeEnd',
            'ChangeJoint',
            'Lengthen',
            'LengthenSpan',
            'ChangeRepeat',
            'MoveStops',
            'ReduceEnd',
            'SetAtClamp',
            'SetLead',
            'SetStock',
        ]);
    },
);

it('refuses a word that no edit has, and says where', function (): void {
    expect(fn () => RunEdits::of(new Node((object) ['do' => 'conjure'])))->toThrow(static function (
        JobError $error,
    ): void {
        expect($error->pointer)->toBe('/do')->and($error->getMessage())->toContain('conjure');
    });
});

it('has a number that a hand drags in what can be dragged', function (): void {
    $draggable = array_values(
        array_filter(RunEdits::ALL, static fn (string $edit): bool => is_a($edit, Draggable::class, true)),
    );
    expect(array_map(static fn (string $edit): string => $edit::word(), $draggable))
        ->toEqualCanonicalizing([
            'move-corner', 'move-leg', 'set-corner', 'hold-length', 'add-leg', 'set-route', 'move-joint',
        ]);
});

it('takes a change of any class, of which nothing else knows', function (): void {
    $rename = new class implements RunChange
    {
        public function apply(RunDraft $draft): void
        {
            $draft->run->name = 'Riser';
        }
    };
    $file = Jobs::file([], ['at' => [0, 0, 300]]);
    $before = json_encode($file);
    expect(RunDraft::of(Jobs::laid($file))->apply($rename, $rename)->run()->name)->toBe('Riser')
        // It works on a copy.
        ->and(json_encode($file))->toBe($before);
});
