<?php

declare(strict_types=1);

namespace Bowline\Job\Part\Kind;

use Bowline\Geometry\Vector;
use Bowline\Job\Part\Parameter;
use Bowline\Job\Part\PartKind;
use Bowline\Job\Part\PartPort;
use Bowline\Job\Part\Solid;

/** A port by itself. */
final readonly class BarePort extends PartKind
{
    public function word(): string
    {
        return 'bare-port';
    }

    public function title(): string
    {
        return 'Bare port';
    }

    public function parameters(): array
    {
        return [
            new Parameter('size', 'For tube of', 28.0),
        ];
    }

    public function solids(array $by): array
    {
        return [Solid::round(self::x(-6.0), Vector::zero(), $by['size'] + 4.0)];
    }

    public function ports(array $by): array
    {
        return [new PartPort('port', 'Port', Vector::zero(), self::x(1.0), $by['size'])];
    }
}
