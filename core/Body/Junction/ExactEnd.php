<?php

declare(strict_types=1);

namespace Bowline\Body\Junction;

use Bowline\Body\EndBodies;
use Bowline\Body\EndBody;
use Bowline\Body\Stretch;
use Bowline\Body\Stretches;
use Bowline\Geometry\Path;
use Bowline\Geometry\Vector;
use Bowline\Job\JobError;
use Bowline\Job\RunEnd;
use Bowline\Job\Section;
use Bowline\Space\TubeDistance;
use LogicException;

/**
 * An end of a rounded body: from it to a ring nothing but its own tube is near, and all is exact there; on the other
 * side of the ring the surface is found on the distance.
 */
final readonly class ExactEnd
{
    /** Places at which it is looked how far off the other tubes are, along a radius. */
    private const STEPS = 16;

    /** Share of the radius between the ring and what is near, and the least straight on its outer side, mm. */
    private const MARGIN = 0.1;

    private const STRAIGHT = 1.0;

    /** Centrelines nearer than this are one, mm. */
    private const TOGETHER = 1e-6;

    /**
     * @param  int  $number  of its leg
     * @param  float  $at  length from the end to the ring, mm
     * @param  Vector  $centre  of the ring
     * @param  Vector  $out  unit, from the ring to the end
     * @param  Path  $path  from the end inwards
     * @param  list<int>  $together  numbers of the legs that begin here as one
     */
    private function __construct(
        public int $number,
        public MemberTube $leg,
        public float $at,
        public Vector $centre,
        public Vector $out,
        public Path $path,
        public EndBody $body,
        public array $together,
    ) {
    }

    /**
     * @param  array<int, MemberTube>  $legs
     * @param  float  $near  how far off each other their surfaces are not near any more, mm
     * @param  string  $pointer  of the body in the job
     * @param  EndBody|null  $given  what is at the end; null for what its run has there
     *
     * @throws JobError where there is no room for it
     */
    public static function of(
        int $number,
        RunEnd $end,
        bool $isStart,
        Path $path,
        array $legs,
        float $near,
        string $pointer,
        ?EndBody $given = null,
    ): self {
        $leg = $legs[$number];
        $section = Section::tube(2 * $leg->radius, $leg->radius - $leg->bore);
        $others = [];
        foreach ($legs as $other => $one) {
            if ($other !== $number) {
                $others[$other] = [$one->tube(0.0), $leg->radius + $one->radius + $near];
            }
        }
        [$clear, $together] = self::clear($path, $leg->radius, $others);
        $body = $given ?? EndBodies::of($end->end, $section, $clear / 2);
        $at = self::onStraight($path, $clear - self::MARGIN * $leg->radius, max($body->back(), $body->bore()));
        if ($at === null) {
            throw JobError::at($pointer, sprintf(
                '%s has no straight of its own at its %s: only %s mm of it are clear of the others',
                $leg->laid->run->name, $isStart ? 'start' : 'end', round($clear, 1),
            ));
        }

        return new self(
            $number, $leg, $at, $path->pointAt($at), $path->directionAt($at)->times(-1.0), $path, $body,
            [$number, ...$together],
        );
    }

    /**
     * @param  array<int, array{TubeDistance, float}>  $others  centrelines, and how far off each is not near
     * @return array{float, list<int>} length from the end that is clear of them, mm, and those that go along with it
     */
    private static function clear(Path $path, float $radius, array $others): array
    {
        $together = [];
        $clear = 0.0;
        $count = (int) ceil($path->length / $radius * self::STEPS);
        for ($i = 0; $i <= $count; $i++) {
            $along = $path->length * $i / $count;
            $at = $path->pointAt($along);
            foreach ($others as $number => [$centreline, $near]) {
                $distance = $centreline->at($at->x, $at->y, $at->z)[0];
                if ($distance < self::TOGETHER && ($i === 0 || in_array($number, $together, true))) {
                    $together = array_values(array_unique([...$together, $number]));
                } elseif ($distance < $near) {
                    return [$clear, $together];
                }
            }
            $clear = $along;
        }

        return [$clear, $together];
    }

    /** Returns the greatest length up to another that lies on a straight with room behind it, mm. */
    private static function onStraight(Path $path, float $most, float $taken): ?float
    {
        $found = null;
        foreach ($path->straights() as [$from, $to]) {
            $at = min($to, $most);
            if ($at - max($from, $taken) >= self::STRAIGHT) {
                $found = $at;
            }
        }

        return $found;
    }

    /** Returns how far the exact tube begins beyond the ring, for triangles of a size, mm. */
    public function band(float $size): float
    {
        $straight = 0.0;
        foreach ($this->path->straights() as [$from, $to]) {
            if ($from <= $this->at && $this->at <= $to + self::TOGETHER) {
                $straight = $this->at - max($from, $this->body->back(), $this->body->bore());
            }
        }

        return min($size, $straight / 2);
    }

    /** Whether a place lies round the axis of the ring, within a distance of it, mm. */
    public function holds(Vector $place, float $within): bool
    {
        $way = $place->minus($this->centre);

        return $way->minus($this->out->times($way->dot($this->out)))->length() < $within;
    }

    /** @return non-empty-list<Stretch> from beyond the ring to the end */
    public function stretches(float $band): array
    {
        $stretches = Stretches::along(
            $this->path->between(0.0, $this->at - $band)->reversed(), $this->leg->laid->run->section,
            $this->leg->radius,
        );

        return $stretches === [] ? throw new LogicException('a ring at the end itself') : $stretches;
    }
}
