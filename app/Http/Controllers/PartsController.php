<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\JobFiles;
use App\Http\RequestBody;
use App\Models\Job;
use Bowline\Editing\EditError;
use Bowline\Editing\PlaceEdit;
use Bowline\Job\Node;
use Bowline\Job\Part\Parameter;
use Bowline\Job\Part\PartKind;
use Bowline\Routing\RouteBook;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The fittings that are made by a few numbers, and putting a port of one on a port of another. */
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
                    'kind' => $kind->value,
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
                PartKind::cases(),
            ),
        );
    }

    /** The fitting as it would stand with a port of it on another; not kept. */
    public function onto(Request $request, Job $job, string $fitting): JsonResponse
    {
        $body = RequestBody::of($request, 'portOnPort');
        $names = [
            'fittings '.$fitting,
            ...array_map(static fn (Node $name): string => 'fittings '.explode('.', $name->text())[0], [
                $body->get('port'),
                $body->get('onto'),
            ]),
        ];
        $file = $this->files->around($job, [], [], $names);
        $site = RouteBook::site(new Node($file));
        $own = $site->port($body->get('port'));
        if (! str_starts_with($own->name, $fitting.'.') || str_starts_with($body->get('onto')->text(), $fitting.'.')) {
            throw new EditError('A port of this fitting is put on a port of another one.');
        }

        return response()->json(
            PlaceEdit::of($this->files->item($job, 'fittings', $fitting), $site->values)->portOnto(
                $site->fittings[$fitting],
                $own,
                $site->port($body->get('onto')),
            ),
        );
    }
}
