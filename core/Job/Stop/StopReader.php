<?php

declare(strict_types=1);

namespace Bowline\Job\Stop;

use Bowline\Job\CornerRadius;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Job\Tie\Tie;

/** Reads a stop by its key. A new kind of stop is a new class and a line here. */
final class StopReader
{
    private const KINDS = ['at', 'by', 'along', 'clamp'];

    /**
     * @param  string|null  $run  id of the run it is of, for ties to other stops of the same
     *
     * @throws JobError
     */
    public static function read(Node $node, Site $site, ?string $run = null): Stop
    {
        $values = $site->values;
        $corner = CornerRadius::read($node->find('corner'), $values);
        $said = array_values(array_filter(self::KINDS, static fn (string $kind): bool => $node->find($kind) !== null));
        if (count($said) !== 1) {
            throw $node->error('a stop is told by one of “at”, “by”, “along” or “clamp”');
        }

        $ties = array_map(static fn (Node $tie): Tie => Tie::read($tie, $site, $run), $node->list('ties'));
        if ($ties !== [] && $said[0] === 'clamp') {
            throw $node->get('ties')->error('a clamp holds its corners by itself; tie the clamp to what it stands on');
        }

        return match ($said[0]) {
            'at' => new PointStop($values->vector($node->get('at')), $corner, $ties),
            'by' => new StepStop($values->vector($node->get('by')), $corner, $ties),
            'along' => self::along($node, $site, $corner, $ties),
            'clamp' => new ClampStop(
                $site->clamp($node->get('clamp')),
                $values->notNegative($node->get('before'), 'the distance before the clamp'),
                $values->notNegative($node->get('after'), 'the distance after the clamp'),
                $node->find('reverse')?->value === true,
                $corner,
            ),
        };
    }

    /** @param  list<Tie>  $ties */
    private static function along(Node $node, Site $site, ?CornerRadius $corner, array $ties): Stop
    {
        $along = $site->values->direction($node->get('along'));
        $length = $node->find('length');
        $until = $node->find('until');
        if ($length !== null && $until !== null) {
            throw $node->error('a leg has a length or an “until”, not both');
        }

        return $until !== null
            ? new UntilStop($along, $site->place($until), $corner, $ties)
            : new StepStop($along->times($site->values->number($node->get('length'))), $corner, $ties);
    }
}
