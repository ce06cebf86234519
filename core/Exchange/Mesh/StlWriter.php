<?php

declare(strict_types=1);

namespace Bowline\Exchange\Mesh;

use Bowline\Job\Shape\Triangles;

/** Writes packed triangles as binary STL without rounding. Normals are left at 0, and readers compute them. */
final class StlWriter
{
    private const NO_NORMAL = "\0\0\0\0\0\0\0\0\0\0\0\0";

    /** @param  string  $packed  nine 32-bit little-endian floats a triangle, mm */
    public static function write(string $packed): string
    {
        $count = intdiv(strlen($packed), Triangles::SIZE);
        // Behind each triangle come two unused bytes and the normal of the next one.
        $records =
            $count === 0
                ? ''
                : self::NO_NORMAL.
                    substr(
                        chunk_split($packed, Triangles::SIZE, "\0\0".self::NO_NORMAL),
                        0,
                        -strlen(self::NO_NORMAL),
                    );

        return str_pad('Bowline STL, mm', 80).pack('V', $count).$records;
    }
}
