<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Body\Mesh;
use Bowline\Job\JobError;

/** Binary STL: an 80-byte header, a count, then per triangle its normal, its three corners and two spare bytes. */
final class StlWriter
{
    /** Where the count of triangles stands. */
    private const COUNT_AT = 80;

    /** Triangles of one file at most: 150 MB. */
    private const MAX_TRIANGLES = 3_000_000;

    /**
     * @param  iterable<Mesh>  $meshes  made one after another, so that not all of them are in memory
     *
     * @throws JobError where they have more triangles than one file may
     */
    public static function write(iterable $meshes, string $title): string
    {
        // A binary file must not begin with "solid", which is how the text form is told apart.
        $stl = str_pad(substr('Bowline STL, mm: '.preg_replace('/[^\x20-\x7e]/', '?', $title), 0, 80), 80);
        $count = 0;
        $stl .= pack('V', $count);
        foreach ($meshes as $mesh) {
            $count += count($mesh->triangles);
            if ($count > self::MAX_TRIANGLES) {
                throw JobError::at(
                    '',
                    sprintf(
                        'these bodies would have more than %s triangles in one file: take them one by one',
                        number_format(self::MAX_TRIANGLES),
                    ),
                );
            }
            foreach ($mesh->triangles as [$a, $b, $c]) {
                [$a, $b, $c] = [$mesh->vertices[$a], $mesh->vertices[$b], $mesh->vertices[$c]];
                $n = $b->minus($a)->cross($c->minus($a))->unit();
                $stl .= pack(
                    'g12v',
                    $n->x,
                    $n->y,
                    $n->z,
                    $a->x,
                    $a->y,
                    $a->z,
                    $b->x,
                    $b->y,
                    $b->z,
                    $c->x,
                    $c->y,
                    $c->z,
                    0,
                );
            }
        }

        return substr_replace($stl, pack('V', $count), self::COUNT_AT, 4);
    }
}
