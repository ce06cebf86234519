<?php

declare(strict_types=1);

namespace Bowline\Job\Stop;

use Bowline\Job\CornerRadius;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Site;

/** Reads a stop by the key it is told by. A new kind of stop is a new class and a line here. */
final class StopReader
{
    private const KINDS = ['at', 'by', 'along', 'clamp'];

    /** @throws JobError */
    public static function read(Node $node, Site $site): Stop
    {
        $values = $site->values;
        $corner = CornerRadius::read($node->find('corner'), $values);
        $said = array_values(array_filter(self::KINDS, static fn (string $kind): bool => $node->find($kind) !== null));
        if (count($said) !== 1) {
            throw $node->error('a stop is told by one of “at”, “by”, “along” or “clamp”');
        }

        return match ($said[0]) {
            'at' => new PointStop($values->vector($node->get('at')), $corner),
            'by' => new StepStop($values->vector($node->get('by')), $corner),
            'along' => self::along($node, $site, $corner),
            'clamp' => new ClampStop(
                $site->clamp($node->get('clamp')),
                $values->notNegative($node->get('before'), 'the distance before the clamp'),
                $values->notNegative($node->get('after'), 'the distance after the clamp'),
                $node->find('reverse')?->value === true,
                $corner,
            ),
        };
    }

    private static function along(Node $node, Site $site, ?CornerRadius $corner): Stop
    {
        $along = $site->values->direction($node->get('along'));
        $length = $node->find('length');
        $until = $node->find('until');
        if ($length !== null && $until !== null) {
            throw $node->error('a leg has a length or an “until”, not both');
        }

        return $until !== null
            ? new UntilStop($along, $site->place($until), $corner)
            : new StepStop($along->times($site->values->number($node->get('length'))), $corner);
    }
}
