<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Body\RunBody;
use Bowline\Job\JobError;
use Bowline\Routing\LaidRun;

/** Writes the body of a run for whoever draws it (schema/solution.json, `bodyMesh`), where its section is not round. */
final class BodyMeshWriter
{
    /** Finer than a pixel of most views, mm. */
    private const CHORD = 0.25;

    /** @return array{positions: string, triangles: string}|null null where it is round, folds over or is too large */
    public static function write(LaidRun $laid): ?array
    {
        if ($laid->run->stock->section->isRound) {
            return null;
        }
        try {
            $mesh = RunBody::of($laid)->mesh(self::CHORD);
        } catch (JobError) {
            return null;
        }
        $positions = '';
        foreach ($mesh->vertices as $at) {
            $positions .= pack('g3', $at->x, $at->y, $at->z);
        }
        $triangles = '';
        foreach ($mesh->triangles as $corners) {
            $triangles .= pack('V3', ...$corners);
        }

        return ['positions' => base64_encode($positions), 'triangles' => base64_encode($triangles)];
    }
}
