<?php

declare(strict_types=1);

namespace Bowline\Laying;

use Bowline\Geometry\Vector;
use Bowline\Job\RunEnd;
use Bowline\Routing\LaidRun;
use stdClass;

/**
 * The opposite hand of a run: the same tube on the other side of a plane. Its ends stand in the open where the
 * mirrored ports would be; its corners are points, since what they were told by stands on the first side.
 */
final readonly class Mirror
{
    /**
     * @param  Vector  $at  a point of the plane
     * @param  Vector  $normal  unit, square to it
     */
    public function __construct(
        private Vector $at,
        private Vector $normal,
    ) {
    }

    /** @return stdClass a run in the shape of the job file, without id and name */
    public function of(LaidRun $laid): stdClass
    {
        $source = $laid->run->source;
        $stops = [];
        foreach ($laid->vertices as $vertex) {
            if ($vertex->stop === null) {
                continue;
            }
            $stop = (object) ['at' => self::numbers($this->point($vertex->at))];
            if ($vertex->ownRadius) {
                $stop->corner = (object) ['radius' => StopList::tidy($vertex->radius)];
            }
            $stops[] = $stop;
        }
        $corner = $source->route instanceof stdClass ? $source->route->corner ?? null : null;

        return (object) [
            'stock' => $laid->run->stock->id,
            'from' => $this->end($laid->run->from, $source->from ?? null),
            'to' => $this->end($laid->run->to, $source->to ?? null),
            'route' => (object) ['kind' => 'corners', ...($corner === null ? [] : ['corner' => $corner]), 'stops' => $stops],
        ];
    }

    private function end(RunEnd $end, mixed $source): stdClass
    {
        $mirrored = (object) ['at' => self::numbers($this->point($end->at))];
        if ($end->axis !== null) {
            $mirrored->axis = self::numbers($this->direction($end->axis));
        }
        foreach (['lead', 'trim', 'end'] as $key) {
            if ($source instanceof stdClass && isset($source->{$key})) {
                $mirrored->{$key} = $source->{$key};
            }
        }

        return $mirrored;
    }

    private function point(Vector $point): Vector
    {
        return $this->direction($point->minus($this->at))->plus($this->at);
    }

    private function direction(Vector $direction): Vector
    {
        return $direction->minus($this->normal->times(2 * $direction->dot($this->normal)));
    }

    /** @return list<int|float> */
    private static function numbers(Vector $vector): array
    {
        return array_map(StopList::tidy(...), $vector->toArray());
    }
}
