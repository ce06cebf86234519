<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Curve;
use Bowline\Geometry\Line;
use Bowline\Geometry\Path;
use Bowline\Geometry\Vector;
use Bowline\Job\Node;
use Bowline\Job\Run;
use Bowline\Job\RunEnd;
use Bowline\Job\Site;
use Bowline\Routing\Flexible\Elastica;

/** `spring`: an elastic hose of a given length, leads included, held at both port axes and free to swivel. */
final readonly class SpringRoute implements FlexibleRoute
{
    /** More shapes than these are not offered. */
    public const MOST_SHAPES = 4;

    /** @param  int  $shape  which of the shapes at rest, 0 the one it comes to by itself */
    private function __construct(
        private float $length,
        private int $shape,
    ) {
    }

    public static function read(Node $node, Site $site): self
    {
        $shape = $node->find('shape');

        return new self(
            $site->values->positive($node->get('length'), 'the length'),
            $shape === null ? 0 : $site->values->count($shape, 'the number of a shape'),
        );
    }

    public function stopCount(): int
    {
        return 0;
    }

    public function ownEnds(): ?array
    {
        return null;
    }

    public function lay(Run $run): LaidRun
    {
        [$start, $end] = [self::socket($run->from), self::socket($run->to)];
        $shapes = $this->shapes($run, $this->shape + 1);
        $curve = $shapes === [] ? Curve::straight($start, $end) : ($shapes[$this->shape] ?? $shapes[count($shapes) - 1])->curve;

        return LaidRun::curve($run, new Path(array_values(array_filter([
            $start->distanceTo($run->from->at) > 1e-9 ? new Line($run->from->at, $start) : null,
            $curve,
            $end->distanceTo($run->to->at) > 1e-9 ? new Line($end, $run->to->at) : null,
        ]))));
    }

    /** @return list<Elastica> shapes at rest, the one it comes to by itself first; none when it is too short */
    public function shapes(Run $run, int $most): array
    {
        [$start, $end] = [self::socket($run->from), self::socket($run->to)];
        $free = $this->free($run);
        $way = $end->minus($start);
        if ($free <= $way->length() + 1e-9) {
            return [];
        }
        $straight = $way->length() > 1e-9 ? $way->unit() : new Vector(1.0, 0.0, 0.0);

        return Elastica::between($start, $end, $run->from->axis ?? $straight, $run->to->axis?->times(-1.0) ?? $straight, $free, $most);
    }

    public function withLength(float $length): self
    {
        return new self($length, 0);
    }

    /** @return array{float, float} how far apart the sockets end, and how long they are together, mm */
    public function spanned(Run $run): array
    {
        return [self::socket($run->from)->distanceTo(self::socket($run->to)), ($run->from->lead ?? 0.0) + ($run->to->lead ?? 0.0)];
    }

    public function shortage(LaidRun $laid): ?array
    {
        $distance = self::socket($laid->run->from)->distanceTo(self::socket($laid->run->to));
        $free = $this->free($laid->run);

        return $free <= $distance + 1e-9 ? [$free, $distance] : null;
    }

    private function free(Run $run): float
    {
        return $this->length - ($run->from->lead ?? 0.0) - ($run->to->lead ?? 0.0);
    }

    /** Where the rigid end socket is over. */
    private static function socket(RunEnd $end): Vector
    {
        return $end->leadPoint() ?? $end->at;
    }
}
