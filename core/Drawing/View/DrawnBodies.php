<?php

declare(strict_types=1);

namespace Bowline\Drawing\View;

use Bowline\Body\Gasket;
use Bowline\Body\Mesh;
use Bowline\Body\RunBody;
use Bowline\Body\ShapeBody;
use Bowline\Body\Sleeve;
use Bowline\Body\Tessellation;
use Bowline\Geometry\Chord;
use Bowline\Geometry\Pose;
use Bowline\Job\Shape\Shape;
use Bowline\Job\Site;
use Bowline\Routing\LaidJoint;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Spool;

/** The bodies of runs and of what stands around them, for drawing. */
final readonly class DrawnBodies
{
    /** Triangles of a tube stand off by this share of its radius at most, so that its outline is not behind them. */
    private const FINE = 0.02;

    /** @param  float  $chord  how far triangles stand off the true surfaces at most, mm */
    public function __construct(
        private Projection $projection,
        private float $chord,
    ) {
    }

    /** @return list<DrawnBody> a run with its flanges, and what is bought for its joints */
    public function run(LaidRun $laid): array
    {
        $bodies = [];
        foreach (Spool::all($laid) as $spool) {
            $bodies = [...$bodies, ...$this->spool($spool->laid, $laid->run->id)];
        }
        foreach ($laid->run->joints === [] ? [] : LaidJoint::all($laid) as $joint) {
            foreach ([Sleeve::of($laid, $joint), Gasket::of($laid, $joint)?->solid($laid, $joint)] as $solid) {
                if ($solid !== null) {
                    $mesh = Tessellation::of($solid, $this->chord);
                    $bodies[] = new DrawnBody($laid->run->id, $mesh, isRun: true);
                }
            }
        }

        return $bodies;
    }

    /** @return list<DrawnBody> a spool with its ends, or what is left of one that has no length */
    private function spool(LaidRun $laid, string $id): array
    {
        $solid = RunBody::of($laid)->solid();
        if ($solid === null) {
            return [];
        }
        $section = $laid->run->stock->section;
        $chord = min($this->chord, self::FINE * $section->outsideDiameter / 2);
        $mesh = Tessellation::of($solid, $chord);
        if (! $section->isRound) {
            return [new DrawnBody($id, $mesh, isRun: true)];
        }
        [$path, $radius] = [$laid->path, $section->outsideDiameter / 2];

        return [new DrawnBody(
            $id, $mesh, TubeOutline::of($path, $radius, $this->projection, new Chord($chord / 4)),
            TubeOutline::outside($path, $radius), true, $radius,
        )];
    }

    /** @return list<DrawnBody> equipment and surroundings; none of meshes whose triangles are not at hand */
    public function site(Site $site): array
    {
        $bodies = [];
        foreach ($site->fittings as $fitting) {
            foreach ($fitting->solids as $solid) {
                $bodies[] = $this->placed(
                    'fittings/'.$fitting->id, $solid->shape, $solid->pose->within($fitting->pose),
                );
            }
        }
        foreach ($site->surroundings as $thing) {
            $bodies[] = $this->placed('surroundings/'.$thing->id, $thing->shape, $thing->pose);
        }

        return array_values(array_filter($bodies));
    }

    private function placed(string $of, Shape $shape, Pose $pose): ?DrawnBody
    {
        $triangles = $shape->triangles();
        if ($triangles !== null) {
            return new DrawnBody($of, Mesh::ofTriangles($triangles->packed, $pose), isClosed: false);
        }
        $solid = ShapeBody::of($of, $shape, $pose);

        return $solid === null ? null : new DrawnBody($of, Tessellation::of($solid, $this->chord));
    }
}
