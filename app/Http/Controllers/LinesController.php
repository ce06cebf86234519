<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\RequestBody;
use App\Models\Job;
use Bowline\Exchange\BroughtIn;
use Bowline\Exchange\MachineTable;
use Bowline\Job\Node;
use Bowline\Job\Units;
use Bowline\Job\Values;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Reads a file of existing lines and returns its runs and remarks; nothing is stored. */
final class LinesController
{
    public function __invoke(Request $request, Job $job): JsonResponse
    {
        $body = RequestBody::of($request, 'drawing');
        $text = $body->get('text')->text();
        $table = $body->find('table');
        [$routes, $remarks] = BroughtIn::of(
            $table === null
                ? $text
                : MachineTable::read($table->get('kind'), $table->get('columns'))->standard($text),
            Values::read(new Node($job->named_values)),
            Units::read(new Node($job->header())),
            $body->find('trunks')?->value === true,
        );

        return response()->json(['routes' => $routes, 'remarks' => $remarks]);
    }
}
