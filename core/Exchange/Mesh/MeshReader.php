<?php

declare(strict_types=1);

namespace Bowline\Exchange\Mesh;

use Bowline\Job\JobError;
use Bowline\Job\Shape\Triangles;

/**
 * Reads a file of triangles (STL, OBJ, GLB), recognised by its content. A new format is a new class and a line here.
 */
final class MeshReader
{
    /** Most bytes of a file. */
    public const LARGEST = 50 * 1024 * 1024;

    /** A vertex behind nothing but comments, materials and names of objects, groups and smoothing. */
    private const OBJ_START = '/^\s*(#.*\R|mtllib.*\R|o .*\R|g .*\R|s .*\R|\s*\R)*v\s/';

    /**
     * @throws JobError saying why it cannot be taken
     */
    public static function read(string $bytes, string $name): Triangles
    {
        if (strlen($bytes) > self::LARGEST) {
            throw JobError::at('', sprintf('%s is larger than 50 MB; bring in a coarser one', $name));
        }
        if ($bytes === '') {
            throw JobError::at('', sprintf('%s is empty', $name));
        }
        // A byte order mark is skipped.
        $bytes = str_starts_with($bytes, "\u{feff}") ? substr($bytes, 3) : $bytes;
        $triangles = match (true) {
            str_starts_with($bytes, 'glTF') => GlbReader::read($bytes),
            StlReader::isBinary($bytes) => StlReader::binary($bytes),
            preg_match('/^\s*solid\b/', substr($bytes, 0, 200)) === 1 => StlReader::text($bytes),
            preg_match(self::OBJ_START, substr($bytes, 0, 20000)) === 1 => ObjReader::read($bytes),
            default => throw JobError::at('', sprintf('%s is neither an STL, an OBJ nor a GLB file', $name)),
        };
        if ($triangles->count() === 0) {
            throw JobError::at('', sprintf('%s has no triangles', $name));
        }
        if ($triangles->hasNoExtent()) {
            throw JobError::at('', sprintf('all that is in %s lies in one point', $name));
        }

        return $triangles;
    }
}
