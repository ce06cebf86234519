<?php

declare(strict_types=1);

namespace Bowline\Editing;

use Bowline\Geometry\Vector;
use Bowline\Job\FileValue;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Values;
use Bowline\Routing\LaidJoint;
use Bowline\Routing\LaidRun;

/** The one number of an edit that is dragged: how far a corner moves, the length of a leg, the radius of a bend. */
final readonly class DragParameter
{
    /**
     * @param  float  $rest  the amount at which nothing changes, or with a least: one that is surely enough
     * @param  float  $wish  the amount asked for
     * @param  bool  $hasLeast  whether there can be too little of it, and never too much
     * @param  callable(float): Node  $at
     */
    private function __construct(
        public float $rest,
        public float $wish,
        public bool $hasLeast,
        private mixed $at,
    ) {
    }

    /**
     * @return self|null null for an edit that has no such number
     *
     * @throws JobError
     */
    public static function of(Node $change, LaidRun $laid, Values $values): ?self
    {
        $edit = RunEdits::of($change);

        return is_a($edit, Draggable::class, true) ? $edit::drag($change, $laid, $values) : null;
    }

    public function at(float $amount): Node
    {
        return ($this->at)($amount);
    }

    public static function move(Node $change, Values $values): self
    {
        $by = $values->vector($change->get('by'));
        $wish = $by->length();

        return new self(0.0, $wish, false, static fn (float $amount): Node => self::withMember(
            $change, 'by', ($wish > 0.0 ? $by->times($amount / $wish) : $by)->toArray(),
        ));
    }

    /** Returns the distance of the point of a smooth run that moves farthest; null where none moves. */
    public static function points(Node $change, LaidRun $laid, Values $values): ?self
    {
        $asked = $change->get('route')->list('points');
        $present = (new Node($laid->run->source))->find('route')?->list('points') ?? [];
        if ($asked === [] || count($asked) !== count($present)) {
            return null;
        }
        $ways = [];
        foreach ($asked as $index => $point) {
            $hasPlace = $point->find('clamp') === null && $present[$index]->find('clamp') === null;
            $rest = $hasPlace ? $values->vector($present[$index]->find('at') ?? $present[$index]) : Vector::zero();
            $ways[] = [$rest, $hasPlace ? $values->vector($point->find('at') ?? $point)->minus($rest) : Vector::zero()];
        }
        $wish = max(array_map(static fn (array $way): float => $way[1]->length(), $ways));

        return $wish <= 0.0
            ? null
            : new self(0.0, $wish, false, static function (float $amount) use ($change, $asked, $ways, $wish): Node {
                $route = clone $change->get('route')->object();
                $route->points = array_map(
                    static function (Node $point, array $way) use ($amount, $wish): mixed {
                        if ($way[1]->length() === 0.0) {
                            return $point->value;
                        }
                        $at = array_map(
                            FileValue::roundForFile(...),
                            $way[0]->plus($way[1]->times($amount / $wish))->toArray(),
                        );

                        return is_array($point->value)
                            ? $at
                            : (object) [...get_object_vars($point->object()), 'at' => $at];
                    },
                    $asked,
                    $ways,
                );

                return self::withMember($change, 'route', $route);
            });
    }

    public static function radius(Node $change, LaidRun $laid, Values $values): ?self
    {
        $vertex = $change->get('vertex')->value;
        $radius = $change->get('corner')->find('radius');
        // All corners together begin at the radius of the run, which its ends carry.
        $now = $laid->vertices[is_int($vertex) ? $vertex : 0]->radius ?? null;

        return $radius === null || $now === null
            ? null
            : new self(
                $now,
                $values->positive($radius, 'the bend radius'),
                false,
                static fn (float $amount): Node => self::withMember(
                    $change,
                    'corner',
                    (object) ['radius' => FileValue::roundForFile($amount)],
                ),
            );
    }

    public static function leg(Node $change, LaidRun $laid, Values $values): ?self
    {
        $length = $change->find('length');
        if ($length === null) {
            return null;
        }
        $wish = $values->number($length);
        $bend = $laid->run->stock->bend;
        $widest = array_reduce(
            $laid->vertices,
            static fn (float $most, $vertex): float => max($most, $vertex->radius),
            $bend->radius,
        );

        return new self(
            $wish + 4 * $widest + $bend->leastStraight, $wish, true,
            static fn (float $amount): Node => self::withMember($change, 'length', FileValue::roundForFile($amount)),
        );
    }

    /** Returns the place of a joint along the run; null where there is no such joint, or it has no place. */
    public static function joint(Node $change, LaidRun $laid, Values $values): ?self
    {
        $index = $values->count($change->get('joint'), 'the joint');
        foreach (LaidJoint::all($laid) as $joint) {
            if ($joint->index === $index && $joint->at !== null) {
                return new self(
                    $joint->at, $values->number($change->get('along')), false,
                    static fn (float $amount): Node => self::withMember(
                        $change, 'along', FileValue::roundForFile($amount),
                    ),
                );
            }
        }

        return null;
    }

    public static function number(Node $change, string $key, float $rest, Values $values): self
    {
        return new self(
            $rest, $values->positive($change->get($key), 'the length to hold'), false,
            static fn (float $amount): Node => self::withMember($change, $key, FileValue::roundForFile($amount)),
        );
    }

    private static function withMember(Node $change, string $key, mixed $value): Node
    {
        $copy = clone $change->object();
        $copy->{$key} = $value;

        return new Node($copy, $change->pointer);
    }
}
