<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Bending\BendRow;
use Bowline\Body\Gasket;
use Bowline\Body\Mesh;
use Bowline\Body\ReducerBody;
use Bowline\Body\RunBody;
use Bowline\Body\Sleeve;
use Bowline\Body\Tessellation;
use Bowline\Job\End\End;
use Bowline\Job\JobError;
use Bowline\Job\Stock;
use Bowline\Routing\LaidJoint;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Spool;
use Bowline\Routing\Vertex;
use Bowline\Solving\SolvedRun;
use Bowline\Solving\SolvedSpool;

/** Writes the spools and joints of a run (schema/solution.json, `spool` and `solvedJoint`). */
final class SpoolWriter
{
    /** Chords of what stands on a tube that would lie on its diameter. */
    private const CHORDS = 60;

    /**
     * @param  callable(BendRow, float): array<string, mixed>  $bend  writes a row of a bend table with its least radius
     * @param  list<float>  $least  least radii of the bends of the run, mm
     * @return list<array<string, mixed>> none of a run that is made in one piece
     */
    public static function spools(SolvedRun $solved, callable $bend, array $least): array
    {
        $spools = $solved->laid->run->joints === [] ? [] : $solved->spools();

        return count($spools) < 2 ? [] : array_map(static fn (SolvedSpool $one): array => [
            'mark' => $one->spool->mark,
            'span' => [$one->spool->from, $one->spool->to],
            'stock' => $one->spool->laid->run->stock->id,
            'first_bend' => $one->spool->firstBend,
            'length' => $one->solved->bendTable->length,
            'cut_length' => $one->solved->bendTable->cutLength,
            'bends' => array_map(
                $bend, $one->solved->bendTable->rows,
                array_slice($least, $one->spool->firstBend, count($one->solved->bendTable->rows)),
            ),
            'tail' => $one->solved->bendTable->tail,
            'vertices' => array_map(
                static fn (Vertex $vertex): array => $vertex->at->toArray(), $one->solved->laid->vertices,
            ),
            'cut_list' => CutListWriter::write($one->solved->laid, $bend),
        ], $spools);
    }

    /** @return list<array<string, mixed>> in the order along the run */
    public static function joints(LaidRun $laid): array
    {
        return array_map(static fn (LaidJoint $joint): array => [
            'joint' => $joint->index,
            'kind' => $joint->joint->kind->value,
            'at' => $joint->at,
            'gap' => $joint->joint->gap,
            'flange' => $joint->joint->near->type() === 'flange'
                ? self::end($laid->stockAlong($joint->at ?? $joint->told), $joint->joint->near)
                : null,
            'gasket' => self::gasket(Gasket::of($laid, $joint)),
            'sleeve' => $joint->joint->kind->hasSleeve()
                ? array_combine(
                    ['length', 'od'],
                    $joint->joint->sleeve($laid->stockAlong($joint->at ?? $joint->told)->section),
                )
                : null,
        ], LaidJoint::all($laid));
    }

    /** @return array{inner: float, outer: float, thickness: float}|null diameters and thickness, mm */
    private static function gasket(?Gasket $gasket): ?array
    {
        return $gasket === null ? null : [
            'inner' => $gasket->inner, 'outer' => $gasket->outer, 'thickness' => $gasket->thickness,
        ];
    }

    /** @return array<string, mixed> what an end comes to: its kind, and the name and measures of its flange */
    public static function end(Stock $stock, End $end): array
    {
        $flange = $end->flange($stock->section);

        return ['type' => $end->type(), 'name' => $flange?->name, 'flange' => $flange?->toFile()];
    }

    /**
     * Writes where a run is plain tube, and of which stock: from joint to joint, without reducers.
     *
     * @return list<array{from: float, to: float, stock: string}> developed lengths, mm
     */
    public static function tube(LaidRun $laid): array
    {
        $spans = [];
        foreach (Spool::all($laid) as $spool) {
            $run = $spool->laid->run;
            $legs = $spool->laid->legs;
            $reduced = static fn (End $end, float $room): float => $end->reducer() === null
                ? 0.0
                : ReducerBody::on($end->reducer(), $run->stock->section, $room)?->back() ?? 0.0;
            $from = $spool->from + $reduced($run->from->end, $legs[0]->straight ?? 0.0);
            $to = $spool->to - $reduced($run->to->end, $legs[count($legs) - 1]->straight ?? 0.0);
            if ($to > $from) {
                $spans[] = ['from' => $from, 'to' => $to, 'stock' => $run->stock->id];
            }
        }

        return $spans;
    }

    /**
     * Writes what stands on the tube of a round run: flanges, gaskets, couplings and unions.
     *
     * @return list<array{positions: string, triangles: string}>
     */
    public static function finishes(LaidRun $laid): array
    {
        if (! $laid->run->stock->section->isRound) {
            return [];
        }
        try {
            $finishes = array_merge(...array_map(
                static fn (Spool $spool): array => RunBody::of($spool->laid)->finishes(), Spool::all($laid),
            ));
        } catch (JobError) {
            return [];
        }
        // The larger they are, the farther off they are looked at.
        $chord = max(BodyMeshWriter::CHORD, $laid->run->stock->section->outsideDiameter / self::CHORDS);
        /** @var array<string, Mesh> $meshes of those that differ only in where they stand */
        $meshes = [];
        $written = [];
        foreach ($finishes as $finish) {
            $local = $meshes[$finish->key] ??= $finish->localMesh($chord);
            $written[] = BodyMeshWriter::packed([
                new Mesh(array_map($finish->at->pointOf(...), $local->vertices), $local->triangles),
            ]);
        }
        foreach (LaidJoint::all($laid) as $joint) {
            foreach ([Sleeve::of($laid, $joint), Gasket::of($laid, $joint)?->solid($laid, $joint)] as $solid) {
                if ($solid !== null) {
                    $written[] = BodyMeshWriter::packed([Tessellation::of($solid, $chord)]);
                }
            }
        }

        return $written;
    }
}
