<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\Meshes;
use App\People\MeshAccess;
use Illuminate\Contracts\Filesystem\FileNotFoundException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Bodies of triangles for the surroundings: takes an STL, OBJ or GLB file, returns packed triangles. */
final readonly class MeshController
{
    public function __construct(private Meshes $meshes)
    {
    }

    public function store(Request $request): JsonResponse
    {
        $mesh = $this->meshes->import(
            $request->getContent(),
            mb_substr(basename($request->query->getString('name', 'the file')), 0, 150),
        );

        MeshAccess::give($mesh->key);

        return response()->json(
            ['mesh' => $mesh->key, 'name' => $mesh->name, 'triangles' => $mesh->triangles, 'extent' => $mesh->extent],
            201,
        );
    }

    public function show(string $key): Response
    {
        if (! MeshAccess::isGiven($key)) {
            throw new NotFoundHttpException;
        }
        try {
            return new Response($this->meshes->triangles($key), 200, [
                'Content-Type' => 'application/octet-stream',
                'Cache-Control' => 'max-age=31536000, immutable',
            ]);
        } catch (FileNotFoundException) {
            throw new NotFoundHttpException('This mesh was not brought in here; bring its file in again.');
        }
    }
}
