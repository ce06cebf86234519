<?php

declare(strict_types=1);

namespace Bowline\Proposals;

use Bowline\Job\FileValue;
use Bowline\Job\JobError;
use Bowline\Job\Likeness;
use Bowline\Job\Node;
use Bowline\Job\RunEnd;
use Bowline\Job\Values;
use Bowline\Routing\LaidRun;
use Bowline\Routing\VertexPlace;
use stdClass;

/**
 * A copy of a run: moved by an offset, or mirrored in a plane. A tied copy follows the first from then on; otherwise
 * its ends are bare points and its corners are points, since what the first refers to stands elsewhere.
 */
final readonly class Twin
{
    /**
     * @param  stdClass  $said  `offset`, or `across` with `at` and `normal`, in the shape of the file
     */
    private function __construct(
        private Likeness $likeness,
        private stdClass $said,
    ) {
    }

    /**
     * @param  Node  $body  `offset` or `across`
     *
     * @throws JobError
     */
    public static function read(Node $body, Values $values): self
    {
        $key = $body->find('across') === null ? 'offset' : 'across';

        return new self(Likeness::read($body, $values), (object) [$key => $body->get($key)->value]);
    }

    /** @return stdClass a run in the shape of the job file, without id and name */
    public function of(LaidRun $laid, bool $tied): stdClass
    {
        $source = $laid->run->source;
        $corner = $source->route instanceof stdClass ? $source->route->corner ?? null : null;

        return (object) [
            'stock' => $laid->run->stock->id,
            'from' => $tied ? $this->tiedEnd($laid, 'from') : $this->end($laid->run->from, $source->from ?? null),
            'to' => $tied ? $this->tiedEnd($laid, 'to') : $this->end($laid->run->to, $source->to ?? null),
            'route' => (object) [
                'kind' => 'corners', ...($corner === null ? [] : ['corner' => $corner]),
                ...($tied
                    ? ['like' => (object) ['run' => $laid->run->id, ...get_object_vars($this->said)], 'stops' => []]
                    : ['stops' => $this->stops($laid)]),
            ],
        ];
    }

    /** @return list<stdClass> */
    private function stops(LaidRun $laid): array
    {
        $stops = [];
        foreach ($laid->vertices as $vertex) {
            if ($vertex->place !== VertexPlace::Stop && $vertex->place !== VertexPlace::Like) {
                continue;
            }
            $stop = (object) [
                'at' => array_map(FileValue::roundForFile(...), $this->likeness->point($vertex->at)->toArray()),
            ];
            if ($vertex->ownRadius) {
                $stop->corner = (object) ['radius' => FileValue::roundForFile($vertex->radius)];
            }
            $stops[] = $stop;
        }

        return $stops;
    }

    /** @param  'from'|'to'  $which */
    private function tiedEnd(LaidRun $laid, string $which): stdClass
    {
        return (object) [
            'like' => (object) ['run' => $laid->run->id, 'end' => $which, ...get_object_vars($this->said)],
        ];
    }

    private function end(RunEnd $end, mixed $source): stdClass
    {
        $twin = (object) ['at' => array_map(FileValue::roundForFile(...), $this->likeness->point($end->at)->toArray())];
        if ($end->axis !== null) {
            $twin->axis = array_map(FileValue::roundForFile(...), $this->likeness->direction($end->axis)->toArray());
        }
        if ($end->lead !== null) {
            $twin->lead = FileValue::roundForFile($end->lead);
        }
        foreach (['trim', 'end'] as $key) {
            if ($source instanceof stdClass && isset($source->{$key})) {
                $twin->{$key} = $source->{$key};
            }
        }

        return $twin;
    }
}
