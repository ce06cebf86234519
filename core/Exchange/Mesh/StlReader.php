<?php

declare(strict_types=1);

namespace Bowline\Exchange\Mesh;

use Bowline\Job\JobError;
use Bowline\Job\Shape\Triangles;

/** Reads STL, binary and text. The format has no unit; millimetres are assumed, as is usual. */
final class StlReader
{
    /** Bytes before the triangles, and of each: a normal, three corners, and two unused bytes. */
    public const HEAD = 84;

    public const RECORD = 50;

    public static function isBinary(string $bytes): bool
    {
        return strlen($bytes) >= self::HEAD && strlen($bytes) === self::HEAD + self::RECORD * self::count($bytes);
    }

    /** @throws JobError */
    public static function binary(string $bytes): Triangles
    {
        $packed = '';
        $count = self::count($bytes);
        for ($i = 0; $i < $count; $i++) {
            $packed .= substr($bytes, self::HEAD + self::RECORD * $i + 12, 36);
        }

        return Triangles::of($packed);
    }

    /** @throws JobError */
    public static function text(string $bytes): Triangles
    {
        $packed = '';
        $corners = 0;
        $offset = 0;
        while (($at = stripos($bytes, 'vertex', $offset)) !== false) {
            $offset = $at + 6;
            if (preg_match('/\Gvertex\s+(\S+)\s+(\S+)\s+(\S+)/i', $bytes, $match, 0, $at) !== 1) {
                throw JobError::at(
                    '',
                    stripos($bytes, 'endsolid', $at) === false
                        ? 'the STL file breaks off in the middle'
                        : sprintf('corner %d of the STL file is no place', $corners + 1),
                );
            }
            Triangles::refuseMore(strlen($packed));
            if (! is_numeric($match[1]) || ! is_numeric($match[2]) || ! is_numeric($match[3])) {
                throw JobError::at(
                    '',
                    sprintf(
                        'corner %d of the STL file is no place: “%s”',
                        $corners + 1,
                        substr(trim($match[1].' '.$match[2].' '.$match[3]), 0, 60),
                    ),
                );
            }
            $packed .= pack('g3', (float) $match[1], (float) $match[2], (float) $match[3]);
            $corners++;
        }
        if ($corners % 3 !== 0 || stripos(substr($bytes, -200), 'endsolid') === false) {
            throw JobError::at('', 'the STL file breaks off in the middle');
        }

        return Triangles::of($packed);
    }

    private static function count(string $bytes): int
    {
        $count = unpack('V', substr($bytes, 80, 4));

        return is_int($count[1] ?? null) ? $count[1] : 0;
    }
}
