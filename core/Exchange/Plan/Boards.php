<?php

declare(strict_types=1);

namespace Bowline\Exchange\Plan;

use Bowline\Drawing\BoardDrawing;
use Bowline\Drawing\Plan\Plan;
use Bowline\Harness\Board;
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
        return BoardDrawing::of($solved, self::laid($solved, $longest), $units, $marked);
    }

    /**
     * @param  float|null  $longest  straight that the board has room for, mm; null as the harness tells, or any
     * @param  array<string, float>  $angles  over those that it tells (`Harness::$angles`)
     */
    public static function laid(SolvedHarness $solved, ?float $longest = null, array $angles = []): Board
    {
        $harness = $solved->laid->harness;

        return BoardLayout::of(
            $solved->laid, $solved->bundles, $longest ?? $harness->longest ?? INF, [...$harness->angles, ...$angles],
        );
    }
}
