<?php

declare(strict_types=1);

namespace Bowline\Body\Boundary;

use Bowline\Body\Motion\Motion;
use Bowline\Geometry\Chord;
use Bowline\Geometry\Vector;

/** A solid within closed shells of faces: one round it, and one round each void in it. */
final readonly class Solid
{
    /**
     * @param  non-empty-list<list<Face>>  $shells  the outer one first
     */
    public function __construct(
        public string $name,
        public array $shells,
    ) {
    }

    /** @return list<Face> of all shells */
    public function faces(): array
    {
        return array_merge(...$this->shells);
    }

    /**
     * Returns its faces, those that are swept before the flat ones: an edge along a motion is divided as that is, also
     * in a flat face beside it.
     *
     * @return list<Face>
     */
    public function sweptFirst(): array
    {
        $isSwept = static fn (Face $face): bool => $face->patch !== null;

        return [
            ...array_filter($this->faces(), $isSwept),
            ...array_filter($this->faces(), static fn (Face $face): bool => ! $isSwept($face)),
        ];
    }

    /**
     * Returns the motions by which its swept faces are made, by their object ids, each with points within whose hull
     * everything lies that it carries.
     *
     * @return array<int, array{Motion, list<Vector>}>
     */
    public function motions(): array
    {
        $motions = [];
        foreach ($this->faces() as $face) {
            if ($face->patch !== null) {
                $id = spl_object_id($face->patch->motion);
                $motions[$id] ??= [$face->patch->motion, []];
                array_push($motions[$id][1], ...$face->patch->from->edge->curve->hull());
            }
        }

        return $motions;
    }

    /**
     * Returns into how many pieces each edge across a motion is divided: edges on opposite sides of a face alike, by
     * what the one with the most asks for.
     *
     * @return array<int, int> by their object ids
     */
    public function piecesAcross(Chord $chord): array
    {
        /** @var array<int, int> $next towards the edge that stands for all those divided alike */
        $next = [];
        $pieces = [];
        $root = static function (int $id) use (&$next): int {
            while ($next[$id] !== $id) {
                $id = $next[$id];
            }

            return $id;
        };
        foreach ($this->faces() as $face) {
            $opposite = $face->patch === null ? [] : [$face->patch->from->edge, $face->patch->to->edge];
            foreach ($opposite as $edge) {
                $next[spl_object_id($edge)] ??= spl_object_id($edge);
                $pieces[spl_object_id($edge)] ??= $edge->curve->pieces($chord);
            }
            if ($opposite !== []) {
                [$one, $other] = [$root(spl_object_id($opposite[0])), $root(spl_object_id($opposite[1]))];
                $next[$other] = $one;
                $pieces[$one] = max($pieces[$one], $pieces[$other]);
            }
        }
        foreach (array_keys($next) as $id) {
            $pieces[$id] = $pieces[$root($id)];
        }

        return $pieces;
    }

    /**
     * Whether every edge bounds exactly two faces, once in each direction, so that nothing is open or loose.
     */
    public function isClosed(): bool
    {
        $uses = [];
        foreach ($this->faces() as $face) {
            foreach ($face->loops as $loop) {
                foreach ($loop as $i => $edge) {
                    if ($edge->end() !== $loop[($i + 1) % count($loop)]->start()) {
                        return false;
                    }
                    $key = spl_object_id($edge->edge);
                    $uses[$key] ??= [0, 0];
                    $uses[$key][$edge->isForward ? 1 : 0]++;
                }
            }
        }
        foreach ($uses as $use) {
            if ($use !== [1, 1]) {
                return false;
            }
        }

        return $uses !== [];
    }
}
