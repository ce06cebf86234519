<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Geometry\Pose;
use Bowline\Geometry\Vector;
use Bowline\Job\Port;
use Bowline\Job\Shape\Cylinder;
use Bowline\Job\Shape\Shape;
use Bowline\Job\Site;

/** Writes where things stand, worked out, for whoever draws them (schema/api.json, `place`). */
final class PlaceWriter
{
    /** @return list<array<string, mixed>> */
    public static function write(Site $site): array
    {
        $places = [];
        foreach ($site->fittings as $fitting) {
            $places[] = self::place('fittings', $fitting->id, $fitting->pose, $fitting->body, $fitting->bodyAt, $fitting->ports);
        }
        foreach ($site->surroundings as $surrounding) {
            $places[] = self::place('surroundings', $surrounding->id, $surrounding->pose, $surrounding->shape, Vector::zero(), []);
        }
        foreach ($site->clamps as $clamp) {
            // A clamp is drawn round its axis: turned so that its own z lies along it.
            $z = new Vector(0.0, 0.0, 1.0);
            $angle = $z->angleTo($clamp->axis);
            $about = $z->cross($clamp->axis)->length() > 1e-9 ? $z->cross($clamp->axis) : new Vector(1.0, 0.0, 0.0);
            $places[] = self::place(
                'clamps', $clamp->id, Pose::turned($clamp->at, $about, $angle), new Cylinder($clamp->bore, $clamp->width), Vector::zero(), [],
            );
        }

        return $places;
    }

    /**
     * @param  array<string, Port>  $ports
     * @return array<string, mixed>
     */
    private static function place(string $list, string $id, Pose $pose, ?Shape $body, Vector $bodyAt, array $ports): array
    {
        return [
            'list' => $list,
            'id' => $id,
            'pose' => ['at' => $pose->at->toArray(), 'about' => $pose->about->toArray(), 'angle' => rad2deg($pose->angle)],
            'body' => $body === null ? null : [
                'shape' => $body instanceof Cylinder ? 'cylinder' : 'box',
                'at' => $bodyAt->toArray(),
                'size' => $body->halfExtent()->times(2.0)->toArray(),
            ],
            'ports' => array_map(static fn (string $id, Port $port): array => [
                'id' => $id, 'name' => $port->name, 'at' => $port->at->toArray(), 'axis' => $port->axis->toArray(), 'size' => $port->size,
            ], array_map(strval(...), array_keys($ports)), array_values($ports)),
        ];
    }
}
