<?php

declare(strict_types=1);

namespace Bowline\Drawing\Isometric;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\Joint\JointKind;
use Bowline\Job\PortName;
use Bowline\Materials\Equipment;
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
        $marks = self::marks($solved, $job);
        $legs = [];
        foreach ($laid->legs as $leg) {
            if ($leg->length < Tolerance::COINCIDENT) {
                continue;
            }
            $before = $leg->bendBefore === null ? 0.0 : $laid->bends[$leg->bendBefore]->tangent;
            $end = $leg->bendAfter === null ? INF : $laid->bends[$leg->bendAfter]->end();
            $onLeg = array_filter(
                $marks, static fn (Mark $mark): bool => $mark->at >= $leg->start - Tolerance::COINCIDENT
                    && $mark->at < $end - Tolerance::COINCIDENT,
            );
            $legs[] = new Leg(
                $laid->vertices[$leg->fromVertex]->at, $leg->direction, $leg->length,
                array_map(static fn (Mark $mark): Mark => new Mark(
                    max(0.0, min($leg->length, $mark->at - $leg->start + $before)), $mark->kind, $mark->words,
                    $mark->half,
                ), array_values($onLeg)),
                $leg->bendAfter === null ? null : $leg->bendAfter + 1,
            );
        }

        return new self(
            $legs === [] ? [new Leg($laid->path->pointAt(0.0), new Vector(1, 0, 0), 1.0, [], null)] : $legs,
            self::end($laid, 'from', $job), self::end($laid, 'to', $job), $laid->run->fall ?? 0.0,
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

    /** @return list<Mark> what stands on the line, each at its developed length */
    private static function marks(SolvedRun $solved, Job $job): array
    {
        $laid = $solved->laid;
        $marks = array_map(
            static fn (Weld $weld): Mark => new Mark($weld->along, MarkKind::Weld, $weld->mark), Welds::of($solved),
        );
        foreach (LaidJoint::all($laid) as $joint) {
            $kind = match ($joint->joint->kind) {
                JointKind::Flanges => MarkKind::Flanges,
                JointKind::Coupling, JointKind::Union => MarkKind::Sleeve,
                JointKind::Weld => null,
            };
            if ($kind !== null) {
                $words = $kind === MarkKind::Sleeve ? $joint->joint->kind->value : '';
                $marks[] = new Mark($joint->at ?? $joint->told, $kind, $words, $joint->joint->gap / 2);
            }
        }
        foreach (ClampPassage::of($laid) as $passage) {
            $middle = ($passage->span[0] + $passage->span[1]) / 2;
            $marks[] = new Mark($middle, MarkKind::Support, $passage->clamp->name);
        }
        $spools = Spool::all($laid);
        foreach (count($spools) === 1 ? [] : $spools as $spool) {
            $marks[] = new Mark(($spool->from + $spool->to) / 2, MarkKind::Spool, $spool->mark);
        }
        foreach ($job->runs as $other) {
            foreach ([$other->from, $other->to] as $end) {
                if ($end->branch?->host === $laid->run->id) {
                    $marks[] = new Mark($end->branch->told, MarkKind::Branch, $other->name);
                }
            }
        }

        return $marks;
    }

    /** @param  'from'|'to'  $which */
    private static function end(LaidRun $laid, string $which, Job $job): EndMark
    {
        $end = $which === 'from' ? $laid->run->from : $laid->run->to;
        $section = $laid->stockAtEnd($which)->section;
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
            hasReducer: $end->end->reducer() !== null,
            isAtValve: $port !== null && str_contains(Equipment::kindOf($job, $port->fitting) ?? '', 'valve'),
        );
    }
}
