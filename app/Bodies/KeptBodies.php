<?php

declare(strict_types=1);

namespace App\Editing;

use Bowline\Body\Mesh;
use Bowline\Exchange\BodyMeshWriter;
use Bowline\Exchange\JobBodies;
use Bowline\Exchange\JoinedBodies;
use Bowline\Job as CoreJob;
use Bowline\Job\JobError;
use Illuminate\Support\Facades\Cache;

/**
 * Triangles and walls of bodies of several runs, and of blocks with channels, kept while nothing that they follow from
 * has changed.
 */
final readonly class KeptBodies
{
    /** How long they are kept, s. */
    private const KEPT = 86_400;

    /**
     * @param  string  $id  of a body that is there
     * @param  float  $chord  farthest that a facet stands off the surface, mm
     *
     * @throws JobError where it cannot be made
     */
    public function mesh(CoreJob $core, string $id, float $chord): Mesh
    {
        return Cache::remember(
            self::key($core, $id, 'mesh '.$chord), self::KEPT,
            static fn (): Mesh => JobBodies::parts($core, $chord, $id)->current()->mesh($chord),
        );
    }

    /**
     * @param  string  $id  of a body that is there
     * @return array<'round-first'|'hollow-first', array<string, mixed>> in both orders
     */
    public function walls(CoreJob $core, string $id, float $chord): array
    {
        /** @var array<'round-first'|'hollow-first', array<string, mixed>> */
        return Cache::remember(
            self::key($core, $id, 'walls '.$chord), self::KEPT,
            static fn (): array => JoinedBodies::bothWalls($core, $id, $chord),
        );
    }

    /**
     * Returns the triangles of a body with the wall at each of their vertices.
     *
     * @param  string  $id  of a body that is there
     * @return array{positions: string, triangles: string, walls: string, least: float, most: float} packed; mm
     *
     * @throws JobError where it cannot be made, or has no wall
     */
    public function wallMap(CoreJob $core, string $id, float $chord): array
    {
        /** @var array{positions: string, triangles: string, walls: string, least: float, most: float} */
        return Cache::remember(
            self::key($core, $id, 'wall map '.$chord), self::KEPT,
            fn (): array => BodyMeshWriter::walled($this->mesh($core, $id, $chord), JobBodies::wallsAt($core, $id)),
        );
    }

    /** Returns a key that differs wherever what the body is made from, or the program, does. */
    private static function key(CoreJob $core, string $id, string $what): string
    {
        $runs = array_map(
            static fn (string $run): string => KeptSolutions::hash($core->runs[$run]), JobBodies::all($core)[$id] ?? [],
        );

        return 'body '.md5(serialize([$id, $core->bodies[$id] ?? null, $runs])).' '.$what;
    }
}
