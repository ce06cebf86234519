<?php

declare(strict_types=1);

use Bowline\Space\Progress;

it('tells what part of the whole is done, whatever the share', function (): void {
    $told = [];
    $whole = new Progress(static function (float $part) use (&$told): void {
        $told[] = round($part, 9);
    });
    $whole->tell(0.25);
    // The second of two halves, and of that the first of four quarters.
    $whole->share(1, 2)->tell(0.5);
    $whole->share(1, 2)->share(0, 4)->tell(1.0);
    $whole->share(2, 3)->tell(1.0);
    expect($told)->toBe([0.25, 0.75, 0.625, 1.0]);
});

it('rises through all shares in a row', function (int $count): void {
    $told = [];
    $whole = new Progress(static function (float $part) use (&$told): void {
        $told[] = $part;
    });
    for ($i = 0; $i < $count; $i++) {
        foreach ([0.0, 0.4, 1.0] as $part) {
            $whole->share($i, $count)->tell($part);
        }
    }
    $sorted = $told;
    sort($sorted);
    expect($told)->toBe($sorted)->and([$told[0], end($told)])->toEqualWithDelta([0.0, 1.0], 1e-12);
})->with([1, 2, 7]);

it('tells nobody where nobody watches', function (): void {
    (new Progress)->share(1, 3)->tell(0.5);
})->throwsNoExceptions();

it('lets whoever watches break the work off', function (): void {
    $watched = new Progress(static fn () => throw new RuntimeException('stopped'));
    expect(static fn () => $watched->share(0, 2)->tell(0.1))->toThrow(RuntimeException::class, 'stopped');
});
