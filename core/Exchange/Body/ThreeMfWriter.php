<?php

declare(strict_types=1);

namespace Bowline\Exchange\Body;

use Bowline\Exchange\ZipText;

/** 3MF (3MF Core Specification 1.3): a ZIP of one model in millimetres, an object for each part with its colour. */
final class ThreeMfWriter implements BodyFormat
{
    private const TYPES = '<?xml version="1.0" encoding="UTF-8"?>'."\n"
        .'<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types">'
        .'<Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/>'
        .'<Default Extension="model" ContentType="application/vnd.ms-package.3dmanufacturing-3dmodel+xml"/></Types>';

    private const RELATIONS = '<?xml version="1.0" encoding="UTF-8"?>'."\n"
        .'<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships">'
        .'<Relationship Target="/3D/3dmodel.model" Id="rel0" '
        .'Type="http://schemas.microsoft.com/3dmanufacturing/2013/01/3dmodel"/></Relationships>';

    public static function ending(): string
    {
        return '3mf';
    }

    public static function mediaType(): string
    {
        return 'model/3mf';
    }

    public static function write(string $name, iterable $parts, float $chord): string
    {
        $materials = $objects = $items = '';
        foreach (MeshLimit::meshes($parts, $chord) as $number => [$part, $mesh]) {
            $id = $number + 2;
            [$red, $green, $blue] = array_map(static fn (float $one): int => (int) round(255 * $one), $part->colour);
            $materials .= sprintf(
                '<base name="%s" displaycolor="#%02X%02X%02X"/>', self::text($part->name), $red, $green, $blue,
            );
            $vertices = $triangles = '';
            foreach ($mesh->vertices as $at) {
                $vertices .= sprintf('<vertex x="%.6F" y="%.6F" z="%.6F"/>', $at->x, $at->y, $at->z);
            }
            foreach ($mesh->triangles as [$a, $b, $c]) {
                $triangles .= '<triangle v1="'.$a.'" v2="'.$b.'" v3="'.$c.'"/>';
            }
            $objects .= sprintf(
                '<object id="%d" type="%s" name="%s" partnumber="%s" pid="1" pindex="%d"><mesh><vertices>%s'.
                "</vertices><triangles>%s</triangles></mesh></object>\n",
                $id, $part->isSolid() ? 'model' : 'surface', self::text($part->name), self::text($part->id), $number,
                $vertices, $triangles,
            );
            $items .= sprintf('<item objectid="%d"/>', $id);
        }
        $model = '<?xml version="1.0" encoding="UTF-8"?>'."\n"
            .'<model unit="millimeter" xml:lang="en-GB" '
            .'xmlns="http://schemas.microsoft.com/3dmanufacturing/core/2015/02">'
            .'<metadata name="Title">'.self::text($name).'</metadata><metadata name="Application">Bowline</metadata>'
            ."\n<resources>".($materials === '' ? '' : '<basematerials id="1">'.$materials.'</basematerials>')."\n"
            .$objects.'</resources><build>'.$items.'</build></model>';

        return ZipText::of([
            '[Content_Types].xml' => self::TYPES, '_rels/.rels' => self::RELATIONS, '3D/3dmodel.model' => $model,
        ]);
    }

    private static function text(string $text): string
    {
        $plain = (string) preg_replace('/[\x00-\x08\x0b\x0c\x0e-\x1f\x{fffe}\x{ffff}]+/u', ' ', $text);

        return htmlspecialchars($plain, ENT_XML1 | ENT_QUOTES, 'UTF-8');
    }
}
