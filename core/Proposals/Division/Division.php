<?php

declare(strict_types=1);

namespace Bowline\Proposals\Division;

use Bowline\Editing\EditError;
use Bowline\Routing\LaidRun;
use stdClass;

/** How trunks of a kind of route are divided and put together. */
interface Division
{
    /**
     * Returns where a trunk is broken.
     *
     * @param  float|null  $length  along it as asked for, mm; null in the middle of the longest piece that can be
     *     broken
     * @param  int|null  $vertex  at the far end of the leg in whose middle it is broken where no length is told
     * @return float developed length, mm
     *
     * @throws EditError where it cannot be broken there
     */
    public function place(LaidRun $laid, ?float $length, ?int $vertex): float;

    /**
     * Returns what lies before and behind a place, in the shape of the file, each with an end in the open there and
     * both with the id of the trunk.
     *
     * @return array{stdClass, stdClass}
     *
     * @throws EditError where they would not lie as the trunk did
     */
    public function pieces(LaidRun $laid, float $at): array;

    /**
     * Returns one run, in the shape of the file, from the start of a trunk to the end of the next, with the id of the
     * first.
     *
     * @throws EditError
     */
    public function joined(LaidRun $first, LaidRun $second): stdClass;
}
