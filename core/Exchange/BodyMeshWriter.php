<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Body\Mesh;
use Bowline\Body\RunBody;
use Bowline\Geometry\Vector;
use Bowline\Job\JobError;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Spool;

/** Writes bodies in triangles for whoever draws them (schema/solution.json, `bodyMesh`). */
final class BodyMeshWriter
{
    /** Finer than a pixel of most views, mm. */
    public const CHORD = 0.25;

    /**
     * Writes the body of a run whose section is not round.
     *
     * @return array{positions: string, triangles: string}|null null where it is round, folds over or is too large
     */
    public static function write(LaidRun $laid): ?array
    {
        if ($laid->run->stock->section->isRound) {
            return null;
        }
        try {
            $meshes = array_map(
                static fn (Spool $spool): Mesh => RunBody::of($spool->laid)->mesh(self::CHORD), Spool::all($laid),
            );
        } catch (JobError) {
            return null;
        }

        return self::packed($meshes);
    }

    /**
     * @param  list<Mesh>  $meshes
     * @return array{positions: string, triangles: string}
     */
    public static function packed(array $meshes): array
    {
        $positions = $triangles = '';
        $first = 0;
        foreach ($meshes as $mesh) {
            foreach ($mesh->vertices as $at) {
                $positions .= pack('g3', $at->x, $at->y, $at->z);
            }
            foreach ($mesh->triangles as [$a, $b, $c]) {
                $triangles .= pack('V3', $first + $a, $first + $b, $first + $c);
            }
            $first += count($mesh->vertices);
        }

        return ['positions' => base64_encode($positions), 'triangles' => base64_encode($triangles)];
    }

    /**
     * Writes a body with the wall at each vertex; no number where there is none.
     *
     * @param  callable(Vector): (float|null)  $wallAt  mm
     * @return array{positions: string, triangles: string, walls: string, least: float, most: float}
     *
     * @throws JobError where there is no wall at all
     */
    public static function walled(Mesh $mesh, callable $wallAt): array
    {
        $walls = array_map($wallAt, $mesh->vertices);
        $told = array_values(array_filter($walls, is_float(...)));
        if ($told === []) {
            throw JobError::at('', 'it has no wall');
        }

        return [
            ...self::packed([$mesh]),
            'walls' => base64_encode(pack('g*', ...array_map(static fn (?float $wall): float => $wall ?? NAN, $walls))),
            'least' => min($told),
            'most' => max($told),
        ];
    }
}
