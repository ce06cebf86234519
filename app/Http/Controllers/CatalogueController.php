<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Catalogue\Catalogue;
use App\Http\RequestBody;
use App\Models\CatalogueRow;
use Bowline\Job\StockKind;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The stock catalogue: searched while it is typed, added to, brought in and taken away as CSV. */
final readonly class CatalogueController
{
    public function __construct(private Catalogue $catalogue)
    {
    }

    public function index(Request $request): JsonResponse
    {
        return response()->json(
            $this->catalogue->find(
                $request->query->getString('find'),
                StockKind::tryFrom($request->query->getString('kind'))?->value,
            ),
        );
    }

    public function put(Request $request): JsonResponse
    {
        return response()->json(
            $this->catalogue->put(get_object_vars(RequestBody::of($request, 'catalogueRow')->object())),
        );
    }

    public function destroy(CatalogueRow $row): Response
    {
        $this->catalogue->remove($row);

        return response()->noContent();
    }

    public function import(Request $request): JsonResponse
    {
        return response()->json(
            $this->catalogue->importCsv(RequestBody::of($request, 'catalogueText')->get('text')->text()),
        );
    }

    public function csv(Request $request): Response
    {
        return new Response($this->catalogue->csv($request->query->getBoolean('own')), 200, [
            'Content-Type' => 'text/csv',
            'Content-Disposition' => 'attachment; filename="stock-catalogue.csv"',
            'X-Content-Type-Options' => 'nosniff',
        ]);
    }
}
