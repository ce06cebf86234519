<?php

declare(strict_types=1);

namespace Bowline\Job\Tie;

use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Site;

/**
 * Reads what a tie refers to: "fitting.port" or a clamp as a text, `{"stop": 2, "run": "feed"}`, `{"face": "+y", "of":
 * "bulkhead"}`, or a face by a point and a normal in the frame of its thing.
 */
final class AnchorReader
{
    /**
     * @param  string|null  $run  id of the run whose tie it is, for a stop named without a run
     *
     * @throws JobError
     */
    public static function read(Node $node, Site $site, ?string $run): Anchor
    {
        if (is_string($node->value)) {
            return self::named($node, $site);
        }
        $stop = $node->find('stop');
        if ($stop !== null) {
            return self::stop($node, $stop, $site, $run);
        }
        $of = $node->get('of');
        $body =
            $site->surroundings[$of->text()] ??
            throw $of->error(sprintf('nothing of the surroundings is called “%s”', $of->text()));
        $face = $node->find('face');
        if ($face !== null) {
            [$at, $normal] =
                $body->face($face->text()) ??
                throw $face->error(sprintf('%s has no face “%s”', $body->name, $face->text()));
            $side = $body->faceWords($face->text());

            return Anchor::face($side === '' ? $body->name : sprintf('%s, %s', $body->name, $side), $at, $normal);
        }

        return Anchor::face(
            $body->name,
            $body->pose->point($site->values->vector($node->get('at'))),
            $body->pose->direction($site->values->direction($node->get('normal'))),
        );
    }

    private static function named(Node $node, Site $site): Anchor
    {
        $port = $site->ports[$node->text()] ?? null;
        if ($port !== null) {
            return Anchor::axis($port->name, $port->at, $port->axis);
        }
        $clamp =
            $site->clamps[$node->text()] ??
            throw $node->error(sprintf('there is no port or clamp “%s”', $node->text()));

        return Anchor::axis($clamp->name, $clamp->at, $clamp->axis);
    }

    private static function stop(Node $node, Node $stop, Site $site, ?string $run): Anchor
    {
        $other = $node->find('run');
        $id = $other?->text() ?? $run ?? throw $node->error('say which “run” the stop is of');
        $index = $site->values->count($stop, 'the number of a stop');
        $vertices = $site->routes->stop($site, $id, $index, $node);

        return Anchor::point($site->routes->words($id, $index), $vertices[count($vertices) - 1]);
    }
}
