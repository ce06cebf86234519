<?php

declare(strict_types=1);

use Bowline\Exchange\CsvTables;
use Bowline\Exchange\PastedRows;
use Bowline\Job\Node;
use Bowline\Job\Values;
use Tests\Jobs;

function pasted(string $text): PastedRows
{
    return PastedRows::read($text, Values::read(new Node((object) ['riser' => 120])));
}

it('reads vertices and legs as a spreadsheet gives them', function (): void {
    expect(pasted("x\ty\tz\tR\r\n0\t0\t1 1/2 in\r\n100\t=riser\t20,5\t40\r\n")->stops)->toEqual([
        (object) ['at' => [0, 0, 38.1]],
        (object) ['at' => [100, 'riser', 20.5], 'corner' => (object) ['radius' => 40]],
    ]);
    expect(pasted("+x;100\n−Y;2 in;36\nz;7.5")->stops)->toEqual([
        (object) ['along' => '+x', 'length' => 100],
        (object) ['along' => '-y', 'length' => 50.8, 'corner' => (object) ['radius' => 36]],
        (object) ['along' => '+z', 'length' => 7.5],
    ]);
});

it('refuses a row by itself and says why', function (): void {
    $rows = pasted("1\t2\t3\n1\t2\n\n+x\t-5\n1\tabc\t3\n1\t2\t3\t0\n4\t5\t6");
    expect($rows->stops)->toHaveCount(2)->and(array_column($rows->refused, 'line'))->toBe([2, 4, 5, 6])
        ->and($rows->refused[2]['why'])->toContain('abc');
});

it('reads the vertex table that Bowline itself writes', function (): void {
    $solved = Jobs::solve(Jobs::wandering(3, 6));
    $rows = pasted(CsvTables::vertices($solved));
    expect($rows->refused)->toBe([])->and(count($rows->stops))->toBe(count($solved->laid->vertices));
    foreach ($rows->stops as $i => $stop) {
        expect($stop->at)->toEqualWithDelta($solved->laid->vertices[$i]->at->toArray(), 1e-6);
    }
});
