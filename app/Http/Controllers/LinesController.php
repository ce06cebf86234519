<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Body;
use Bowline\Exchange\Dxf\DxfReader;
use Bowline\Laying\LineChains;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Reads a drawing of existing lines: the runs they come to, and remarks. Nothing is kept yet. */
final class LinesController
{
    public function __invoke(Request $request): JsonResponse
    {
        [$segments, $passedOver] = DxfReader::read(Body::of($request, 'drawing')->get('text')->text());
        [$routes, $remarks] = LineChains::of($segments);
        foreach ($passedOver as $kind => $count) {
            $remarks[] = sprintf('%d × %s passed over: only lines, arcs and polylines are read.', $count, mb_substr($kind, 0, 40));
        }

        return response()->json(['routes' => $routes, 'remarks' => $remarks]);
    }
}
