<?php

declare(strict_types=1);

namespace App\Editing;

use App\Models\Mesh;
use Bowline\Exchange\Mesh\MeshReader;
use Bowline\Geometry\Vector;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Shape\MeshTriangles;
use Bowline\Job\Shape\Triangles;
use Bowline\Space\DividedSurface;
use Illuminate\Contracts\Filesystem\FileNotFoundException;
use Illuminate\Support\Facades\Storage;
use stdClass;

/** Imported bodies of triangles for the surroundings; they are read whole or not at all. */
final class Meshes
{
    /** Length of the hash that names a mesh. */
    private const KEY = 40;

    /** Bytes of a triangle: nine 32-bit floats. */
    private const TRIANGLE = 36;

    /**
     * @throws JobError saying why it cannot be taken; nothing is kept then
     */
    public function import(string $bytes, string $name): Mesh
    {
        $key = substr(hash('sha256', $bytes), 0, self::KEY);
        $present = Mesh::query()->where('key', $key)->first();
        if ($present !== null && self::isWhole($present)) {
            // Keeps it from being pruned before it is used.
            $present->touch();

            return $present;
        }

        return self::put($key, $name, MeshReader::read($bytes, $name));
    }

    /**
     * Returns the meshes of the surroundings that are stored completely, by name, for a job file.
     *
     * @param  list<stdClass>  $surroundings  in the shape of the file
     * @return array<string, MeshTriangles> read from storage on first use
     */
    public function of(array $surroundings): array
    {
        $keys = array_filter(
            array_map(
                static fn (stdClass $body): mixed => ($body->shape ?? null) === 'mesh' ? $body->mesh ?? null : null,
                $surroundings,
            ),
            is_string(...),
        );
        $meshes = [];
        foreach ($keys === [] ? [] : self::rows($keys) as $mesh) {
            if (self::isWhole($mesh)) {
                $meshes[$mesh->key] = new MeshTriangles(
                    fn (): string => $this->triangles($mesh->key), kept: fn (): ?DividedSurface => self::divided($mesh),
                );
            }
        }

        return $meshes;
    }

    /**
     * @param  array<string>  $keys
     * @return list<Mesh>
     */
    private static function rows(array $keys): array
    {
        return array_values(Mesh::query()->whereIn('key', $keys)->get()->all());
    }

    /** Returns the number of triangles of all meshes of a job file, as stored. */
    public function count(stdClass $file): int
    {
        $names = array_map(
            static fn (Node $body): mixed => $body->find('mesh')?->value,
            (new Node($file))->list('surroundings'),
        );

        $meshes = self::rows(array_filter($names, is_string(...)));

        return array_sum(array_map(static fn (Mesh $mesh): int => $mesh->triangles, $meshes));
    }

    /**
     * Stores the meshes that a job file carries under names of our own.
     *
     * @param  stdClass  $file  loses its `meshes`; its surroundings get the new names
     *
     * @throws JobError
     */
    public function keepOf(stdClass $file): void
    {
        $names = [];
        foreach ((new Node($file))->find('meshes')?->members() ?? [] as $name => $node) {
            $key = $name;
            $present = self::isKey($key) ? Mesh::query()->where('key', $key)->first() : null;
            if ($present === null || ! self::isWhole($present)) {
                $triangles = MeshTriangles::read($node)->triangles();
                $key = substr(hash('sha256', $triangles->packed), 0, self::KEY);
                self::put($key, 'the mesh of '.(is_string($file->name ?? null) ? $file->name : 'a job'), $triangles);
            }
            $names[$name] = $key;
        }
        unset($file->meshes);
        foreach (is_array($file->surroundings ?? null) ? $file->surroundings : [] as $body) {
            if ($body instanceof stdClass && is_string($body->mesh ?? null)) {
                $body->mesh = $names[$body->mesh] ?? $body->mesh;
            }
        }
    }

    private static function put(string $key, string $name, Triangles $triangles): Mesh
    {
        self::write(Mesh::pathOf($key), $triangles->packed);

        $mesh = Mesh::query()->updateOrCreate(
            ['key' => $key],
            [
                'name' => mb_substr($name, 0, 150),
                'triangles' => $triangles->count(),
                'extent' => [$triangles->least->toArray(), $triangles->most->toArray()],
            ],
        );
        // Now, and not while somebody drags something.
        self::divided($mesh);

        return $mesh;
    }

    /** Whether all of its triangles are stored. */
    private static function isWhole(Mesh $mesh): bool
    {
        return Storage::exists(Mesh::pathOf($mesh->key)) &&
            Storage::size(Mesh::pathOf($mesh->key)) === $mesh->triangles * self::TRIANGLE;
    }

    /**
     * Writes to a temporary file first and renames it, so that a file at its place is always complete.
     *
     * @throws StorageFailed when the disk is full or read-only; nothing is stored then
     */
    private static function write(string $path, string $packed): void
    {
        $beside = $path.'.part';
        $isWritten =
            Storage::put($beside, $packed) &&
            Storage::size($beside) === strlen($packed) &&
            Storage::move($beside, $path);
        if (! $isWritten) {
            Storage::delete($beside);
            throw StorageFailed::writing(strlen($packed));
        }
    }

    /**
     * Returns the surface of a large mesh in cubes, of which only those are read that are asked about. It is kept
     * beside the mesh when it is first asked for; for a million triangles that takes a second.
     *
     * @return DividedSurface|null null of a small one
     */
    private static function divided(Mesh $mesh): ?DividedSurface
    {
        if ($mesh->triangles * self::TRIANGLE <= MeshTriangles::DIVIDED_ABOVE) {
            return null;
        }
        $path = Mesh::cubesOf($mesh->key);
        $file = Storage::exists($path) ? Storage::readStream($path) : null;
        $kept = is_resource($file) ? DividedSurface::open($file) : null;
        if ($kept !== null) {
            return $kept;
        }
        [$least, $most] = array_map(static fn (array $corner): Vector => new Vector(...$corner), $mesh->extent);
        $divided = DividedSurface::of((string) Storage::get(Mesh::pathOf($mesh->key)), $least, $most);
        try {
            self::write($path, $divided->packed());
        } catch (StorageFailed) {
            // It is made again the next time.
        }

        return $divided;
    }

    private static function isKey(string $name): bool
    {
        return preg_match('/^[a-f0-9]{'.self::KEY.'}$/', $name) === 1;
    }

    /**
     * @return string nine 32-bit floats a triangle, mm
     *
     * @throws FileNotFoundException when it was never brought in here, or only a part of it is left
     */
    public function triangles(string $key): string
    {
        $packed = Storage::get(Mesh::pathOf($key)) ?? throw new FileNotFoundException;
        $mesh = Mesh::query()->where('key', $key)->first();

        return $mesh !== null && strlen($packed) !== $mesh->triangles * self::TRIANGLE
            ? throw new FileNotFoundException
            : $packed;
    }
}
