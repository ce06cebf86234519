<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Curve;
use Bowline\Geometry\Path;
use Bowline\Job\End\OpenEnd;
use Bowline\Job\Node;
use Bowline\Job\Run;
use Bowline\Job\RunEnd;
use Bowline\Job\Site;
use Bowline\Routing\Flexible\Winding;

/** `wrap`: a helix wound round another run, following its bends. */
final readonly class WrapRoute implements FlexibleRoute
{
    private function __construct(private Curve $curve)
    {
    }

    public static function read(Node $node, Site $site): self
    {
        $values = $site->values;
        $hostNode = $node->get('host');
        $host = $site->routes->laid($site, $hostNode->text(), $hostNode);
        $from = $values->notNegative($node->get('from_length'), 'where it begins');
        $to = $values->number($node->get('to_length'));
        if ($to <= $from) {
            throw $node->get('to_length')->error('it must end farther along the host than it begins');
        }
        if ($to > $host->length() + 1e-6) {
            throw $node->get('to_length')->error(sprintf('the host is only %.1f mm long', $host->length()));
        }
        $turns = $node->find('turns');
        $pitch = $turns !== null ? ($to - $from) / $values->positive($turns, 'the number of turns') : $values->positive($node->get('pitch'), 'the pitch');
        $gap = $values->notNegative($node->find('gap'), 'the gap');
        $hand = $node->find('hand')->value ?? 'right';
        if ($hand !== 'right' && $hand !== 'left') {
            throw $node->get('hand')->error('a hand is “right” or “left”');
        }
        $angle = $node->find('start_angle');
        $own = $site->routes->stock($site);

        return new self(Winding::round(
            $host->path, $from, min($to, $host->length()),
            $host->run->stock->section->outsideDiameter / 2 + $gap + $own->section->outsideDiameter / 2,
            $hand === 'left' ? -$pitch : $pitch, $angle === null ? 0.0 : deg2rad($values->number($angle)), $site->up,
        ));
    }

    public function stopCount(): int
    {
        return 0;
    }

    public function ownEnds(): array
    {
        return [
            new RunEnd($this->curve->start(), null, null, null, 0.0, new OpenEnd, false),
            new RunEnd($this->curve->end(), null, null, null, 0.0, new OpenEnd, false),
        ];
    }

    public function shortage(LaidRun $laid): ?array
    {
        return null;
    }

    public function asCut(Run $run): self
    {
        return $this;
    }

    public function span(Run $run): ?array
    {
        return null;
    }

    public function lay(Run $run): LaidRun
    {
        return LaidRun::curve($run, new Path([$this->curve]));
    }
}
