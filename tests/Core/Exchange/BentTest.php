<?php

declare(strict_types=1);

use Tests\Blocks;
use Tests\Jobs;

it('says of which stock a run is bent on a bender', function (string $kind, array $section, bool $isBent): void {
    $file = Jobs::file([['at' => [0, 0, 200]]], ['at' => [300, 0, 200]], ['section' => $section]);
    $file->stock[0]->kind = $kind;
    if ($kind === 'bundle') {
        $file->version = 5;
        $file->stock[0] = Jobs::object(['id' => 't12', 'kind' => 'bundle', 'bend' => ['radius' => 40]]);
    }
    expect(Jobs::written($file)['bent'])->toBe($isBent);
})->with([
    ['tube', ['shape' => 'round', 'od' => 12, 'wall' => 1.5], true],
    ['pipe', ['shape' => 'round', 'od' => 12, 'wall' => 1.5], true],
    ['rod', ['shape' => 'round', 'od' => 12], true],
    ['hose', ['shape' => 'round', 'od' => 12, 'wall' => 1.5], false],
    ['cable', ['shape' => 'round', 'od' => 12], false],
    ['wire', ['shape' => 'round', 'od' => 2], false],
    ['bundle', ['shape' => 'round', 'od' => 12], false],
]);

it('says that a channel in a block is not bent', function (): void {
    expect(Jobs::written(Blocks::file())['bent'])->toBeFalse();
});
