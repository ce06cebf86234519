<?php

declare(strict_types=1);

use Bowline\Job\FreshId;

it('makes an id of what people call a thing', function (string $name, array $taken, string $id): void {
    expect(FreshId::of($name, array_values($taken)))->toBe($id);
})->with([
    'words' => ['Feed line', [], 'feed-line'],
    'taken' => ['Feed line', ['feed-line'], 'feed-line-2'],
    'taken twice' => ['Feed line', ['feed-line', 'feed-line-2'], 'feed-line-3'],
    'letters with marks' => ['Rücklauf Öl', [], 'rucklauf-ol'],
    'others' => ['Čerpadlo łódź', [], 'cerpadlo-lodz'],
    'signs alone' => ['— —', [], 'item'],
    'letters of another script' => ['Насос 2', [], '2'],
    'a long name' => [str_repeat('x', 80), [], str_repeat('x', 60)],
]);

it('makes an id that a job may have, of any name', function (): void {
    mt_srand(2);
    for ($i = 0; $i < 300; $i++) {
        $name = implode('', array_map(static fn (): string => mb_chr(mt_rand(32, 0x24F)), range(1, mt_rand(1, 12))));
        expect(FreshId::of($name, []))->toMatch('/^[a-z0-9][a-z0-9-]{0,59}$/');
    }
});
