<?php

declare(strict_types=1);

namespace Bowline\Exchange\Body;

/**
 * Binary STL: an 80-byte header, the count, then for each triangle its normal, its three corners and two unused bytes.
 */
final class StlWriter implements BodyFormat
{
    /** Offset of the count of triangles. */
    private const COUNT_AT = 80;

    public static function ending(): string
    {
        return 'stl';
    }

    public static function mediaType(): string
    {
        return 'model/stl';
    }

    public static function write(string $name, iterable $parts, float $chord): string
    {
        // A binary file must not begin with "solid", which marks the text form.
        $stl = str_pad(substr('Bowline STL, mm: '.preg_replace('/[^\x20-\x7e]/', '?', $name), 0, 80), 80);
        $count = 0;
        $stl .= pack('V', $count);
        foreach (MeshLimit::meshes($parts, $chord) as [, $mesh]) {
            $count += count($mesh->triangles);
            foreach ($mesh->triangles as [$a, $b, $c]) {
                [$a, $b, $c] = [$mesh->vertices[$a], $mesh->vertices[$b], $mesh->vertices[$c]];
                $n = $b->minus($a)->cross($c->minus($a))->unit();
                $stl .= pack(
                    'g12v', $n->x, $n->y, $n->z, $a->x, $a->y, $a->z, $b->x, $b->y, $b->z, $c->x, $c->y, $c->z, 0,
                );
            }
        }

        return substr_replace($stl, pack('V', $count), self::COUNT_AT, 4);
    }
}
