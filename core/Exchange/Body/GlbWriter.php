<?php

declare(strict_types=1);

namespace Bowline\Exchange\Body;

use Bowline\Body\Mesh;

/**
 * GLB, the binary form of glTF 2.0 (Khronos): a node with its mesh and its material for each part, under one that turns
 * z up to the y up of glTF and makes metres of millimetres.
 */
final class GlbWriter implements BodyFormat
{
    private const METRE = 0.001;

    private const FLOAT = 5126;

    private const UNSIGNED_INT = 5125;

    private const VERTICES = 34962;

    private const INDICES = 34963;

    public static function ending(): string
    {
        return 'glb';
    }

    public static function mediaType(): string
    {
        return 'model/gltf-binary';
    }

    public static function write(string $name, iterable $parts, float $chord): string
    {
        $gltf = [
            'asset' => ['version' => '2.0', 'generator' => 'Bowline'],
            'scene' => 0,
            'scenes' => [['name' => $name, 'nodes' => [0]]],
            'nodes' => [['name' => $name, 'rotation' => [-M_SQRT1_2, 0, 0, M_SQRT1_2], 'scale' => [
                self::METRE, self::METRE, self::METRE,
            ]]],
        ];
        $binary = '';
        foreach (MeshLimit::meshes($parts, $chord) as $number => [$part, $mesh]) {
            $gltf['nodes'][0]['children'][] = count($gltf['nodes']);
            $gltf['nodes'][] = ['name' => $part->name, 'mesh' => $number];
            $gltf['meshes'][] = ['name' => $part->name, 'primitives' => [[
                'attributes' => ['POSITION' => 2 * $number], 'indices' => 2 * $number + 1, 'material' => $number,
            ]]];
            $gltf['materials'][] = ['name' => $part->name, 'pbrMetallicRoughness' => [
                'baseColorFactor' => [...array_map(self::linear(...), $part->colour), 1.0],
                'metallicFactor' => 0.3,
                'roughnessFactor' => 0.6,
            ]];
            $positions = self::positions($mesh);
            $indices = pack('V*', ...array_merge(...$mesh->triangles));
            $gltf['accessors'][] = [
                'bufferView' => 2 * $number, 'componentType' => self::FLOAT, 'count' => count($mesh->vertices),
                'type' => 'VEC3', ...self::extent($positions),
            ];
            $gltf['accessors'][] = [
                'bufferView' => 2 * $number + 1, 'componentType' => self::UNSIGNED_INT,
                'count' => 3 * count($mesh->triangles), 'type' => 'SCALAR',
            ];
            foreach ([[$positions, self::VERTICES], [$indices, self::INDICES]] as [$bytes, $target]) {
                $gltf['bufferViews'][] = [
                    'buffer' => 0, 'byteOffset' => strlen($binary), 'byteLength' => strlen($bytes), 'target' => $target,
                ];
                $binary .= $bytes;
            }
        }
        if ($binary !== '') {
            $gltf['buffers'] = [['byteLength' => strlen($binary)]];
        }
        $json = json_encode($gltf, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE);
        $json = str_pad($json, (int) ceil(strlen($json) / 4) * 4);
        $chunks = pack('V2', strlen($json), 0x4E4F534A).$json
            .($binary === '' ? '' : pack('V2', strlen($binary), 0x004E4942).$binary);

        return pack('V3', 0x46546C67, 2, 12 + strlen($chunks)).$chunks;
    }

    private static function positions(Mesh $mesh): string
    {
        $bytes = '';
        foreach ($mesh->vertices as $at) {
            $bytes .= pack('g3', $at->x, $at->y, $at->z);
        }

        return $bytes;
    }

    /** @return array{min: list<float>, max: list<float>} of positions, as the 32-bit floats they are */
    private static function extent(string $positions): array
    {
        $least = [INF, INF, INF];
        $most = [-INF, -INF, -INF];
        for ($offset = 0; $offset < strlen($positions); $offset += 12) {
            /** @var array<int, float> $at */
            $at = unpack('g3', $positions, $offset);
            foreach ([0, 1, 2] as $axis) {
                $least[$axis] = min($least[$axis], $at[$axis + 1]);
                $most[$axis] = max($most[$axis], $at[$axis + 1]);
            }
        }

        return ['min' => $least, 'max' => $most];
    }

    /** Returns a part of a colour as linear light (sRGB, IEC 61966-2-1). */
    private static function linear(float $part): float
    {
        return $part <= 0.04045 ? $part / 12.92 : (($part + 0.055) / 1.055) ** 2.4;
    }
}
