<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\ReadsShape;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Vector;
use Bowline\Job\Node;
use Bowline\Job\Site;

/** Keeps the present shape of a draped run, or releases it. */
final readonly class KeepShape implements ReadsShape
{
    public function __construct(
        private bool $keep,
    ) {
    }

    public static function word(): string
    {
        return 'keep-shape';
    }

    public static function label(): string
    {
        return 'Keep or let go the shape of %s';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        return new self($body->get('keep')->value === true);
    }

    /** @throws EditError when it is no draped run */
    public function apply(RunDraft $draft): void
    {
        if ($draft->laid->run->route->settling() === null) {
            throw new EditError('Only a run that lies over what it meets can be kept as it lies.');
        }
        $points = [$draft->laid->run->from->at];
        foreach ($draft->laid->path->segments as $segment) {
            // The straight in a clamp is given by two points.
            $curve = $segment->curve();
            $told = match (true) {
                $curve === null => [$segment->start(), $segment->end()],
                $curve->through === [] => $curve->points,
                default => $curve->through,
            };
            array_push($points, ...array_slice($told, 1));
        }

        (new SetRoute(
            (object) [
                'kept' => $this->keep
                    ? array_map(
                        static fn (Vector $point): array => [
                            round($point->x, 6),
                            round($point->y, 6),
                            round($point->z, 6),
                        ],
                        $points,
                    )
                    : null,
            ],
        ))->apply($draft);
    }
}
