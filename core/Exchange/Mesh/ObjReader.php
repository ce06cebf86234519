<?php

declare(strict_types=1);

namespace Bowline\Exchange\Mesh;

use Bowline\Job\JobError;
use Bowline\Job\Shape\Triangles;

/**
 * Reads OBJ: `v` and `f`; faces with more than three corners become fans. The format has no unit; millimetres are
 * assumed.
 */
final class ObjReader
{
    /** @throws JobError */
    public static function read(string $bytes): Triangles
    {
        $vertices = [];
        $packed = '';
        $line = 0;
        foreach (self::lines($bytes) as $text) {
            $line++;
            if (str_starts_with($text, 'v ')) {
                $parts = preg_split('/\s+/', trim(substr($text, 2)));
                $parts = $parts === false ? [] : $parts;
                if (
                    ! is_numeric($parts[0] ?? null) ||
                    ! is_numeric($parts[1] ?? null) ||
                    ! is_numeric($parts[2] ?? null)
                ) {
                    throw JobError::at('', sprintf('line %d of the OBJ file is no vertex', $line));
                }
                if (count($vertices) >= 3 * Triangles::MAX_COUNT) {
                    throw JobError::at(
                        '',
                        'the OBJ file has more vertices than the triangles of a body may have; bring in a coarser one',
                    );
                }
                $vertices[] = pack('g3', (float) $parts[0], (float) $parts[1], (float) $parts[2]);
            } elseif (str_starts_with($text, 'f ')) {
                $packed .= self::face($text, $vertices, $line);
                Triangles::refuseMore(strlen($packed));
            }
        }

        return Triangles::of($packed);
    }

    /**
     * @param  list<string>  $vertices
     *
     * @throws JobError
     */
    private static function face(string $text, array $vertices, int $line): string
    {
        $corners = [];
        $parts = preg_split('/\s+/', trim(substr($text, 2)));
        foreach ($parts === false ? [] : $parts as $part) {
            $number = (int) $part;
            $index = $number < 0 ? count($vertices) + $number : $number - 1;
            $corners[] =
                $vertices[$index] ??
                throw JobError::at('', sprintf('line %d of the OBJ file names a vertex that is not there', $line));
        }
        $packed = '';
        for ($i = 2, $count = count($corners); $i < $count; $i++) {
            $packed .= $corners[0].$corners[$i - 1].$corners[$i];
        }

        return $packed;
    }

    /** @return iterable<string> */
    private static function lines(string $bytes): iterable
    {
        $offset = 0;
        $length = strlen($bytes);
        while ($offset < $length) {
            $end = strpos($bytes, "\n", $offset);
            $end = $end === false ? $length : $end;
            yield rtrim(ltrim(substr($bytes, $offset, $end - $offset)), "\r");
            $offset = $end + 1;
        }
    }
}
