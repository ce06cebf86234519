<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\JobFiles;
use App\Http\RequestBody;
use App\Models\Job;
use Bowline\Editing\EditError;
use Bowline\Editing\PlaceEdit;
use Bowline\Job\ItemRef;
use Bowline\Job\Node;
use Bowline\Job\Part\Parameter;
use Bowline\Job\Part\PartKind;
use Bowline\Job\Part\PartKinds;
use Bowline\Job\PortName;
use Bowline\Routing\RouteBook;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The fittings made from a few numbers, and placing a port of one on a port of another. */
final readonly class PartsController
{
    public function __construct(private JobFiles $files)
    {
    }

    public function __invoke(): JsonResponse
    {
        return response()->json(
            array_map(
                static fn (PartKind $kind): array => [
                    'kind' => $kind->word(),
                    'title' => $kind->title(),
                    'parameters' => array_map(
                        static fn (Parameter $parameter): array => [
                            'key' => $parameter->key,
                            'label' => $parameter->label,
                            'unit' => $parameter->unit,
                            'default' => $parameter->default,
                        ],
                        $kind->parameters(),
                    ),
                ],
                PartKinds::all(),
            ),
        );
    }

    /** Returns the fitting with one of its ports on another port; not stored. */
    public function onto(Request $request, Job $job, string $fitting): JsonResponse
    {
        $body = RequestBody::of($request, 'portOnPort');
        $fittings = [
            ItemRef::fitting($fitting),
            ItemRef::fitting(PortName::of($body->get('port')->text())->fitting),
            ItemRef::fitting(PortName::of($body->get('onto')->text())->fitting),
        ];
        $reader = $this->files->reader($job);
        $file = $reader->around([], [], $fittings);
        $site = RouteBook::site(new Node($file));
        $own = $site->port($body->get('port'));
        if ($fittings[1]->id !== $fitting || $fittings[2]->id === $fitting) {
            throw new EditError('A port of this fitting is put on a port of another one.');
        }

        return response()->json(
            PlaceEdit::of($reader->item('fittings', $fitting), $site->values)->portOnto(
                $site->fittings[$fitting],
                $own,
                $site->port($body->get('onto')),
            ),
        );
    }
}
