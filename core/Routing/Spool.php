<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\End\End;
use Bowline\Job\End\OpenEnd;
use Bowline\Job\RunEnd;

/** A part of a run from joint to joint, which is made by itself: a laid run with a mark of its own. */
final readonly class Spool
{
    /**
     * @param  string  $mark  "feed-1"
     * @param  float  $from  developed length of the run at which it begins, mm
     * @param  int  $firstBend  number of its first bend in the run
     * @param  LaidJoint|null  $jointBefore  at which it begins; null at the start of the run
     * @param  LaidJoint|null  $jointBehind  at which it ends; null at the end of the run
     */
    private function __construct(
        public string $mark,
        public float $from,
        public float $to,
        public LaidRun $laid,
        public int $firstBend,
        public ?LaidJoint $jointBefore,
        public ?LaidJoint $jointBehind,
    ) {
    }

    /**
     * Returns the spools of a run in order; the run itself where it has no joints. A joint that finds no straight, or
     * would leave nothing between itself and the one before it, breaks nothing.
     *
     * @return non-empty-list<self>
     */
    public static function all(LaidRun $laid): array
    {
        $run = $laid->run;
        /** @var list<LaidJoint> $joints */
        $joints = [];
        $end = 0.0;
        foreach (LaidJoint::all($laid) as $joint) {
            [$before, $behind] = $joint->span();
            if ($joint->at !== null && $before - $end > Tolerance::COINCIDENT
                && $laid->length() - $behind > Tolerance::COINCIDENT) {
                $joints[] = $joint;
                $end = $behind;
            }
        }
        if ($joints === []) {
            return [new self($run->id.'-1', 0.0, $laid->length(), $laid, 0, null, null)];
        }
        $spools = [];
        $bends = 0;
        $stock = $run->stock;
        foreach ([null, ...$joints] as $i => $before) {
            $behind = $joints[$i] ?? null;
            $from = $before?->span()[1] ?? 0.0;
            $to = $behind?->span()[0] ?? $laid->length();
            $mark = sprintf('%s-%d', $run->id, $i + 1);
            $stock = $before->joint->stock ?? $stock;
            $part = $run->spool(
                $mark, sprintf('%s, spool %d', $run->name, $i + 1),
                $before === null ? $run->from : self::endAt($laid, $from, $before->joint->far, true),
                $behind === null ? $run->to : self::endAt($laid, $to, $behind->joint->near, false),
                $stock,
            );
            $cut = self::cut($laid, $part, $from, $to);
            $spools[] = new self($mark, $from, $to, $cut, $bends, $before, $behind);
            $bends += count($cut->bends);
        }

        return $spools;
    }

    /** @return non-empty-list<LaidRun> the run, or its spools where its stock changes on the way */
    public static function ofOneStock(LaidRun $laid): array
    {
        return count($laid->run->stocks()) === 1 ? [$laid] : array_map(
            static fn (self $spool): LaidRun => $spool->laid, self::all($laid),
        );
    }

    private static function endAt(LaidRun $laid, float $along, End $finish, bool $isStart): RunEnd
    {
        $travel = $laid->path->directionAt($along);

        return new RunEnd(
            $laid->path->pointAt($along), $isStart ? $travel : $travel->times(-1.0), null, null, 0.0, $finish, false,
        );
    }

    /** Returns a part of a run between two lengths on straights or at ends of bends, with plain ends, mm. */
    public static function part(LaidRun $laid, float $from, float $to): LaidRun
    {
        $run = $laid->run->spool(
            $laid->run->id, $laid->run->name, self::endAt($laid, $from, new OpenEnd, true),
            self::endAt($laid, $to, new OpenEnd, false), $laid->stockAlong(($from + $to) / 2),
        );

        return self::cut($laid, $run, $from, $to);
    }

    private static function cut(LaidRun $laid, Run $run, float $from, float $to): LaidRun
    {
        $path = $laid->path->between($from, $to);
        $part = new RunPart($laid, $from);
        if ($laid->legs === []) {
            return new LaidRun($run, [], $path, [], [], [], part: $part);
        }
        $radius = $run->stock->bend->radius;
        $point = static fn (float $along, VertexPlace $place): Vertex => new Vertex(
            $laid->path->pointAt($along), $radius, false, null, $place,
        );
        $vertices = [$point($from, VertexPlace::From)];
        $bends = $legs = [];
        $start = 0.0;
        $within = array_filter(
            $laid->bends,
            static fn (Bend $bend): bool => $bend->start > $from - Tolerance::COINCIDENT
                && $bend->end() < $to + Tolerance::COINCIDENT,
        );
        foreach ($within as $bend) {
            $number = count($bends);
            $vertices[] = $laid->vertices[$bend->vertex];
            $bends[] = new Bend(
                $number + 1, $bend->corner, $bend->in, $bend->out, $bend->normal, $bend->angle, $bend->askedRadius,
                $bend->radius, $bend->askedTangent, $bend->tangent, $bend->start - $from - $start,
                $number === 0 ? 0.0 : $bend->rotation, $bend->start - $from, $bend->elbow,
            );
            $legs[] = [$start, $bend->start - $from, $bend->in];
            $start = $bend->end() - $from;
        }
        $vertices[] = $point($to, VertexPlace::To);
        $legs[] = [$start, $to - $from, $path->directionAt($to - $from)];

        return new LaidRun(
            $run, $vertices, $path, $bends,
            array_map(
                static fn (int $i, array $leg): Leg => self::leg($i, $leg, $vertices, $bends),
                array_keys($legs), $legs,
            ),
            [], part: $part,
        );
    }

    /**
     * @param  array{float, float, Vector}  $straight  where it begins and ends, and its direction
     * @param  list<Vertex>  $vertices
     * @param  list<Bend>  $bends
     */
    private static function leg(int $i, array $straight, array $vertices, array $bends): Leg
    {
        [$from, $to] = [$vertices[$i]->at, $vertices[$i + 1]->at];

        return new Leg(
            $i, $i + 1, $i === 0 ? null : $i - 1, isset($bends[$i]) ? $i : null, $straight[2],
            $from->plus($to)->times(0.5), $from->distanceTo($to), $straight[0], max(0.0, $straight[1] - $straight[0]),
        );
    }
}
