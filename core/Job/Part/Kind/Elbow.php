<?php

declare(strict_types=1);

namespace Bowline\Job\Part\Kind;

use Bowline\Geometry\Vector;
use Bowline\Job\Part\Parameter;
use Bowline\Job\Part\PartKind;
use Bowline\Job\Part\PartPort;
use Bowline\Job\Part\Solid;

/** An elbow that is screwed or clamped on: its second leg is turned up out of +x. */
final readonly class Elbow extends PartKind
{
    public function word(): string
    {
        return 'elbow';
    }

    public function title(): string
    {
        return 'Elbow';
    }

    public function parameters(): array
    {
        return [
            new Parameter('leg', 'Centre to face', 35.0),
            new Parameter('angle', 'Turns by', 90.0, '°', 1.0, 179.0),
            new Parameter('size', 'For tube of', 28.0),
        ];
    }

    public function solids(array $by): array
    {
        $s = $by['size'] + 8.0;

        return [
            Solid::round(self::x(-$by['leg']), Vector::zero(), $s),
            Solid::round(Vector::zero(), self::turned($by), $s),
            Solid::box(Vector::zero(), $s, $s, $s),
        ];
    }

    public function ports(array $by): array
    {
        return [
            new PartPort('a', 'Side A', self::x(-$by['leg']), self::x(-1.0), $by['size']),
            new PartPort('b', 'Side B', self::turned($by), self::turned($by)->unit(), $by['size']),
        ];
    }

    /** @param  array<string, float>  $by */
    private static function turned(array $by): Vector
    {
        $angle = deg2rad($by['angle']);

        return new Vector($by['leg'] * cos($angle), 0.0, $by['leg'] * sin($angle));
    }
}
