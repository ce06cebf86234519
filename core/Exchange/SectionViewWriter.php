<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Body\Cut\CutLoop;
use Bowline\Body\Cut\CutPiece;
use Bowline\Body\Cut\CutWall;
use Bowline\Body\Cut\SectionPlane;
use Bowline\Geometry\Chord;
use Bowline\Geometry\Pose;
use Bowline\Geometry\Vector;
use Bowline\Job\End\End;
use Bowline\Job\ItemRef;
use Bowline\Job\JobError;
use Bowline\Job\Joint\Joint;
use Bowline\Job\Shape\Shape;
use Bowline\Job\Site;
use Bowline\Routing\LaidRun;
use Bowline\Solving\SolvedRun;
use Generator;

/** Writes what a plane cuts of the bodies of runs, to be drawn (schema/api.json, `sectionView`). */
final class SectionViewWriter
{
    /** How finely the plane is looked for on curved faces, and how far off the cut a chord may be: for the eye, mm. */
    private const DIVISION = 0.25;

    private const OFF = 0.02;

    /** How far off its path a body may reach beside its section and its flanges, mm: sleeves and nuts. */
    private const BESIDE = 20.0;

    /**
     * @param  list<SolvedRun>  $runs  a body that folds over is left out
     * @param  Vector|null  $pointed  a point of the plane at which the wall of a run is asked for
     * @param  iterable<string, Part>  $bodies  of several runs, by the first of these
     * @param  Site|null  $site  of the runs; null where nothing around them is cut
     * @param  list<ItemRef>  $around  equipment and surroundings of it that are cut too
     * @return array<string, mixed>
     */
    public static function write(
        SectionPlane $plane,
        array $runs,
        ?Vector $pointed,
        ?Site $site = null,
        array $around = [],
        iterable $bodies = [],
    ): array {
        $cuts = [];
        $wall = null;
        $parts = (static function () use ($plane, $runs, $bodies): Generator {
            foreach ($runs as $run) {
                if (! self::mayMeet($plane, $run->laid)) {
                    continue;
                }
                try {
                    $own = [...Parts::of($run, ''), ...Parts::over($run->laid)];
                } catch (JobError) {
                    continue;
                }
                foreach ($own as $part) {
                    yield $run->laid->run->id => $part;
                }
            }
            yield from $bodies;
        })();
        foreach ($parts as $run => $part) {
            $loops = $part->cut($plane->at, $plane->normal, self::DIVISION, self::OFF);
            if ($loops === []) {
                continue;
            }
            $extremes = CutWall::extremes($loops);
            $cuts[] = [
                'run' => $run,
                'name' => $part->name,
                'area' => array_sum(array_map(static fn (CutLoop $loop): float => $loop->area, $loops)),
                'least' => self::wall($extremes[0] ?? null),
                'most' => self::wall($extremes[1] ?? null),
                'loops' => array_map(self::points(...), $loops),
            ];
            $here = $pointed === null ? null : CutWall::at($pointed, $loops, $plane->normal);
            $isNearer = $here !== null && ($wall === null
                || $here->from->distanceTo($pointed) < $wall->from->distanceTo($pointed));
            $wall = $isNearer ? $here : $wall;
        }

        return [
            'at' => $plane->at->withoutNegativeZeros(), 'normal' => $plane->normal->withoutNegativeZeros(),
            'cuts' => [...$cuts, ...$site === null ? [] : self::around($plane, $site, $around)],
            'wall' => self::wall($wall),
        ];
    }

    /**
     * @param  list<ItemRef>  $items
     * @return list<array<string, mixed>> cuts of equipment and surroundings, closed outlines only
     */
    private static function around(SectionPlane $plane, Site $site, array $items): array
    {
        $asked = ItemRef::unique($items);
        $meets = static fn (ItemRef $item, Shape $shape, Pose $pose): bool => isset($asked[$item->key()])
            && abs($pose->point($shape->middle())->minus($plane->at)->dot($plane->normal))
                < $shape->halfExtent()->length();
        $cuts = [];
        foreach ($items === [] ? [] : Parts::around($site, $meets) as $part) {
            $loops = $part->cut($plane->at, $plane->normal, self::DIVISION, self::OFF);
            if ($loops !== []) {
                $cuts[] = [
                    'run' => null, 'name' => $part->name,
                    'area' => array_sum(array_map(static fn (CutLoop $loop): float => $loop->area, $loops)),
                    'least' => null, 'most' => null, 'loops' => array_map(self::points(...), $loops),
                ];
            }
        }

        return $cuts;
    }

    /** Whether a plane comes so near to the path of a run that it may cut its body. */
    private static function mayMeet(SectionPlane $plane, LaidRun $laid): bool
    {
        $section = $laid->run->stock->section;
        $finishes = [$laid->run->from->end, $laid->run->to->end, ...array_map(
            static fn (Joint $joint): End => $joint->near, $laid->run->joints,
        )];
        $reach = $section->outsideDiameter / 2 + self::BESIDE;
        foreach ($finishes as $finish) {
            $flange = $finish->flange($section);
            $cap = $finish->cap();
            $reach = max(
                $reach, ($flange?->outline()->reach() ?? 0.0) + ($flange->face->height ?? 0.0),
                ($cap->diameter ?? 0.0) + $section->outsideDiameter, $finish->reducer()->od ?? 0.0,
                $finish->collar()->od ?? 0.0,
            );
        }
        $heights = array_map(
            static fn (Vector $point): float => $point->minus($plane->at)->dot($plane->normal),
            $laid->path->points(new Chord(self::BESIDE / 2)),
        );

        return $heights !== [] && min($heights) < $reach && max($heights) > -$reach;
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
