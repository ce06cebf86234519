<?php

declare(strict_types=1);

namespace Bowline\Drawing\Isometric;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\Joint\JointKind;
use Bowline\Job\PortName;
use Bowline\Job\RunEnd;
use Bowline\Materials\Weld;
use Bowline\Materials\Welds;
use Bowline\Routing\ClampPassage;
use Bowline\Routing\LaidJoint;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Spool;
use Bowline\Solving\SolvedRun;

/** A line for an isometric drawing: legs from corner to corner, and what stands on them. Lengths in mm. */
final readonly class Line
{
    /**
     * @param  non-empty-list<Leg>  $legs
     * @param  EndMark  $from  what is at its beginning; $to likewise at its end
     * @param  float  $fall  by which it falls at least, mm for each mm; 0 where it need not
     */
    private function __construct(
        public array $legs,
        public EndMark $from,
        public EndMark $to,
        public float $fall,
    ) {
    }

    public static function of(SolvedRun $solved, Job $job): self
    {
        $laid = $solved->laid;
        $legs = [];
        foreach ($laid->legs as $leg) {
            $from = $laid->vertices[$leg->fromVertex]->at;
            if ($leg->length < Tolerance::COINCIDENT) {
                continue;
            }
            $before = $leg->bendBefore === null ? 0.0 : $laid->bends[$leg->bendBefore]->tangent;
            $legs[] = new Leg(
                $from, $leg->direction, $leg->length, self::marksOn(
                    $solved, $job, $leg->start - $before, $leg->length,
                    [$leg->start, $leg->bendAfter === null ? INF : $laid->bends[$leg->bendAfter]->end()],
                ),
                $leg->bendAfter === null ? null : $leg->bendAfter + 1,
                ($leg->bendAfter === null ? null : $laid->bends[$leg->bendAfter]->elbow) !== null,
            );
        }

        return new self(
            $legs === [] ? [new Leg($laid->path->pointAt(0.0), new Vector(1, 0, 0), 1.0, [], null, false)] : $legs,
            self::end($laid->run->from, $laid, $job), self::end($laid->run->to, $laid, $job), $laid->run->fall ?? 0.0,
        );
    }

    /**
     * Returns parts of so many legs at most, with marks where one goes on from another.
     *
     * @return non-empty-list<self>
     */
    public function divided(int $most): array
    {
        $count = (int) ceil(count($this->legs) / $most);
        if ($count <= 1) {
            return [$this];
        }
        $parts = [];
        foreach (array_chunk($this->legs, max(1, (int) ceil(count($this->legs) / $count))) as $i => $legs) {
            $parts[] = new self(
                $legs, $i === 0 ? $this->from : EndMark::continued($legs[0]->from, 'from sheet '.$i),
                $i === $count - 1 ? $this->to : EndMark::continued($legs[count($legs) - 1]->to(), 'to sheet '.($i + 2)),
                $this->fall,
            );
        }

        return $parts;
    }

    /**
     * @param  float  $start  developed length at which the leg would begin if its corner were sharp
     * @param  array{float, float}  $span  developed lengths of its straight and the bend behind it
     * @return list<Mark> along the leg
     */
    private static function marksOn(
        SolvedRun $solved,
        Job $job,
        float $start,
        float $length,
        array $span,
    ): array {
        $laid = $solved->laid;
        $marks = [];
        $add = static function (float $along, MarkKind $kind, string $words) use (
            &$marks, $start, $length, $span,
        ): void {
            if ($along >= $span[0] - Tolerance::COINCIDENT && $along < $span[1] - Tolerance::COINCIDENT) {
                $marks[] = new Mark(max(0.0, min($length, $along - $start)), $kind, $words);
            }
        };
        foreach (Welds::of($solved) as $number => $weld) {
            if (self::isOnLeg($weld, $laid)) {
                $add($weld->along, MarkKind::Weld, 'W'.($number + 1));
            }
        }
        foreach (LaidJoint::all($laid) as $joint) {
            $kind = match ($joint->joint->kind) {
                JointKind::Flanges => MarkKind::Flanges,
                JointKind::Coupling, JointKind::Union => MarkKind::Sleeve,
                JointKind::Weld => null,
            };
            if ($kind !== null) {
                $add($joint->at ?? $joint->told, $kind, $kind === MarkKind::Sleeve ? $joint->joint->kind->value : '');
            }
        }
        foreach (ClampPassage::of($laid) as $passage) {
            $add(($passage->span[0] + $passage->span[1]) / 2, MarkKind::Support, $passage->clamp->name);
        }
        $spools = Spool::all($laid);
        foreach (count($spools) === 1 ? [] : $spools as $spool) {
            $add(($spool->from + $spool->to) / 2, MarkKind::Spool, $spool->mark);
        }
        foreach ($job->runs as $other) {
            foreach ([$other->from, $other->to] as $end) {
                if ($end->branch?->host === $laid->run->id) {
                    $add($end->branch->told, MarkKind::Branch, $other->name);
                }
            }
        }

        return $marks;
    }

    /** Welds at elbows stand at the ends of the bends, which are drawn with these. */
    private static function isOnLeg(Weld $weld, LaidRun $laid): bool
    {
        foreach ($laid->bends as $bend) {
            if ($bend->elbow !== null && abs(($bend->start + $bend->end()) / 2 - $weld->along)
                <= $bend->arcLength() / 2 + Tolerance::COINCIDENT) {
                return false;
            }
        }

        return true;
    }

    private static function end(RunEnd $end, LaidRun $laid, Job $job): EndMark
    {
        $section = $laid->run->stock->section;
        $port = $end->port === null ? null : PortName::of($end->port);
        $fitting = $port === null ? null : $job->site->fittings[$port->fitting] ?? null;

        return new EndMark(
            $end->at,
            $end->end->flange($section) !== null,
            $end->end->cap() !== null,
            match (true) {
                $fitting !== null => $fitting->name.', '.($fitting->ports[$port->port]->title ?? $port->port),
                $end->branch !== null => $end->branch->name,
                default => 'open end',
            },
        );
    }
}
