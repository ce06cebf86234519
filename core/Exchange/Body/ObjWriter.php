<?php

declare(strict_types=1);

namespace Bowline\Exchange\Body;

/**
 * OBJ: an object for each part, its vertices with the colour of the part behind their three coordinates, as many
 * programs read it; a separate file of materials would be lost in a download.
 */
final class ObjWriter implements BodyFormat
{
    public static function ending(): string
    {
        return 'obj';
    }

    public static function mediaType(): string
    {
        return 'model/obj';
    }

    public static function write(string $name, iterable $parts, float $chord): string
    {
        $obj = '# '.self::line($name)."\n# millimetres\n";
        $before = 0;
        foreach (MeshLimit::meshes($parts, $chord) as [$part, $mesh]) {
            $obj .= 'o '.self::line($part->name)."\n";
            $colour = sprintf(' %.3F %.3F %.3F', ...$part->colour);
            foreach ($mesh->vertices as $at) {
                $obj .= sprintf('v %.6F %.6F %.6F', $at->x, $at->y, $at->z).$colour."\n";
            }
            foreach ($mesh->triangles as [$a, $b, $c]) {
                $obj .= 'f '.($before + $a + 1).' '.($before + $b + 1).' '.($before + $c + 1)."\n";
            }
            $before += count($mesh->vertices);
        }

        return $obj;
    }

    private static function line(string $text): string
    {
        return trim((string) preg_replace('/[\x00-\x1f\x7f]+/', ' ', $text));
    }
}
