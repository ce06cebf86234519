<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Pose;
use Bowline\Geometry\Vector;
use Bowline\Job\Harness\Allowance;
use Bowline\Job\Part\PartReader;
use Bowline\Job\Part\Room;
use Bowline\Job\Part\Solid;
use Bowline\Job\Shape\ShapeReader;
use stdClass;

/** A thing that runs connect to: a pump, a filter, a tank; simple bodies and its ports. */
final readonly class Fitting
{
    /**
     * @param  Pose  $pose  in space, with what it is mounted on
     * @param  list<Solid>  $solids  in its own frame
     * @param  array<string, Port>  $ports  in space, by their own id
     * @param  float|null  $density  of what its body is made of, kg/m³; null where none is told
     * @param  list<Room>  $rooms  that stay free beside it, in its own frame
     */
    public function __construct(
        public string $id,
        public string $name,
        public Pose $pose,
        public array $solids,
        public array $ports,
        public ?Movement $movement,
        public ?float $density = null,
        public array $rooms = [],
    ) {
    }

    /** Returns the fitting at a position of its movement, 0 to 1; itself where it does not move. */
    public function moved(float $part): self
    {
        $movement = $this->movement;

        return $movement === null ? $this : new self(
            $this->id, $this->name, $movement->at($part), $this->solids,
            array_map(static fn (Port $port): Port => $port->moved($part), $this->ports),
            $movement, $this->density, $this->rooms,
        );
    }

    /**
     * @param  array<string, Surrounding>  $surroundings  what it may be mounted on
     *
     * @throws JobError
     */
    public static function read(Node $node, Values $values, array $surroundings): self
    {
        $id = $node->get('id')->text();
        $pose = self::mounted(PoseReader::read($node->find('pose'), $values), $node->find('on'), $surroundings);
        $part = $node->find('part');
        [$kind, $by] = $part === null ? [null, []] : PartReader::read($part, $values);
        $movement = Movement::read(
            $node->find('moves'),
            $pose,
            static fn (Pose $second): Pose => self::mounted($second, $node->find('on'), $surroundings),
            $values,
        );
        $ports = [];
        foreach ($kind?->ports($by) ?? [] as $port) {
            $ports[$port->id] = new Port(
                $id.'.'.$port->id, $pose->point($port->at), $pose->direction($port->axis), $port->size, $movement,
                $port->title,
            );
        }
        foreach ($node->list('ports') as $portNode) {
            $portId = $portNode->get('id');
            if (isset($ports[$portId->text()])) {
                throw $portId->error(sprintf('there are two ports “%s” on this fitting', $portId->text()));
            }
            $size = $portNode->find('size');
            $ports[$portId->text()] = new Port(
                $id.'.'.$portId->text(),
                $pose->point($values->vector($portNode->get('at'))),
                $pose->direction($values->direction($portNode->get('axis'))),
                $size === null ? null : $values->positive($size, 'the size of a port'),
                $movement,
                $portNode->find('name')?->text(),
                self::pins($portNode),
                $portNode->find('allowance') === null ? null : Allowance::read($portNode->get('allowance'), $values),
            );
        }

        return new self(
            $id, $node->find('name')?->text() ?? $id, $pose,
            [...$kind?->solids($by) ?? [], ...self::body($node->find('body'), $values)], $ports, $movement,
            self::density($node->find('body')?->find('density'), $values), $kind?->rooms($by) ?? [],
        );
    }

    /**
     * @return array<array-key, string|null> names of the pins of a connector, by their marks
     *
     * @throws JobError where there are two of one mark
     */
    private static function pins(Node $port): array
    {
        $pins = [];
        foreach ($port->list('pins') as $pin) {
            $mark = $pin->value instanceof stdClass ? $pin->get('id') : $pin;
            if (array_key_exists($mark->text(), $pins)) {
                throw $mark->error(sprintf('there are two pins “%s” on this port', $mark->text()));
            }
            $pins[$mark->text()] = $pin->value instanceof stdClass ? $pin->find('name')?->text() : null;
        }

        return $pins;
    }

    /**
     * @param  array<string, Surrounding>  $surroundings
     *
     * @throws JobError
     */
    public static function mounted(Pose $pose, ?Node $on, array $surroundings): Pose
    {
        if ($on === null) {
            return $pose;
        }
        $host =
            $surroundings[$on->text()] ??
            throw $on->error(sprintf('nothing of the surroundings is called “%s”', $on->text()));

        return $pose->within($host->pose);
    }

    /** @throws JobError */
    private static function density(?Node $density, Values $values): ?float
    {
        return $density === null ? null : $values->positive($density, 'the density');
    }

    /** @return list<Solid> */
    private static function body(?Node $body, Values $values): array
    {
        $at = $body?->find('at');

        return $body === null ? [] : [new Solid(
            ShapeReader::read($body, $values), Pose::at($at === null ? Vector::zero() : $values->vector($at)),
        )];
    }
}
