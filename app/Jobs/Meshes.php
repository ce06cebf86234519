<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Mesh;
use Bowline\Exchange\Mesh\MeshReader;
use Bowline\Job\JobError;
use Illuminate\Contracts\Filesystem\FileNotFoundException;
use Illuminate\Support\Facades\Storage;

/** Bodies of triangles brought in for the surroundings: read whole or not at all. */
final class Meshes
{
    /**
     * @throws JobError saying why it cannot be taken; nothing is kept then
     */
    public function take(string $bytes, string $name): Mesh
    {
        $key = substr(hash('sha256', $bytes), 0, 40);
        $present = Mesh::query()->where('key', $key)->first();
        if ($present !== null && Storage::exists(self::path($key))) {
            return $present;
        }
        $triangles = MeshReader::read($bytes, $name);
        Storage::put(self::path($key), $triangles->packed);

        return Mesh::query()->updateOrCreate(['key' => $key], [
            'name' => $name, 'triangles' => $triangles->count(), 'extent' => [$triangles->least->toArray(), $triangles->most->toArray()],
        ]);
    }

    /**
     * @return string nine 32-bit floats a triangle, mm
     *
     * @throws FileNotFoundException when it was never brought in here
     */
    public function triangles(string $key): string
    {
        return Storage::get(self::path($key)) ?? throw new FileNotFoundException;
    }

    private static function path(string $key): string
    {
        return 'meshes/'.preg_replace('/[^a-f0-9]/', '', $key);
    }
}
