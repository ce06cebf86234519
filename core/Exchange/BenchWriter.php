<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Bending\Bender;
use Bowline\Geometry\PositiveZero;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\Words;
use Bowline\Shop\BendFilm;
use Bowline\Shop\BendProgram;
use Bowline\Shop\BendStep;
use Bowline\Shop\FilmFrame;
use Bowline\Shop\MachineSpace;

/** Writes the program of a bender, what prevents it, and the film of it (schema/api.json, `bench`). */
final class BenchWriter
{
    /** @return array<string, mixed> */
    public static function write(BendProgram $program, MachineSpace $space, ?Bender $bender): array
    {
        return [
            'cut' => $program->cut,
            'steps' => array_map(static fn (BendStep $step): array => [
                'straight' => $step->straight, 'feed' => $step->feed, 'turn' => rad2deg($step->turn),
                'set' => rad2deg($step->set), 'angle' => rad2deg($step->angle), 'radius' => $step->radius,
                'die' => self::die($step->radius),
            ], $program->steps),
            'hits' => self::hits($program, $space, $bender),
            'space' => [
                'half_width' => $space->bedHalfWidth, 'top' => $space->bedTop, 'front' => $space->bedFront,
                'floor' => $space->floor,
            ],
            'film' => array_map(static fn (FilmFrame $frame): array => [
                'step' => $frame->step, 'phase' => $frame->phase,
                'amount' => $frame->phase === 'feed' ? $frame->amount : rad2deg($frame->amount),
                'points' => array_map(static fn (Vector $at): array => array_map(
                    static fn (float $one): float => PositiveZero::of(round($one, 1)), $at->toArray(),
                ), $frame->points),
            ], BendFilm::of($program)),
        ];
    }

    /** @return list<list<float>> points round a die, as the tube lies on it */
    private static function die(float $radius): array
    {
        return array_map(static fn (int $i): array => [
            PositiveZero::of(round($radius * cos($i * M_PI / 18), 1)),
            PositiveZero::of(round($radius + $radius * sin($i * M_PI / 18), 1)), 0.0,
        ], range(0, 35));
    }

    /**
     * Returns what prevents a program: straights at the ends that the bender cannot grip, and what the tube would hit.
     *
     * @param  Bender|null  $bender  null where only what is hit is asked
     * @return list<array{step: int, words: string}>
     */
    public static function hits(BendProgram $program, MachineSpace $space, ?Bender $bender = null): array
    {
        $hits = $program->hits($space);
        $grips = [];
        $last = count($program->steps) - 1;
        foreach ($bender === null || $last < 0 ? [] : [
            [0, $program->steps[0]->straight, $bender->firstGrip, 'Ahead of the first bend'],
            [$last, $program->tail, $bender->lastGrip, 'Behind the last bend'],
        ] as [$step, $straight, $needed, $where]) {
            if ($straight < $needed - Tolerance::RULE_SLACK) {
                $grips[] = ['step' => $step, 'words' => sprintf(
                    '%s there are %s mm straight; the bender grips %s mm.', $where, Words::number($straight, 1),
                    Words::number($needed, 1),
                )];
            }
        }

        return [...$grips, ...array_map(static fn (string $what, int $step): array => [
            'step' => $step,
            'words' => sprintf('At bend %d it would hit %s.', $step + 1, match ($what) {
                'tube' => 'the straight of itself behind the die',
                'bed' => 'the bed of the bender',
                default => 'the floor',
            }),
        ], $hits, array_keys($hits))];
    }
}
