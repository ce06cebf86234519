<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Attachment;
use App\Http\RequestBody;
use App\Models\OwnFlange;
use Bowline\Exchange\FlangeRows;
use Bowline\Job\End\FlangeReader;
use Bowline\Job\Values;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use stdClass;

/** The flanges of one's own in the catalogue, and CSV in both directions. */
final readonly class OwnFlangesController
{
    public function index(): JsonResponse
    {
        return response()->json($this->all());
    }

    /** Keeps a flange by its part number, in place of one that has that already. */
    public function put(Request $request): JsonResponse
    {
        $body = RequestBody::of($request, 'ownFlange');
        $flange = $body->get('flange');
        // Expressions of a job mean nothing elsewhere: it has to come to numbers by itself.
        FlangeReader::own($flange, Values::read(null));
        self::keep($body->get('part_number')->text(), $flange->object());

        return response()->json($this->all());
    }

    public function destroy(OwnFlange $flange): Response
    {
        $flange->delete();

        return response()->noContent();
    }

    public function import(Request $request): JsonResponse
    {
        $read = FlangeRows::read(RequestBody::of($request, 'catalogueText')->get('text')->text());
        foreach ($read->flanges as $flange) {
            self::keep(is_string($flange->part_number) ? $flange->part_number : '', $flange);
        }

        return response()->json(['taken' => count($read->flanges), 'refused' => $read->refused]);
    }

    public function csv(): Response
    {
        $flanges = $this->all()->map(static fn (OwnFlange $one): stdClass => $one->flange);

        return Attachment::of(FlangeRows::write($flanges), 'text/csv', 'flanges.csv');
    }

    /** @return Collection<int, OwnFlange> */
    private function all(): Collection
    {
        return OwnFlange::query()->orderBy('part_number')->get();
    }

    private static function keep(string $number, stdClass $flange): void
    {
        OwnFlange::query()->updateOrCreate(
            ['part_number' => $number], ['flange' => (object) [...get_object_vars($flange), 'part_number' => $number]],
        );
    }
}
