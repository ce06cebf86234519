<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Bending\BendRow;
use Bowline\Geometry\Segment;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Tie\Tie;
use Bowline\Routing\Bend;
use Bowline\Routing\ClampPassage;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Vertex;
use Bowline\Routing\VertexPlace;
use Bowline\Rules\BendRadius;
use Bowline\Rules\Finding;
use Bowline\Rules\Remedy;
use Bowline\Solving\SolvedRun;

/** Writes solved runs in the shape of schema/solution.json: millimetres and degrees. */
final class SolutionWriter
{
    public const FORMAT = 'bowline-solution';

    private const PREVIEW_TURN = 2.0 * M_PI / 180;

    /**
     * @param  list<SolvedRun>  $runs
     * @return array<string, mixed>
     */
    public static function write(array $runs): array
    {
        return ['format' => self::FORMAT, 'version' => 1, 'runs' => array_map(self::run(...), $runs)];
    }

    /**
     * Writes the sets of a job: total length, what is left of the budget, and the difference of each from the common
     * length (schema/solution.json, `solvedSet`).
     *
     * @param  array<string, float>  $lengths  of the runs, mm, by id
     * @param  list<string>  $waiting  ids of runs that are not solved yet, whose lengths are estimates
     * @return list<array<string, mixed>>
     *
     * @throws JobError
     */
    public static function sets(Job $job, array $lengths, array $waiting = []): array
    {
        $sets = [];
        foreach ($job->site->sets as $set) {
            $members = [];
            $longest = null;
            foreach ($set->runs as $id) {
                if (! isset($lengths[$id], $job->runs[$id])) {
                    continue;
                }
                $isSame =
                    (new Node($job->runs[$id]->source))->find('fixed_length')?->find('same_as')?->value === $set->id;
                $asked = $isSame ? $job->runs[$id]->fixedLength?->length : null;
                $longest = $asked ?? $longest;
                $off = $asked === null ? null : $lengths[$id] - $asked;
                $tolerance = $job->runs[$id]->fixedLength->tolerance ?? 0.0;
                $members[] = [
                    'run' => $id,
                    'length' => $lengths[$id],
                    'off' => $off,
                    'kept' => $off === null ? null : abs($off) <= $tolerance + Tolerance::RULE_SLACK,
                    ...(in_array($id, $waiting, true) ? ['waiting' => true] : []),
                ];
            }
            $total = array_sum(array_column($members, 'length'));
            $sets[] = [
                'id' => $set->id, 'name' => $set->name, 'total' => (float) $total, 'budget' => $set->budget,
                'left' => $set->budget === null ? null : $set->budget - $total,
                'over' => $set->budget !== null && $total > $set->budget + Tolerance::RULE_SLACK,
                'longest' => $longest,
                'members' => $members,
            ];
        }

        return $sets;
    }

    /**
     * Writes a run with fewer points on its curves, for use during a drag.
     *
     * @return array<string, mixed>
     */
    public static function preview(SolvedRun $solved): array
    {
        return self::run($solved, self::PREVIEW_TURN);
    }

    /**
     * @param  float|null  $turn  radians between the points of curves, at most; null for all of them
     * @return array<string, mixed>
     */
    public static function run(SolvedRun $solved, ?float $turn = null): array
    {
        $laid = $solved->laid;
        $table = $solved->bendTable;
        $least = BendRadius::leastRadii($laid);
        $segments = array_map(
            static fn (Segment $one): Segment => $turn === null ? $one : $one->sparser($turn),
            $laid->path->segments,
        );

        return [
            'id' => $laid->run->id,
            'status' => $solved->status(),
            'bent' => $laid->run->isBent(),
            'length' => $table->length,
            'cut_length' => $table->cutLength,
            'adjusted_by' => $laid->adjustedBy,
            'min_radius' => $laid->path->leastRadius(),
            'vertices' => array_map(
                static fn (Vertex $vertex): array => $vertex->at->withoutNegativeZeros(),
                $laid->vertices,
            ),
            'path' => array_map(SegmentWriter::write(...), $segments),
            'bends' => array_map(
                self::bend(...),
                $table->rows,
                $least,
            ),
            'tail' => $table->tail,
            'cut_list' => CutListWriter::write($laid, self::bend(...)),
            'legs' => self::legs($laid),
            'corners' => self::corners($laid),
            'shape' => $solved->facts?->toArray(),
            'length_range' => $laid->run->route->lengthRange($laid->run),
            'movement' => $solved->isFull ? MovementWriter::write($laid) : null,
            'clamps' => array_map(
                static fn (ClampPassage $passage): array => ['id' => $passage->clamp->id, 'span' => $passage->span],
                ClampPassage::of($laid),
            ),
            'body' => [
                'volume' => $solved->volume(), 'mass' => $solved->mass(), 'mesh' => BodyMeshWriter::write($laid),
                'finishes' => SpoolWriter::finishes($laid), 'tube' => SpoolWriter::tube($laid),
            ],
            'ends' => [
                SpoolWriter::end($laid->stockAtEnd('from'), $laid->run->from->end),
                SpoolWriter::end($laid->stockAtEnd('to'), $laid->run->to->end),
            ],
            'joints' => SpoolWriter::joints($laid),
            'repeats' => RepeatWriter::write($laid),
            'spools' => SpoolWriter::spools($solved, self::bend(...), $least),
            'findings' => array_map(self::finding(...), $solved->findings),
        ];
    }

    /**
     * @param  float  $least  radius that the stock stands, mm
     * @return array<string, float|bool>
     */
    private static function bend(BendRow $row, float $least): array
    {
        return [
            'straight' => $row->straight,
            'rotation' => rad2deg($row->rotation),
            'angle' => rad2deg($row->angle),
            'set_angle' => rad2deg($row->setAngle),
            'radius' => $row->radius,
            'arc' => $row->arc,
            'mark' => $row->mark,
            'mark_from_end' => $row->markFromEnd,
            'least_radius' => $least,
            'tight' => $row->radius < $least - Tolerance::RULE_SLACK,
        ];
    }

    /** Returns the straight of a row of the path table: what the bends at its vertices leave. */
    private static function straight(LaidRun $laid, int $vertex): float
    {
        foreach ($laid->legs as $leg) {
            if ($vertex <= $leg->fromVertex || $vertex > $leg->toVertex) {
                continue;
            }
            $corner = $laid->vertices[$leg->fromVertex]->at;
            $place = static fn (int $index): float => $laid->vertices[$index]->at->minus($corner)->dot($leg->direction);
            $start = $leg->bendBefore === null ? 0.0 : $laid->bends[$leg->bendBefore]->tangent;
            $end = $leg->length - ($leg->bendAfter === null ? 0.0 : $laid->bends[$leg->bendAfter]->tangent);

            return max(0.0, min($end, $place($vertex)) - max($start, $place($vertex - 1)));
        }

        return 0.0;
    }

    /**
     * Returns the rows of the path table: from each vertex to the next, with the straight that the bends leave.
     *
     * @return list<array<string, mixed>>
     */
    private static function legs(LaidRun $laid): array
    {
        /** @var array<int, array{int, Bend}> $bendAt */
        $bendAt = [];
        foreach ($laid->bends as $index => $bend) {
            $bendAt[$bend->vertex] = [$index, $bend];
        }
        $legs = [];
        $counter = count($laid->vertices);
        for ($i = 1; $i < $counter; $i++) {
            $vertex = $laid->vertices[$i];
            $leg = $vertex->at->minus($laid->vertices[$i - 1]->at);
            // There is no direction between vertices that coincide.
            $leg = $leg->length() < Tolerance::COINCIDENT ? Vector::zero() : $leg;
            $isLead = $vertex->place === VertexPlace::FromLead
                || ($vertex->place === VertexPlace::To && $laid->run->to->lead !== null);
            $legs[] = [
                'vertex' => $i,
                'stop' => $vertex->stop,
                'place' => match (true) {
                    $isLead => 'lead',
                    $vertex->place === VertexPlace::Like => 'like',
                    default => $vertex->stop === null ? 'closing' : 'stop',
                },
                'along' => $leg->axisName() ?? $leg->unit()->withoutNegativeZeros(),
                'length' => $leg->length(),
                'is_empty' => $leg->length() === 0.0,
                'straight' => self::straight($laid, $i),
                'bend' => $bendAt[$i][0] ?? null,
                'asked_radius' => isset($bendAt[$i]) ? $bendAt[$i][1]->askedRadius : null,
                'elbow' => isset($bendAt[$i]) ? $bendAt[$i][1]->elbow?->value : null,
            ];
        }

        return $legs;
    }

    /** @return list<array<string, mixed>> what each vertex is tied to, and which ways it may still move */
    private static function corners(LaidRun $laid): array
    {
        $corners = [];
        foreach ($laid->vertices as $index => $vertex) {
            $tied = $laid->tied[$index] ?? null;
            $corners[] = [
                'vertex' => $index,
                'place' => $vertex->place->value,
                'stop' => $vertex->stop,
                'ties' => $tied === null ? [] : array_map(static fn (Tie $tie, int $number): array => [
                    'words' => $tie->words($laid->run->units),
                    'holds' => ! in_array($number, $tied->held->broken, true),
                    'off' => $tied->held->missed[$number],
                ], $tied->ties, array_keys($tied->ties)),
                'free' => array_map(
                    static fn (Vector $way): array => $way->withoutNegativeZeros(),
                    $laid->free($index),
                ),
            ];
        }

        return $corners;
    }

    /** @return array<string, mixed> */
    private static function finding(Finding $finding): array
    {
        return [
            'rule' => $finding->rule,
            'severity' => $finding->severity->value,
            'subject' => $finding->subject->toArray(),
            'title' => $finding->title,
            'message' => $finding->message,
            'at' => $finding->at->withoutNegativeZeros(),
            'span' => $finding->span,
            'waived' => $finding->waived,
            'waiver' => ['rule' => $finding->rule, 'of' => $finding->subject->key(), ...$finding->off() === null
                ? []
                : ['off' => round($finding->off(), 6)]],
            ...array_filter([
                'measured' => $finding->measured,
                'required' => $finding->required,
                'nearest' => $finding->nearest,
            ], static fn (?float $number): bool => $number !== null),
            'remedies' => array_map(static fn (Remedy $remedy): string => $remedy->label, $finding->remedies),
            'cures' => array_map(
                static fn (Remedy $remedy): array => ['list' => $remedy->list, 'item' => $remedy->item],
                $finding->remedies,
            ),
        ];
    }
}
