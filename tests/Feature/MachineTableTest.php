<?php

declare(strict_types=1);

use Tests\Jobs;

const SHOP_COLUMNS = [
    ['column' => 'straight', 'name' => 'L'], ['column' => 'rotation', 'name' => 'R'],
    ['column' => 'angle', 'name' => 'A'], ['column' => 'radius', 'name' => 'CLR'],
];

/** A job with legs of 200 up, 300 along x and 250 along y. */
function bracketJob(): string
{
    return opened(json_encode(Jobs::file(
        [['at' => [0, 0, 250]], ['at' => [300, 0, 250]]], ['at' => [300, 250, 250]],
    ), JSON_THROW_ON_ERROR));
}

it('saves the table of a bender with its own headings, and brings one in', function (): void {
    $job = bracketJob();
    $answer = test()->get(
        $job.'/runs/run/machine/lra.csv?columns='.rawurlencode(json_encode(SHOP_COLUMNS, JSON_THROW_ON_ERROR)),
    )->assertOk()->assertHeader('content-disposition', 'attachment; filename="run.lra.csv"');
    expect($answer->content())->toBe("L,R,A,CLR\r\n170,0,90,30\r\n240,90,90,30\r\n220,,,\r\n");
    $lines = test()->postJson($job.'/lines', [
        'text' => $answer->content(), 'table' => ['kind' => 'lra', 'columns' => SHOP_COLUMNS],
    ])->assertOk();
    // Along x from the origin, its first bend towards y: 200, 300 and 250 from corner to corner.
    expect($lines->json('routes.0.route.stops.0.at'))->toEqualWithDelta([200, 0, 0], 1e-6)
        ->and($lines->json('routes.0.route.stops.1.at'))->toEqualWithDelta([200, 300, 0], 1e-6)
        ->and($lines->json('remarks'))->toBe([]);
});

it('says what is wrong with the columns, and with the file', function (): void {
    $job = bracketJob();
    test()->get($job.'/runs/run/machine/lra.csv?columns=nonsense')->assertUnprocessable()
        ->assertJsonPath('pointer', '/columns');
    test()->get($job.'/runs/run/machine/abc.csv?columns=[]')->assertUnprocessable()->assertJsonPath('pointer', '/kind');
    test()->postJson($job.'/lines', [
        'text' => "L;R;A\n100;0;90\n", 'table' => ['kind' => 'lra', 'columns' => SHOP_COLUMNS],
    ])->assertUnprocessable()->assertJsonPath('pointer', '/text')->assertSee('there is no column');
});
