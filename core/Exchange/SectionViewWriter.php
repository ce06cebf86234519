<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Body\Cut\CutLoop;
use Bowline\Body\Cut\CutPiece;
use Bowline\Body\Cut\CutWall;
use Bowline\Body\Cut\PlaneCut;
use Bowline\Body\Cut\SectionPlane;
use Bowline\Geometry\Vector;
use Bowline\Job\JobError;
use Bowline\Solving\SolvedRun;

/** Writes what a plane cuts of the bodies of runs, to be drawn (schema/api.json, `sectionView`). */
final class SectionViewWriter
{
    /**
     * @param  list<SolvedRun>  $runs  a body that folds over is left out
     * @param  Vector|null  $pointed  a point of the plane at which the wall is asked for
     * @return array<string, mixed>
     */
    public static function write(SectionPlane $plane, array $runs, ?Vector $pointed): array
    {
        $cuts = [];
        $wall = null;
        foreach ($runs as $run) {
            try {
                $parts = [...Parts::of($run, ''), ...Parts::ofJoints($run->laid)];
            } catch (JobError) {
                continue;
            }
            foreach ($parts as $part) {
                $loops = PlaneCut::of($part->solid, $plane->at, $plane->normal);
                if ($loops === []) {
                    continue;
                }
                $extremes = CutWall::extremes($loops);
                $cuts[] = [
                    'run' => $run->laid->run->id,
                    'name' => $part->name,
                    'area' => array_sum(array_map(static fn (CutLoop $loop): float => $loop->area, $loops)),
                    'least' => self::wall($extremes[0] ?? null),
                    'most' => self::wall($extremes[1] ?? null),
                    'loops' => array_map(self::points(...), $loops),
                ];
                $here = $pointed === null ? null : CutWall::nearest($pointed, $loops);
                $isNearer = $here !== null && ($wall === null
                    || $here->from->distanceTo($pointed) < $wall->from->distanceTo($pointed));
                $wall = $isNearer ? $here : $wall;
            }
        }

        return [
            'at' => $plane->at->withoutNegativeZeros(), 'normal' => $plane->normal->withoutNegativeZeros(),
            'cuts' => $cuts, 'wall' => self::wall($wall),
        ];
    }

    /** @return array<string, mixed>|null */
    private static function wall(?CutWall $wall): ?array
    {
        return $wall === null ? null : [
            'thickness' => $wall->thickness(), 'from' => $wall->from->withoutNegativeZeros(),
            'to' => $wall->to->withoutNegativeZeros(),
        ];
    }

    /** @return list<list<float>> points round a loop */
    private static function points(CutLoop $loop): array
    {
        return array_map(
            static fn (Vector $point): array => $point->withoutNegativeZeros(),
            array_merge(...array_map(
                static fn (CutPiece $piece): array => array_slice($piece->points, 0, max(1, count($piece->points) - 1)),
                $loop->pieces,
            )),
        );
    }
}
