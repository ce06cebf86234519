<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Geometry\Pose;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\Clamp;
use Bowline\Job\Guides;
use Bowline\Job\ItemRef;
use Bowline\Job\KeepOut;
use Bowline\Job\Part\Solid;
use Bowline\Job\Port;
use Bowline\Job\Shape\Cylinder;
use Bowline\Job\Shape\Plate;
use Bowline\Job\Shape\RoundEnd;
use Bowline\Job\Site;
use Bowline\Job\Surrounding;

/** Writes the resolved places of items, for drawing (schema/api.json, `place`). */
final class PlaceWriter
{
    /**
     * @param  list<ItemRef>  $only  those that are wanted
     * @return list<array<string, mixed>>
     */
    public static function only(Site $site, array $only): array
    {
        $places = [];
        foreach (self::write($site) as $place) {
            $isWanted = array_filter(
                $only,
                static fn (ItemRef $item): bool => $item->list === $place['list'] && $item->id === $place['id'],
            );
            if ($isWanted !== []) {
                $places[] = $place;
            }
        }

        return $places;
    }

    /** @return list<array<string, mixed>> */
    public static function write(Site $site): array
    {
        $places = [];
        foreach ($site->fittings as $fitting) {
            $places[] = self::place('fittings', $fitting->id, $fitting->pose, $fitting->solids, $fitting->ports);
        }
        foreach ($site->surroundings as $surrounding) {
            $places[] = [
                ...self::place(
                    'surroundings',
                    $surrounding->id,
                    $surrounding->pose,
                    [new Solid($surrounding->shape, Pose::at($surrounding->shape->middle()))],
                    [],
                ),
                'faces' => self::faces($surrounding),
                'hinge' => self::hinge($surrounding),
                'rounds' => self::rounds($surrounding),
            ];
        }
        foreach ($site->clamps as $clamp) {
            $places[] = [...self::clamp($clamp), 'foot' => $clamp->foot?->toArray()];
        }

        return $places;
    }

    /** @return array<string, mixed> */
    private static function clamp(Clamp $clamp): array
    {
        // A clamp is drawn about its axis: rotated so that its own z lies along it.
        $z = new Vector(0.0, 0.0, 1.0);
        $about =
            $z->cross($clamp->axis)->length() > Tolerance::PARALLEL
                ? $z->cross($clamp->axis)
                : new Vector(1.0, 0.0, 0.0);

        return self::place(
            'clamps',
            $clamp->id,
            Pose::turned($clamp->at, $about, $z->angleTo($clamp->axis)),
            [new Solid(new Cylinder($clamp->bore, $clamp->width), Pose::at(Vector::zero()))],
            [],
        );
    }

    /**
     * @param  list<Solid>  $solids
     * @param  array<string, Port>  $ports
     * @return array<string, mixed>
     */
    private static function place(string $list, string $id, Pose $pose, array $solids, array $ports): array
    {
        return [
            'list' => $list,
            'id' => $id,
            'pose' => self::pose($pose),
            'bodies' => array_map(self::solid(...), $solids),
            'ports' => array_map(
                static fn (string $id, Port $port): array => [
                    'id' => $id,
                    'name' => $port->name,
                    'title' => $port->title ?? $id,
                    'at' => $port->at->toArray(),
                    'axis' => $port->axis->toArray(),
                    'size' => $port->size,
                ],
                array_map(strval(...), array_keys($ports)),
                array_values($ports),
            ),
            'faces' => [],
            'foot' => null,
            'hinge' => null,
            'rounds' => [],
        ];
    }

    /** @return array<string, mixed> */
    private static function solid(Solid $solid): array
    {
        $shape = $solid->shape;

        return [
            'shape' => $shape->drawnAs(),
            'pose' => self::pose($solid->pose),
            'size' => $shape->halfExtent()->times(2.0)->toArray(),
            ...$shape->mesh() === null ? [] : ['mesh' => $shape->mesh()],
            ...$shape instanceof Plate ? ['outline' => $shape->points()] : [],
        ];
    }

    /** @return array<string, mixed> */
    public static function pose(Pose $pose): array
    {
        return ['at' => $pose->at->toArray(), 'about' => $pose->about->toArray(), 'angle' => rad2deg($pose->angle)];
    }

    /** @return list<array<string, mixed>> round ends in space */
    private static function rounds(Surrounding $surrounding): array
    {
        return array_map(static fn (RoundEnd $round): array => [
            'at' => $surrounding->pose->point($round->at)->toArray(),
            'axis' => $surrounding->pose->direction($round->axis)->toArray(),
            'diameter' => $round->diameter,
            'hollow' => $round->isHollow,
        ], $surrounding->shape->rounds());
    }

    /** @return list<array<string, mixed>> */
    private static function faces(Surrounding $surrounding): array
    {
        $faces = [];
        foreach ($surrounding->faces() as $name => [$at, $normal]) {
            $faces[] = ['name' => $name, 'at' => $at->toArray(), 'normal' => $normal->toArray()];
        }

        return $faces;
    }

    /** @return array<string, mixed>|null where its hinge is, in space, and how far it is swung */
    private static function hinge(Surrounding $surrounding): ?array
    {
        $hinge = $surrounding->hinge;

        return $hinge === null
            ? null
            : [
                'at' => $surrounding->pose->point($hinge->at)->toArray(),
                'axis' => $surrounding->pose->direction($hinge->axis)->toArray(),
                'angle' => rad2deg($hinge->angle),
            ];
    }

    /** @return list<array<string, mixed>> boxes that are kept out of, as `keep_outs` of a job's state */
    public static function keepOuts(Guides $guides): array
    {
        return array_values(array_map(static fn (KeepOut $one): array => [
            'id' => $one->id, 'name' => $one->name, 'pose' => self::pose($one->pose),
            'size' => $one->box->size->toArray(),
        ], $guides->keepOuts));
    }
}
