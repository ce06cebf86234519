<?php

declare(strict_types=1);

use Bowline\Exchange\HarnessTablePdf;
use Bowline\Exchange\ListTable;

/*
 * Lists on paper: 30 rows to a page of A4 across, its heading on each; 4 × 15 labels of 46 × 18 to a sheet.
 */
it('takes as many pages as its rows need', function (int $rows, int $pages): void {
    $table = new ListTable(['wire', 'length_mm'], array_map(
        static fn (int $i): array => ["W$i", 1000.0 + $i], $rows === 0 ? [] : range(1, $rows),
    ));

    expect(preg_match_all('/\/Type \/Page\b(?!s)/', HarnessTablePdf::table('Wires', $table)))->toBe($pages);
})->with([[0, 1], [1, 1], [30, 1], [31, 2], [60, 2], [61, 3]]);

it('takes as many sheets as its labels need', function (int $labels, int $pages): void {
    $table = new ListTable(['wire', 'at', 'text'], array_map(
        static fn (int $i): array => ["W$i", 'X.1', "W$i X.1"], $labels === 0 ? [] : range(1, $labels),
    ));

    expect(preg_match_all('/\/Type \/Page\b(?!s)/', HarnessTablePdf::labels('Labels', $table)))->toBe($pages);
})->with([[0, 1], [60, 1], [61, 2]]);
