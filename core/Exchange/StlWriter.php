<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Body\Mesh;

/** Binary STL: an 80-byte header, a count, then per triangle its normal, its three corners and two spare bytes. */
final class StlWriter
{
    /** @param  list<Mesh>  $meshes */
    public static function write(array $meshes, string $title): string
    {
        // A binary file must not begin with "solid", which is how the text form is told apart.
        $stl = str_pad(substr('Bowline STL, mm: '.preg_replace('/[^\x20-\x7e]/', '?', $title), 0, 80), 80);
        $stl .= pack('V', array_sum(array_map(static fn (Mesh $mesh): int => count($mesh->triangles), $meshes)));
        foreach ($meshes as $mesh) {
            foreach ($mesh->triangles as [$a, $b, $c]) {
                [$a, $b, $c] = [$mesh->vertices[$a], $mesh->vertices[$b], $mesh->vertices[$c]];
                $n = $b->minus($a)->cross($c->minus($a))->unit();
                $stl .= pack('g12v', $n->x, $n->y, $n->z, $a->x, $a->y, $a->z, $b->x, $b->y, $b->z, $c->x, $c->y, $c->z, 0);
            }
        }

        return $stl;
    }
}
