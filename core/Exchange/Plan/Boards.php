<?php

declare(strict_types=1);

namespace Bowline\Exchange\Plan;

use Bowline\Drawing\BoardDrawing;
use Bowline\Drawing\Plan\Plan;
use Bowline\Harness\BoardLayout;
use Bowline\Job\Units;
use Bowline\Solving\SolvedHarness;

/** The boards of harnesses as drawings. */
final class Boards
{
    /** Least straight that a board has room for, mm. */
    public const LEAST = 100.0;

    /**
     * @param  float|null  $longest  straight that the board has room for, mm; null as the harness tells, or any
     * @param  list<string>  $marked  connectors that are ringed
     */
    public static function plan(
        SolvedHarness $solved,
        Units $units,
        ?float $longest = null,
        array $marked = [],
    ): Plan {
        $harness = $solved->laid->harness;
        $board = BoardLayout::of(
            $solved->laid, $solved->bundles, $longest ?? $harness->longest ?? INF, $harness->angles,
        );

        return BoardDrawing::of($solved, $board, $units, $marked);
    }
}
