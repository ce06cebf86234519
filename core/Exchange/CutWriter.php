<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Body\Cut\CutLoop;
use Bowline\Body\Cut\CutPiece;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Solving\SolvedRun;

/** Writes the cut of a plane through the body of a run (job-file.md, `cut`). */
final class CutWriter
{
    /**
     * @param  string  $pointer  of the run in the job
     * @param  Vector  $normal  unit
     * @return array<string, mixed>|null null where the plane does not meet it
     *
     * @throws JobError when its body may not be written
     */
    public static function write(SolvedRun $solved, string $pointer, Vector $at, Vector $normal): ?array
    {
        return self::ofParts($solved->laid->run->id, Parts::of($solved, $pointer), $at, $normal);
    }

    /**
     * @param  Vector  $normal  unit
     * @return list<array<string, mixed>> of bodies of several runs, and blocks with channels, that the plane meets
     *
     * @throws JobError where one of them cannot be made
     */
    public static function bodies(Job $job, Vector $at, Vector $normal): array
    {
        $cuts = [];
        foreach (array_keys(JobBodies::all($job)) as $id) {
            $parts = iterator_to_array(JobBodies::parts($job, JoinedBodies::CHORD, $id), false);
            $cuts[] = self::ofParts($id, $parts, $at, $normal);
        }

        return array_values(array_filter($cuts, is_array(...)));
    }

    /**
     * @param  list<Part>  $parts
     * @return array<string, mixed>|null null where the plane does not meet them
     */
    private static function ofParts(string $id, array $parts, Vector $at, Vector $normal): ?array
    {
        $loops = $walls = [];
        foreach ($parts as $part) {
            $cut = $part->cut($at, $normal);
            array_push($loops, ...$cut);
            $walls[] = self::leastWall($cut);
        }
        $walls = array_filter($walls, is_float(...));

        return $loops === [] ? null : [
            'id' => $id,
            'area' => array_sum(array_map(static fn (CutLoop $loop): float => $loop->area, $loops)),
            'least_wall' => $walls === [] ? null : min($walls),
            'loops' => array_map(static fn (CutLoop $loop): array => [
                'hole' => $loop->area < 0.0,
                'area' => abs($loop->area),
                'pieces' => array_map(self::piece(...), $loop->pieces),
            ], $loops),
        ];
    }

    /**
     * @param  list<CutLoop>  $loops
     * @return float|null mm of material between two outlines; null where there is no hole
     */
    private static function leastWall(array $loops): ?float
    {
        $walls = [];
        foreach ($loops as $i => $one) {
            foreach (array_slice($loops, $i + 1) as $other) {
                if ($one->area < 0.0 || $other->area < 0.0) {
                    $walls[] = $one->distanceTo($other);
                }
            }
        }

        return $walls === [] ? null : min($walls);
    }

    /** @return array<string, mixed> */
    private static function piece(CutPiece $piece): array
    {
        $ends = $piece->isWhole() ? [] : [
            'from' => $piece->from()->withoutNegativeZeros(), 'to' => $piece->to()->withoutNegativeZeros(),
        ];

        return match (true) {
            $piece->kind === 'line' => ['kind' => 'line', ...$ends],
            $piece->centre === null => ['kind' => 'points', 'points' => array_map(
                static fn (Vector $one): array => $one->withoutNegativeZeros(), $piece->points,
            )],
            $piece->isCircle() => [
                'kind' => $piece->isWhole() ? 'circle' : 'arc', 'centre' => $piece->centre->withoutNegativeZeros(),
                'radius' => $piece->major?->length(), ...$ends,
            ],
            default => [
                'kind' => $piece->isWhole() ? 'ellipse' : 'elliptical-arc',
                'centre' => $piece->centre->withoutNegativeZeros(),
                'major' => $piece->major?->withoutNegativeZeros(),
                'minor' => $piece->minor?->withoutNegativeZeros(),
                ...$ends,
            ],
        };
    }
}
