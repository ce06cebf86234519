<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Routing\LaidJoint;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Leg;
use Bowline\Routing\Vertex;

/** The part of a run that a finding is about. Bends, segments and ties are numbered from 0, vertices as in the run. */
final readonly class Subject
{
    /**
     * @param  'run'|'leg'|'bend'|'curve'|'corner'|'end'|'clamp'|'joint'|'repeat'  $kind
     * @param  int|null  $index  of a bend, of a joint or what repeats as told, or of the segment that a curve is
     * @param  int|null  $vertex  of a corner, or the one at the far end of the leg
     * @param  string|null  $name  "from" or "to" of an end, the id of a clamp
     * @param  int|null  $tie  of a corner
     */
    private function __construct(
        public string $kind,
        public ?int $index = null,
        public ?int $vertex = null,
        public ?string $name = null,
        public ?int $tie = null,
    ) {
    }

    public static function run(): self
    {
        return new self('run');
    }

    /** @param  int  $vertex  at its far end */
    public static function leg(int $vertex): self
    {
        return new self('leg', vertex: $vertex);
    }

    public static function bend(int $index): self
    {
        return new self('bend', $index);
    }

    /** @param  int  $segment  of the path */
    public static function curve(int $segment): self
    {
        return new self('curve', $segment);
    }

    /** Returns the bend, the leg or the curve at a developed length, mm. */
    public static function at(LaidRun $laid, float $along): self
    {
        foreach ($laid->bends as $index => $bend) {
            if ($bend->start <= $along && $along <= $bend->end()) {
                return self::bend($index);
            }
        }
        foreach ($laid->legs as $leg) {
            if ($leg->start <= $along && $along <= $leg->start + $leg->straight) {
                return self::leg($leg->toVertex);
            }
        }
        foreach ($laid->path->curves() as [$start, $curve, $segment]) {
            if ($start <= $along && $along <= $start + $curve->length()) {
                return self::curve($segment);
            }
        }

        return self::run();
    }

    public static function corner(int $vertex, ?int $tie = null): self
    {
        return new self('corner', vertex: $vertex, tie: $tie);
    }

    /** @param  'from'|'to'  $name */
    public static function end(LaidRun $laid, string $name): self
    {
        $leg = $laid->legs[$name === 'from' ? 0 : count($laid->legs) - 1] ?? null;

        return new self('end', vertex: $leg?->toVertex, name: $name);
    }

    /** @return self about a joint, and the leg on which it is drawn */
    public static function joint(LaidRun $laid, LaidJoint $joint): self
    {
        $at = $joint->at ?? $joint->told;
        $on = array_filter(
            $laid->legs,
            static fn (Leg $leg): bool => $leg->start <= $at && $at <= $leg->start + $leg->straight,
        );

        return new self('joint', $joint->index, $on === [] ? null : reset($on)->toVertex);
    }

    /** @param  int  $index  of what repeats along the run, as told */
    public static function repeat(int $index): self
    {
        return new self('repeat', $index);
    }

    /** @param  int|null  $stop  that goes through it; null of a flexible run, which has no legs */
    public static function clamp(LaidRun $laid, string $id, ?int $stop): self
    {
        $corners = $stop === null
            ? []
            : array_keys(array_filter($laid->vertices, static fn (Vertex $one): bool => $one->stop === $stop));

        // The leg through it ends at the second of its two corners.
        return new self('clamp', vertex: $corners[1] ?? null, name: $id);
    }

    /** @param  'from'|'to'  $name */
    public function isEnd(string $name): bool
    {
        return $this->kind === 'end' && $this->name === $name;
    }

    public function is(self $other): bool
    {
        return $this->toArray() === $other->toArray();
    }

    public function isJoint(int $index): bool
    {
        return $this->kind === 'joint' && $this->index === $index;
    }

    /** Returns "bend 2", "leg 3", "end from", by which a finding is waived. */
    public function key(): string
    {
        return implode(' ', array_map(strval(...), array_values($this->toArray())));
    }

    /** @return array<string, string|int> as schema/solution.json describes it */
    public function toArray(): array
    {
        return array_filter(
            ['kind' => $this->kind, 'index' => $this->index, 'vertex' => $this->vertex, 'name' => $this->name,
                'tie' => $this->tie],
            static fn (string|int|null $value): bool => $value !== null,
        );
    }
}
