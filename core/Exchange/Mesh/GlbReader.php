<?php

declare(strict_types=1);

namespace Bowline\Exchange\Mesh;

use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Shape\Triangles;
use JsonException;
use stdClass;

/**
 * Reads GLB, the binary form of glTF 2.0 (Khronos): the triangles of all meshes of its scene, transformed by its nodes.
 * glTF is in metres with y up; the result is in millimetres with z up.
 */
final class GlbReader
{
    private const METRE = 1000.0;

    private const FLOAT = 5126;

    private const TRIANGLES = 4;

    /** Bytes and unpack format of each index type. */
    private const INDEX = [5121 => [1, 'C*'], 5123 => [2, 'v*'], 5125 => [4, 'V*']];

    private const DEEPEST = 64;

    /** Most instances of nodes: nodes may share children, so that a few of them expand to a million. */
    private const MOST_NODES = 20_000;

    private string $packed = '';

    private int $visited = 0;

    private function __construct(
        private readonly Node $scene,
        private readonly string $buffer,
    ) {
    }

    /** @throws JobError */
    public static function read(string $bytes): Triangles
    {
        $header = unpack('Vmagic/Vversion/Vlength/VjsonLength/VjsonKind', $bytes.str_repeat("\0", 20));
        if ($header === false || $header['version'] !== 2 || $header['length'] !== strlen($bytes)) {
            throw JobError::at('', 'the GLB file breaks off in the middle, or is not of version 2');
        }
        $jsonLength = is_int($header['jsonLength']) ? $header['jsonLength'] : 0;
        try {
            $scene = json_decode(substr($bytes, 20, $jsonLength), false, 64, JSON_THROW_ON_ERROR);
        } catch (JsonException) {
            throw JobError::at('', 'the GLB file cannot be read: what it says of itself is no JSON');
        }
        if (! $scene instanceof stdClass) {
            throw JobError::at('', 'the GLB file cannot be read');
        }
        $reader = new self(new Node($scene), substr($bytes, 20 + $jsonLength + 8));
        $nodes = $reader->scene->list('nodes');
        $roots = $reader->scene->list('scenes')[self::int($reader->scene->find('scene')) ?? 0] ?? null;
        foreach ($roots?->list('nodes') ?? [] as $root) {
            $reader->node(
                $nodes,
                self::int($root) ?? -1,
                [1.0, 0.0, 0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0, 0.0, 1.0],
                0,
            );
        }

        return Triangles::of($reader->packed);
    }

    /**
     * @param  list<Node>  $nodes
     * @param  list<float>  $parent  4 × 4, by columns
     *
     * @throws JobError
     */
    private function node(array $nodes, int $index, array $parent, int $depth): void
    {
        $node = $nodes[$index] ?? throw JobError::at('', 'the GLB file names a node that is not there');
        if ($depth > self::DEEPEST) {
            throw JobError::at('', 'the nodes of the GLB file go too deep, or in a ring');
        }
        $matrix = self::product($parent, self::matrix($node));
        $mesh = self::int($node->find('mesh'));
        foreach (
            $mesh === null
                ? []
                : (
                    $this->scene->list('meshes')[$mesh] ??
                    throw JobError::at('', 'the GLB file names a mesh that is not there')
                )->list('primitives') as $primitive
        ) {
            if ((self::int($primitive->find('mode')) ?? self::TRIANGLES) === self::TRIANGLES) {
                $this->primitive($primitive, $matrix);
            }
        }
        if (++$this->visited > self::MOST_NODES) {
            throw JobError::at(
                '',
                sprintf(
                    'the nodes of the GLB file stand in more than %s places, the most that is read',
                    number_format(self::MOST_NODES),
                ),
            );
        }
        foreach ($node->list('children') as $child) {
            $this->node($nodes, self::int($child) ?? -1, $matrix, $depth + 1);
        }
    }

    /**
     * @param  list<float>  $m
     *
     * @throws JobError
     */
    private function primitive(Node $primitive, array $m): void
    {
        [$floats] = $this->accessor(self::int($primitive->find('attributes')?->find('POSITION')), true);
        $points = [];
        for ($i = 0, $count = count($floats); $i + 2 < $count; $i += 3) {
            [$x, $y, $z] = [(float) $floats[$i], (float) $floats[$i + 1], (float) $floats[$i + 2]];
            $px = $m[0] * $x + $m[4] * $y + $m[8] * $z + $m[12];
            $py = $m[1] * $x + $m[5] * $y + $m[9] * $z + $m[13];
            $pz = $m[2] * $x + $m[6] * $y + $m[10] * $z + $m[14];
            // From y up to z up: a quarter turn about x.
            $points[] = pack('g3', $px * self::METRE, -$pz * self::METRE, $py * self::METRE);
        }
        $indices = self::int($primitive->find('indices'));
        $order = $indices === null ? array_keys($points) : $this->accessor($indices, false)[0];
        $whole = count($order) - count($order) % 3;
        Triangles::refuseMore(strlen($this->packed) + 12 * $whole);
        for ($i = 0; $i < $whole; $i++) {
            $this->packed .=
                $points[(int) $order[$i]] ?? throw JobError::at('', 'the GLB file names a corner that is not there');
        }
    }

    /**
     * @return array{list<int|float>}
     *
     * @throws JobError
     */
    private function accessor(?int $index, bool $isPosition): array
    {
        $accessor = $index === null ? null : $this->scene->list('accessors')[$index] ?? null;
        $view =
            $accessor === null
                ? null
                : $this->scene->list('bufferViews')[self::int($accessor->find('bufferView')) ?? -1] ?? null;
        if ($accessor === null || $view === null) {
            throw JobError::at('', 'the GLB file has triangles without corners; compressed ones cannot be read');
        }
        $kind = self::int($accessor->find('componentType'));
        $count = self::int($accessor->find('count')) ?? 0;
        if ($isPosition && $kind !== self::FLOAT) {
            throw JobError::at('', 'the corners of the GLB file are compressed; save it without compression');
        }
        [$size, $unpack] = $isPosition
            ? [12, 'g*']
            : self::INDEX[$kind] ??
                throw JobError::at('', 'the GLB file counts its corners in a way that is not known');
        $start = (self::int($view->find('byteOffset')) ?? 0) + (self::int($accessor->find('byteOffset')) ?? 0);
        $stride = self::int($view->find('byteStride')) ?? $size;
        if (
            $count < 0 ||
            $stride < $size ||
            $start + ($count === 0 ? 0 : ($count - 1) * $stride + $size) > strlen($this->buffer)
        ) {
            throw JobError::at('', 'the GLB file breaks off in the middle');
        }
        $bytes = $stride === $size ? substr($this->buffer, $start, $size * $count) : '';
        for ($i = 0; $stride !== $size && $i < $count; $i++) {
            $bytes .= substr($this->buffer, $start + $i * $stride, $size);
        }
        $read = $bytes === '' ? [] : unpack($unpack, $bytes);

        return [$read === false ? [] : self::numbers($read)];
    }

    /**
     * @param  array<mixed>  $read  as unpack() gives them
     * @return list<int|float>
     */
    private static function numbers(array $read): array
    {
        /** @var list<int|float> $numbers */
        $numbers = array_values($read);

        return $numbers;
    }

    /** @return list<float> */
    private static function matrix(Node $node): array
    {
        $numbers = static function (string $key, float ...$default) use ($node): array {
            $said = array_map(
                static fn (Node $one): float => is_int($one->value) || is_float($one->value)
                    ? (float) $one->value
                    : 0.0,
                $node->list($key),
            );

            return count($said) === count($default) ? $said : array_values($default);
        };
        if ($node->find('matrix') !== null) {
            return $numbers('matrix', ...array_fill(0, 16, 0.0));
        }
        [$tx, $ty, $tz] = $numbers('translation', 0.0, 0.0, 0.0);
        [$x, $y, $z, $w] = $numbers('rotation', 0.0, 0.0, 0.0, 1.0);
        [$sx, $sy, $sz] = $numbers('scale', 1.0, 1.0, 1.0);

        return [
            (1 - 2 * ($y * $y + $z * $z)) * $sx, 2 * ($x * $y + $z * $w) * $sx, 2 * ($x * $z - $y * $w) * $sx, 0.0,
            2 * ($x * $y - $z * $w) * $sy, (1 - 2 * ($x * $x + $z * $z)) * $sy, 2 * ($y * $z + $x * $w) * $sy, 0.0,
            2 * ($x * $z + $y * $w) * $sz, 2 * ($y * $z - $x * $w) * $sz, (1 - 2 * ($x * $x + $y * $y)) * $sz, 0.0,
            $tx, $ty, $tz, 1.0,
        ];
    }

    /**
     * @param  list<float>  $a
     * @param  list<float>  $b
     * @return list<float>
     */
    private static function product(array $a, array $b): array
    {
        $product = [];
        for ($column = 0; $column < 4; $column++) {
            for ($row = 0; $row < 4; $row++) {
                $sum = 0.0;
                for ($k = 0; $k < 4; $k++) {
                    $sum += $a[4 * $k + $row] * $b[4 * $column + $k];
                }
                $product[] = $sum;
            }
        }

        return $product;
    }

    private static function int(?Node $node): ?int
    {
        return is_int($node?->value) ? $node->value : null;
    }
}
