<?php

declare(strict_types=1);

namespace Bowline\Exchange\Body;

use Bowline\Body\Mesh;
use Bowline\Exchange\Part;
use Bowline\Job\JobError;

/** The meshes of the parts of one file, as many as a file may have. */
final class MeshLimit
{
    /** Most triangles of a file: 150 MB as STL. */
    private const MOST_TRIANGLES = 3_000_000;

    /**
     * Returns how many triangles a file of these parts has.
     *
     * @param  iterable<Part>  $parts
     *
     * @throws JobError
     */
    public static function triangles(iterable $parts, float $chord): int
    {
        $count = 0;
        foreach (self::meshes($parts, $chord) as [, $mesh]) {
            $count += count($mesh->triangles);
        }

        return $count;
    }

    /**
     * @param  iterable<Part>  $parts
     * @return iterable<int, array{Part, Mesh}>
     *
     * @throws JobError
     */
    public static function meshes(iterable $parts, float $chord): iterable
    {
        $count = 0;
        foreach ($parts as $part) {
            $mesh = $part->mesh($chord);
            $count += count($mesh->triangles);
            if ($count > self::MOST_TRIANGLES) {
                throw JobError::at('', sprintf(
                    'these bodies would have more than %s triangles in one file: take them one by one',
                    number_format(self::MOST_TRIANGLES),
                ));
            }
            yield [$part, $mesh];
        }
    }
}
