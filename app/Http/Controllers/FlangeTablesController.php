<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Bowline\Job\End\Standard\FlangeSize;
use Bowline\Job\End\Standard\FlangeTable;
use Bowline\Job\End\Standard\FlangeTables;
use Illuminate\Http\JsonResponse;

/** The tables of standard flanges to choose from. */
final readonly class FlangeTablesController
{
    public function __invoke(): JsonResponse
    {
        return response()->json(array_map(static fn (FlangeTable $table): array => [
            'name' => $table->name(),
            'sizes' => array_map(static fn (FlangeSize $size): string => $size->name, $table->sizes()),
        ], FlangeTables::all()));
    }
}
