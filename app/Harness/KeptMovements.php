<?php

declare(strict_types=1);

namespace App\Harness;

use App\Editing\KeptRuns;
use Bowline\Harness\Movements;
use Bowline\Routing\LaidRun;
use Bowline\Routing\MovedPosition;

/** Movements of trunks as they were solved with their runs; not known before a run is solved. */
final readonly class KeptMovements implements Movements
{
    public function __construct(private KeptRuns $job)
    {
    }

    public function tightest(LaidRun $trunk): ?array
    {
        if (! $trunk->run->isMoving()) {
            return null;
        }
        $solution = ($this->job->keptRuns([$trunk->run->id])[$trunk->run->id] ?? null)?->solution;
        $solved = $solution !== null ? json_decode($solution, true, 64, JSON_THROW_ON_ERROR) : null;
        $movement = data_get($solved, 'movement');
        $position = data_get($movement, ['positions', data_get($movement, 'tightest')]);
        $radius = data_get($position, 'min_radius');
        if (! is_float($radius) && ! is_int($radius)) {
            return null;
        }
        $angle = data_get($position, 'angle');
        $part = data_get($position, 'part');

        return [(float) $radius, MovedPosition::inWords(
            is_numeric($angle) ? (float) $angle : null, is_numeric($part) ? (float) $part : 0.0,
        )];
    }
}
