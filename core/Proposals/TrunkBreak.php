<?php

declare(strict_types=1);

namespace Bowline\Proposals;

use Bowline\Editing\Edit\InsertCorner;
use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\FileValue;
use Bowline\Job\FreshId;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Leg;
use Bowline\Routing\Run;
use stdClass;

/** Breaks a trunk in two on one of its straights; all wires, branches, covers and splices stay where they are. */
final readonly class TrunkBreak
{
    /** Nearer to a bend or an end a trunk is not broken, mm. */
    private const CLEAR = 1.0;

    /**
     * @param  float|null  $length  along it, mm
     * @param  int|null  $vertex  at the far end of the leg in whose middle it is broken where no length is told; that
     *     of its longest straight when neither is
     * @return list<array{list: 'runs'|'harnesses', id: string, item: stdClass|null}> edits of the job
     *
     * @throws EditError where it cannot be broken
     */
    public static function of(Job $job, Run $run, ?float $length, ?int $vertex = null): array
    {
        TrunkJoin::refuse($run);
        $laid = $run->route->lay($run);
        [$leg, $at] = self::place($laid, $length, $vertex);
        $point = $laid->path->pointAt($at);
        $vertex = self::vertexAfter($laid, $leg, $point);
        $draft = RunDraft::of($laid)->apply(new InsertCorner($vertex, $point));
        $first = $draft->run();
        $stops = is_array($draft->routeObject()->stops ?? null) ? $draft->routeObject()->stops : [];
        $index = $laid->vertices[$vertex]->stop ?? count($stops) - 1;
        $second = clone $first;
        $second->id = FreshId::of($run->id, array_map(strval(...), array_keys($job->runs)));
        $second->name = $run->name.', 2';
        $second->from = self::end($point);
        $second->route = (object) [
            ...get_object_vars($draft->routeObject()), 'stops' => array_slice($stops, $index + 1),
        ];
        $first->to = self::end($point);
        $first->route = (object) [
            ...get_object_vars($draft->routeObject()), 'stops' => array_slice($stops, 0, $index),
        ];
        $references = new TrunkReferences($job, [$run->id], static fn (string $of, float $along): array => $along <= $at
            ? [$run->id, $along]
            : [$second->id, $along - $at]);

        return $references->edits([$first, $second], $references->harnesses([
            [$run->id, $at], [$second->id, $laid->length() - $at],
        ]));
    }

    /**
     * @return array{Leg, float} the leg, and where along the trunk
     *
     * @throws EditError
     */
    private static function place(LaidRun $laid, ?float $length, ?int $vertex): array
    {
        $legs = $vertex === null ? $laid->legs : array_values(array_filter(
            $laid->legs, static fn (Leg $leg): bool => $leg->fromVertex < $vertex && $vertex <= $leg->toVertex,
        ));
        if ($length === null) {
            usort($legs, static fn (Leg $one, Leg $other): int => $other->straight <=> $one->straight);

            return $legs === []
                ? throw new EditError('It has no straight on which it could be broken.')
                : [$legs[0], $legs[0]->start + $legs[0]->straight / 2];
        }
        foreach ($legs as $leg) {
            if ($length > $leg->start + self::CLEAR && $length < $leg->start + $leg->straight - self::CLEAR) {
                return [$leg, $length];
            }
        }
        throw new EditError(sprintf(
            'At %s there is a bend, or an end; break it on a straight.', $laid->run->units->say($length),
        ));
    }

    /** Returns the vertex of a leg that comes next behind a point of it: a straight may go through several. */
    private static function vertexAfter(LaidRun $laid, Leg $leg, Vector $point): int
    {
        for ($vertex = $leg->fromVertex + 1; $vertex < $leg->toVertex; $vertex++) {
            if ($laid->vertices[$vertex]->at->minus($point)->dot($leg->direction) > 0.0) {
                return $vertex;
            }
        }

        return $leg->toVertex;
    }

    private static function end(Vector $at): stdClass
    {
        return (object) ['at' => FileValue::vector($at)];
    }
}
