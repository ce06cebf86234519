<?php

declare(strict_types=1);

namespace Bowline\Job\Part\Kind;

use Bowline\Geometry\Vector;
use Bowline\Job\Part\Parameter;
use Bowline\Job\Part\PartKind;
use Bowline\Job\Part\PartPort;
use Bowline\Job\Part\Solid;

/** A tee with its branch up. */
final readonly class Tee extends PartKind
{
    public function word(): string
    {
        return 'tee';
    }

    public function title(): string
    {
        return 'Tee';
    }

    public function parameters(): array
    {
        return [
            new Parameter('leg', 'Centre to face', 35.0),
            new Parameter('branch', 'Centre to branch face', 35.0),
            new Parameter('size', 'For tube of', 28.0),
        ];
    }

    public function solids(array $by): array
    {
        return [
            Solid::round(self::x(-$by['leg']), self::x($by['leg']), $by['size'] + 8.0),
            Solid::round(Vector::zero(), self::z($by['branch']), $by['size'] + 8.0),
        ];
    }

    public function ports(array $by): array
    {
        return [
            new PartPort('a', 'Side A', self::x(-$by['leg']), self::x(-1.0), $by['size']),
            new PartPort('b', 'Side B', self::x($by['leg']), self::x(1.0), $by['size']),
            new PartPort('branch', 'Branch', self::z($by['branch']), self::z(1.0), $by['size']),
        ];
    }
}
