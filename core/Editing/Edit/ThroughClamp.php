<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\ClampLeg;
use Bowline\Editing\EditError;
use Bowline\Editing\FlexibleEdit;
use Bowline\Editing\JointLegs;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Job\Clamp;
use Bowline\Job\FileValue;
use Bowline\Job\Node;
use Bowline\Job\Site;
use stdClass;

/**
 * Puts a leg on the axis of a clamp, with its corners where the bends have room; a leg that goes through it already
 * stays as it is.
 */
final readonly class ThroughClamp implements RunEdit
{
    use ReadsVertex;

    /**
     * @param  int|null  $vertex  the corner at the leg's end; null goes on from the open end of the run
     */
    public function __construct(
        private ?int $vertex,
        private Clamp $clamp,
    ) {
    }

    public static function word(): string
    {
        return 'through-clamp';
    }

    public static function label(): string
    {
        return 'Put %s through a clamp';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        return new self(self::vertexOrNone($body), $site->clamp($body->get('clamp')));
    }

    /** @throws EditError when the leg cannot go there */
    public function apply(RunDraft $draft): void
    {
        if ($draft->laid->run->route->corners() === null) {
            (new SetRoute((new FlexibleEdit($draft->laid))->through($this->clamp)))->apply($draft);

            return;
        }
        $route = $draft->rigidRoute();
        $present = is_array($route->stops ?? null) ? array_values($route->stops) : [];
        if ($this->vertex === null) {
            $last = $draft->openEnd();
            $stop = ClampLeg::from($draft->laid, $this->clamp, $last);
            $route->stops = [...$present, $stop];
            $travel = $this->clamp->axis->times(($stop->reverse ?? false) === true ? -1.0 : 1.0);
            $draft->end('to')->at = array_map(
                FileValue::roundForFile(...),
                $this->clamp->at
                    ->plus($travel->times(is_numeric($stop->after) ? (float) $stop->after : 0.0))
                    ->toArray(),
            );

            return;
        }
        $end = $draft->vertex($this->vertex);
        $draft->refuseFollowing($end, $draft->vertex($this->vertex - 1));
        [$first, $count, $stop] = ClampLeg::onto($draft->laid, $this->clamp, $this->vertex, $present);
        $draft->stops->loosenNext($first + $count);
        $route->stops = [...array_slice($present, 0, $first), $stop, ...array_slice($present, $first + $count)];
        $draft->renumberAdjusted(static fn (int $other): ?int => match (true) {
            $other >= $first + $count => $other + 1 - $count,
            $other >= $first => null,
            default => $other,
        });
        $this->renumberJoints($draft, $first, $count, $stop);
    }

    /**
     * @param  int  $first  stop in place of which the clamp comes, and how many stops go for it
     * @param  stdClass  $stop  that through the clamp
     */
    private function renumberJoints(RunDraft $draft, int $first, int $count, stdClass $stop): void
    {
        $travel = $this->clamp->axis->times(($stop->reverse ?? false) === true ? -1.0 : 1.0);
        $corners = $behind = [];
        foreach ($draft->laid->vertices as $index => $vertex) {
            if ($vertex->stop !== null && $vertex->stop >= $first && $vertex->stop < $first + $count) {
                continue;
            }
            if ($index < $this->vertex) {
                $corners[] = $vertex->at;
            } else {
                $behind[] = $vertex->at;
            }
        }
        JointLegs::renumber($draft, [
            ...$corners,
            $this->clamp->at->minus($travel->times(is_numeric($stop->before) ? (float) $stop->before : 0.0)),
            $this->clamp->at->plus($travel->times(is_numeric($stop->after) ? (float) $stop->after : 0.0)),
            ...$behind,
        ]);
    }
}
