<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\JobFiles;
use App\Http\RequestBody;
use App\Models\Job;
use App\Settling\SettledShape;
use Bowline\Drawing\MeasuredThing;
use Bowline\Drawing\Measurement;
use Bowline\Job as CoreJob;
use Bowline\Job\Node;
use Bowline\Job\Values;
use Bowline\Routing\LaidRun;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Measures between two things that were pointed at. */
final readonly class MeasureController
{
    public function __construct(private JobFiles $files)
    {
    }

    public function __invoke(Request $request, Job $job): JsonResponse
    {
        $body = RequestBody::of($request, 'measureOf');
        $ids = array_values(array_filter(
            array_map(static fn (string $side): ?string => $body->get($side)->find('run')?->text(), ['from', 'to']),
            is_string(...),
        ));
        $core = CoreJob::read($this->files->around($job, $ids));
        $laid = static function (Node $id) use ($core, $job): LaidRun {
            $run = SettledShape::of($job, $core->runs[$id->text()] ?? throw $id->error('there is no such run'));

            return $run->route->lay($run);
        };
        $values = Values::read(null);
        $found = Measurement::between(
            MeasuredThing::read($body->get('from'), $values, $laid),
            MeasuredThing::read($body->get('to'), $values, $laid),
        );

        return response()->json([
            'distance' => $found->way->length(),
            'way' => $found->way->withoutNegativeZeros(),
            'angle' => $found->angle === null ? null : rad2deg($found->angle),
            'along' => $found->along,
            'least' => $found->least === null ? null : [
                'distance' => $found->least->distance(),
                'from' => $found->least->from->withoutNegativeZeros(),
                'to' => $found->least->to->withoutNegativeZeros(),
            ],
            'clear' => $found->clear,
            'axes' => $found->axes,
        ]);
    }
}
