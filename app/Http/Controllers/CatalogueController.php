<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Catalogue\Catalogue;
use App\Editing\JobFiles;
use App\Http\Attachment;
use App\Http\RequestBody;
use App\Models\CatalogueRow;
use App\Models\Job;
use Bowline\Exchange\CatalogueStock;
use Bowline\Job\Node;
use Bowline\Job\StockKind;
use Bowline\Job\Values;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The stock catalogue: search, own sizes, and CSV in both directions. */
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

    /** Adds a stock of a job as an own size. */
    public function putStock(Request $request, Job $job, JobFiles $files): JsonResponse
    {
        $id = RequestBody::of($request, 'ownStock')->get('stock')->text();

        return response()->json(
            $this->catalogue->put(
                CatalogueStock::row(
                    new Node($files->reader($job)->item('stock', $id)),
                    Values::read(new Node($job->named_values)),
                ),
            ),
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
        return Attachment::of(
            $this->catalogue->csv($request->query->getBoolean('own')), 'text/csv', 'stock-catalogue.csv',
        );
    }
}
