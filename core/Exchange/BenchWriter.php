<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Geometry\Vector;
use Bowline\Shop\BendFilm;
use Bowline\Shop\BendProgram;
use Bowline\Shop\BendStep;
use Bowline\Shop\FilmFrame;
use Bowline\Shop\MachineSpace;

/** Writes the program of a bender, what the tube would hit, and the film of it (schema/api.json, `bench`). */
final class BenchWriter
{
    /** @return array<string, mixed> */
    public static function write(BendProgram $program, MachineSpace $space): array
    {
        return [
            'cut' => $program->cut,
            'steps' => array_map(static fn (BendStep $step): array => [
                'straight' => $step->straight, 'feed' => $step->feed, 'turn' => rad2deg($step->turn),
                'set' => rad2deg($step->set), 'angle' => rad2deg($step->angle), 'radius' => $step->radius,
                'die' => self::die($step->radius),
            ], $program->steps),
            'hits' => self::hits($program, $space),
            'space' => [
                'half_width' => $space->bedHalfWidth, 'top' => $space->bedTop, 'front' => $space->bedFront,
                'floor' => $space->floor,
            ],
            'film' => array_map(static fn (FilmFrame $frame): array => [
                'step' => $frame->step, 'phase' => $frame->phase,
                'amount' => $frame->phase === 'feed' ? $frame->amount : rad2deg($frame->amount),
                'points' => array_map(static fn (Vector $at): array => array_map(
                    static fn (float $one): float => round($one, 1) + 0.0, $at->toArray(),
                ), $frame->points),
            ], BendFilm::of($program)),
        ];
    }

    /** @return list<list<float>> points round a die, as the tube lies on it */
    private static function die(float $radius): array
    {
        return array_map(static fn (int $i): array => [
            round($radius * cos($i * M_PI / 18), 1) + 0.0, round($radius + $radius * sin($i * M_PI / 18), 1) + 0.0, 0.0,
        ], range(0, 35));
    }

    /** @return list<array{step: int, words: string}> */
    public static function hits(BendProgram $program, MachineSpace $space): array
    {
        $hits = $program->hits($space);

        return array_map(static fn (string $what, int $step): array => [
            'step' => $step,
            'words' => sprintf('At bend %d it would hit %s.', $step + 1, match ($what) {
                'tube' => 'the straight of itself behind the die',
                'bed' => 'the bed of the bender',
                default => 'the floor',
            }),
        ], $hits, array_keys($hits));
    }
}
