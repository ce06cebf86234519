<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Body\Mesh;
use Bowline\Job\JobError;

/**
 * Writes binary STL: an 80-byte header, the count, then for each triangle its normal, its three corners and two unused
 * bytes.
 */
final class StlWriter
{
    /** Offset of the count of triangles. */
    private const COUNT_AT = 80;

    /** Most triangles of a file: 150 MB. */
    private const MAX_TRIANGLES = 3_000_000;

    /**
     * @param  iterable<Mesh>  $meshes  made one after another, so that not all of them are in memory
     *
     * @throws JobError where they have more triangles than one file may
     */
    public static function write(iterable $meshes, string $title): string
    {
        // A binary file must not begin with "solid", which marks the text form.
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
