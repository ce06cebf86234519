<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Geometry\Vector;
use Bowline\Job\FileValue;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Routing\RouteBook;
use stdClass;

/**
 * Lets an end of the run stand on another run, or moves it along that. Moved along a straight, it takes the far end of
 * its first leg along, so that it still leaves on its way out.
 */
final readonly class StandOn implements RunEdit
{
    /**
     * @param  'from'|'to'  $end
     * @param  string  $host  id of the other run
     * @param  float  $along  developed length of that, mm
     * @param  Vector|null  $axis  unit, the way out where none is told; null to leave it as it is
     */
    public function __construct(
        private string $end,
        private string $host,
        private float $along,
        private ?Vector $axis = null,
    ) {
    }

    public static function word(): string
    {
        return 'stand-on';
    }

    public static function label(): string
    {
        return 'Put an end of %s on a run';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        $host = $body->get('run');
        $path = RouteBook::of($site)->laid($site, $host->text(), $host)->path;
        $told = $body->find('along');
        $along = $told === null ? $path->middle() : $site->values->notNegative($told, 'the length to the branch');

        return new self(
            $body->get('end')->text() === 'from' ? 'from' : 'to', $host->text(), $along,
            $path->segments === [] ? null : $site->up->uprightOf($path->directionAt($along)),
        );
    }

    /** @throws EditError where that is the run itself */
    public function apply(RunDraft $draft): void
    {
        if ($this->host === $draft->laid->run->id) {
            throw new EditError('A run does not stand on itself.');
        }
        $end = $draft->end($this->end);
        $before = ($end->on ?? null) instanceof stdClass ? $end->on : new stdClass;
        if (($before->run ?? null) !== $this->host) {
            unset($end->port, $end->at, $end->like, $end->axis);
        }
        if ($this->axis !== null && ! isset($end->axis)) {
            $end->axis = FileValue::vector($this->axis);
        }
        $this->takeLegAlong($draft, $end);
        $end->on = (object) [
            ...get_object_vars($before), 'run' => $this->host, 'length' => FileValue::roundForFile($this->along),
        ];
    }

    private function takeLegAlong(RunDraft $draft, stdClass $end): void
    {
        $run = $draft->laid->run;
        $isFrom = $this->end === 'from';
        $branch = $isFrom ? $run->from->branch : $run->to->branch;
        $corners = $run->route->corners();
        if ($branch?->host !== $this->host || $corners === null || isset($end->lead)) {
            return;
        }
        $straight = $branch->straightAt($branch->told);
        if ($straight === null || $this->along < $straight[0] || $this->along > $straight[1]) {
            return;
        }
        $by = $branch->along->times($this->along - $branch->told);
        $stops = $run->route->stopCount();
        try {
            if ($stops > 0) {
                $stop = $isFrom ? 0 : $stops - 1;
                $draft->stops->moveTogether($stop, $stop, $by);

                return;
            }
            $far = $isFrom ? $run->to : $run->from;
            if ($far->port === null && $far->branch === null && $far->lead === null && $far->isOwn) {
                $draft->end($isFrom ? 'to' : 'from')->at = FileValue::vector($far->at->plus($by));
            }
        } catch (EditError) {
            // A clamp or a tie holds it: it stays, and whether it leaves askew is told by `off-axis`.
        }
    }
}
