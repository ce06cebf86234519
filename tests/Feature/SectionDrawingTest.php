<?php

declare(strict_types=1);

it('draws a section of a job at a coordinate', function (): void {
    $job = demo();
    test()->getJson($job.'/drawings/arrangement')->assertOk()->assertJsonPath('pages', 4);
    test()->getJson($job.'/drawings/arrangement?view=front&cut=-430')->assertOk()->assertJsonPath('pages', 1);
    $svg = test()->get($job.'/drawings/arrangement.svg?view=front&cut=-430')->assertOk()->content();
    expect($svg)->toContain('Section at Y −430.0, from the front');
});

it('says what a section cannot be', function (string $query, string $pointer): void {
    test()->getJson(demo().'/drawings/arrangement?'.$query)->assertUnprocessable()->assertJsonPath('pointer', $pointer);
})->with([
    'no number' => ['view=front&cut=middle', '/cut'], 'endless' => ['view=front&cut=1e999', '/cut'],
    'at an angle' => ['view=angle&cut=0', '/cut'], 'no such view' => ['view=below&cut=0', ''],
]);
