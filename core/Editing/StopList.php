<?php

declare(strict_types=1);

namespace Bowline\Editing;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\FileValue;
use Bowline\Routing\Vertex;
use stdClass;

/** The stops of a route in the shape of the job file; edits keep the form of each. */
final class StopList
{
    /** @var array<int, list<Vector>> where each stop's vertices are, by stop */
    private array $places = [];

    /** @var array<int, Vector> the vertex before each stop */
    private array $before = [];

    /** @param  list<Vertex>  $vertices */
    public function __construct(
        private readonly stdClass $route,
        private readonly array $vertices,
    ) {
        foreach ($vertices as $index => $vertex) {
            if ($vertex->stop !== null) {
                $this->places[$vertex->stop][] = $vertex->at;
                $this->before[$vertex->stop] ??= $vertices[$index - 1]->at;
            }
        }
    }

    public function count(): int
    {
        return count($this->all());
    }

    public function at(int $stop): stdClass
    {
        return $this->all()[$stop] ?? throw new EditError('This run has no such stop.');
    }

    public function setCorner(int $stop, ?stdClass $corner): void
    {
        $object = $this->at($stop);
        if ($corner === null) {
            unset($object->corner);
        } else {
            $object->corner = $corner;
        }
    }

    public function move(int $stop, int $vertex, Vector $by): void
    {
        $object = $this->at($stop);
        $this->settle($stop);
        if (isset($object->clamp)) {
            $this->slideAtClamp($object, $stop, $vertex, $by);
        } elseif (isset($object->at)) {
            $object->at = self::added($object->at, $by);
        } elseif (isset($object->by)) {
            $object->by = self::added($object->by, $by);
        } else {
            $this->restep($object, $this->places[$stop][0]->minus($this->before[$stop]), $by);
        }
    }

    /** Gives a tied stop the place of its solution, so that a move starts from there. */
    public function settle(int $stop): void
    {
        $object = $this->at($stop);
        if (! isset($object->ties) || isset($object->clamp) || ! isset($this->places[$stop])) {
            return;
        }
        $at = $this->places[$stop][0];
        $isNumbers = static fn (mixed $numbers): bool => is_array($numbers) &&
            array_filter($numbers, is_string(...)) === [];
        if (isset($object->at)) {
            $object->at = $isNumbers($object->at) ? self::components($at) : $object->at;
        } elseif (isset($object->by)) {
            $object->by = $isNumbers($object->by) ? self::components($at->minus($this->before[$stop])) : $object->by;
        } elseif (! is_string($object->length ?? 0) || isset($object->until)) {
            $this->retell($object, $at->minus($this->before[$stop]));
        }
    }

    /** Gives a stop that was relative to one that is replaced its absolute place. */
    public function loosenNext(int $index): void
    {
        $next = $this->all()[$index] ?? null;
        if ($next !== null && (isset($next->by) || isset($next->length))) {
            unset($next->by, $next->along, $next->length);
            $next->at = self::components($this->places[$index][0]);
        }
    }

    /**
     * Leads the run through a clamp in place of a corner that was just inserted on a straight.
     *
     * @param  Vector  $centre  of the clamp, in the corner; the run goes along its axis
     * @param  float  $half  of its width, mm
     */
    public function leadThrough(int $index, string $clamp, Vector $centre, Vector $axis, float $half): void
    {
        $stops = $this->all();
        $told = FileValue::roundForFile($half);
        $stops[$index] = (object) ['clamp' => $clamp, 'before' => $told, 'after' => $told];
        $next = $stops[$index + 1] ?? null;
        if ($next !== null && (isset($next->by) || isset($next->length))) {
            $this->retell($next, $this->places[$index][0]->minus($centre->plus($axis->times($half))));
        }
        $this->route->stops = array_values($stops);
    }

    /** @param  bool  $pushed  whether what the first is told from has moved by as much already */
    public function moveTogether(int $first, int $last, Vector $by, bool $pushed = false): void
    {
        for ($stop = $first; $stop <= $last; $stop++) {
            $object = $this->at($stop);
            if (isset($object->clamp)) {
                throw new EditError('A clamp stays where it is.');
            }
            if (($stop === $first && ! $pushed) || isset($object->at)) {
                $this->move($stop, 0, $by);
            }
        }
        $next = $this->all()[$last + 1] ?? null;
        if ($next !== null && $this->wouldFollow($next, $last + 1, $by)) {
            $this->move($last + 1, 0, $by->times(-1.0));
        }
    }

    /** Whether a stop moves with the one before it; one that is level with something does so only sideways. */
    private function wouldFollow(stdClass $stop, int $index, Vector $by): bool
    {
        if (! isset($stop->until)) {
            return isset($stop->by) || isset($stop->length);
        }
        $along = is_string($stop->along ?? null) ? Vector::axis($stop->along) : null;
        $along ??= $this->places[$index][0]->minus($this->before[$index])->unit();

        return $by->minus($along->times($by->dot($along)))->length() > Tolerance::COINCIDENT;
    }

    /** @param  string|list<mixed>|null  $along */
    public function setLeg(
        int $stop,
        int $vertex,
        string|array|null $along,
        int|float|string|null $length,
        ?string $until,
    ): void {
        $object = $this->at($stop);
        if (isset($object->clamp)) {
            throw new EditError('The clamp says how the run goes here; set the distance before or after it.');
        }
        $leg = $this->vertices[$vertex]->at->minus($this->vertices[$vertex - 1]->at);
        if (isset($object->at) && $along === null && $until === null && (is_int($length) || is_float($length))) {
            $this->move($stop, $vertex, $leg->unit()->times($length - $leg->length()));

            return;
        }
        $direction = $along ?? $object->along ?? $leg->unit()->axisName() ?? self::components($leg->unit());
        unset($object->at, $object->by, $object->along, $object->length, $object->until);
        $object->along = $direction;
        if ($until !== null) {
            $object->until = $until;
        } else {
            $object->length = $length ?? FileValue::roundForFile($leg->length());
        }
    }

    /** Inserts a corner before stop $index, in the leg that ends at $vertex; the stop itself stays in place. */
    public function insert(int $index, int $vertex, Vector $point): void
    {
        $stops = $this->all();
        $start = $this->vertices[$vertex - 1]->at;
        $new = new stdClass;
        $axis = $point->minus($start)->axisName();
        if ($axis !== null) {
            $new->along = $axis;
            $new->length = FileValue::roundForFile($point->distanceTo($start));
        } else {
            $new->at = self::components($point);
        }
        $next = $stops[$index] ?? null;
        if ($next !== null && (isset($next->by) || isset($next->length))) {
            $this->retell($next, $this->places[$index][0]->minus($point));
        }
        array_splice($stops, $index, 0, [$new]);
        $this->route->stops = $stops;
    }

    public function remove(int $stop): void
    {
        $stops = $this->all();
        $next = $stops[$stop + 1] ?? null;
        if ($next !== null && (isset($next->by) || isset($next->length))) {
            $this->retell($next, $this->places[$stop + 1][0]->minus($this->before[$stop]));
        }
        unset($stops[$stop]);
        $this->route->stops = array_values($stops);
    }

    /**
     * Reverses the stops of a run that is to go the other way: points stay points, clamps are passed the other way, and
     * every step is rewritten from the corner that then precedes it.
     */
    public function reverse(): void
    {
        $stops = $this->all();
        $reversed = [];
        for ($index = count($stops) - 1; $index >= 0; $index--) {
            $stop = $stops[$index];
            if (isset($stop->clamp)) {
                [$stop->before, $stop->after] = [$stop->after ?? 0, $stop->before ?? 0];
                $stop->reverse = ($stop->reverse ?? false) !== true;
            } elseif (! isset($stop->at)) {
                $this->retellFrom($stop, $index);
            }
            $reversed[] = $stop;
        }
        $this->route->stops = $reversed;
    }

    /** Rewrites a stop as a step from the corner that came after it. */
    private function retellFrom(stdClass $stop, int $index): void
    {
        $own = $this->places[$index][0];
        foreach ($this->vertices as $number => $vertex) {
            if ($vertex->stop === $index) {
                $this->retell($stop, $own->minus($this->vertices[$number + 1]->at));

                return;
            }
        }
    }

    /** @return list<stdClass> */
    private function all(): array
    {
        $stops = $this->route->stops ?? [];

        return is_array($stops)
            ? array_values(array_filter($stops, static fn (mixed $stop): bool => $stop instanceof stdClass))
            : [];
    }

    /** Moves the end of a leg given by direction and length, or until something. */
    private function restep(stdClass $stop, Vector $step, Vector $by): void
    {
        $along = $stop->along;
        $direction = is_string($along) ? Vector::axis($along) : null;
        $direction ??= $step->unit();
        $sideways = $by->minus($direction->times($by->dot($direction)));
        unset($stop->until);
        if ($sideways->length() < Tolerance::COINCIDENT) {
            $length = $stop->length ?? null;
            $stop->length = is_string($length)
                ? self::sum($length, $by->dot($direction))
                : FileValue::roundForFile($step->dot($direction) + $by->dot($direction));

            return;
        }
        unset($stop->along, $stop->length);
        $stop->by = self::components($step->plus($by));
    }

    /** Rewrites a relative stop by its whole step, along an axis where it is parallel to one. */
    private function retell(stdClass $stop, Vector $step): void
    {
        unset($stop->by, $stop->along, $stop->length, $stop->until);
        $axis = $step->axisName();
        if ($axis === null) {
            $stop->by = self::components($step);
        } else {
            $stop->along = $axis;
            $stop->length = FileValue::roundForFile($step->length());
        }
    }

    private function slideAtClamp(stdClass $stop, int $index, int $vertex, Vector $by): void
    {
        [$first, $second] = [$this->places[$index][0], $this->places[$index][1]];
        $travel = $second->minus($first)->unit();
        if ($by->minus($travel->times($by->dot($travel)))->length() > Tolerance::COINCIDENT) {
            throw new EditError('A corner beside a clamp moves only along the axis of the clamp.');
        }
        $isFirst = ($this->vertices[$vertex - 1]->stop ?? null) !== $index;
        $key = $isFirst ? 'before' : 'after';
        $change = $by->dot($travel) * ($isFirst ? -1.0 : 1.0);
        $value = $stop->{$key} ?? 0;
        $stop->{$key} = is_string($value)
            ? self::sum($value, $change)
            : FileValue::roundForFile((is_numeric($value) ? (float) $value : 0.0) + $change);
    }

    /** @return list<int|float> */
    private static function components(Vector $vector): array
    {
        return FileValue::vector($vector);
    }

    /** @return list<int|float|string> three numbers of the file with a vector added */
    public static function added(mixed $numbers, Vector $by): array
    {
        $sum = [];
        $parts = $by->toArray();
        foreach (is_array($numbers) ? array_values($numbers) : [] as $i => $number) {
            $part = $parts[$i] ?? 0.0;
            $sum[] = is_string($number)
                ? self::sum($number, $part)
                : FileValue::roundForFile((is_int($number) || is_float($number) ? $number : 0.0) + $part);
        }

        return $sum;
    }

    /** Returns an expression plus a length; a constant that was added before is combined with it. */
    private static function sum(string $expression, float $add): string|int|float
    {
        if (abs($add) < Tolerance::NOTHING) {
            return $expression;
        }
        if (is_numeric($expression)) {
            return FileValue::roundForFile((float) $expression + $add);
        }
        if (preg_match('/^(.*[\w)]) ([+-]) (\d+(?:\.\d+)?)$/', $expression, $match) === 1) {
            $expression = $match[1];
            $add += (float) ($match[2].$match[3]);
        }
        if (abs($add) < Tolerance::NOTHING) {
            return $expression;
        }

        return sprintf(
            '%s %s %s',
            $expression,
            $add < 0 ? '-' : '+',
            json_encode(FileValue::roundForFile(abs($add)), JSON_THROW_ON_ERROR),
        );
    }
}
