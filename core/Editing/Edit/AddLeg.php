<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\Draggable;
use Bowline\Editing\DragParameter;
use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Job\FileValue;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Job\Stop\StopReader;
use Bowline\Job\Values;
use Bowline\Routing\LaidRun;
use Bowline\Routing\TieSolver;
use stdClass;

/** Continues from the open end of a run: adds a corner at which the run ends. */
final readonly class AddLeg implements Draggable, RunEdit
{
    /**
     * @param  stdClass  $stop  in the shape of the file
     */
    public function __construct(
        private stdClass $stop,
        private Site $site,
    ) {
    }

    public static function word(): string
    {
        return 'add-leg';
    }

    public static function label(): string
    {
        return 'Lay a leg of %s';
    }

    public static function drag(Node $change, LaidRun $laid, Values $values): ?DragParameter
    {
        return DragParameter::leg($change, $laid, $values);
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        $stop = new stdClass;
        foreach (['at', 'along', 'length', 'until', 'ties'] as $key) {
            $said = $body->find($key);
            if ($said !== null) {
                $stop->{$key} = $said->value;
            }
        }

        return new self($stop, $site);
    }

    /** @throws EditError when the run already ends at a port */
    public function apply(RunDraft $draft): void
    {
        $route = $draft->rigidRoute();
        $last = $draft->openEnd();
        $read = StopReader::read(new Node($this->stop), $this->site, $draft->laid->run->id);
        $vertices = $read->vertices($last);
        if ($read->ties() !== []) {
            $vertices = [TieSolver::solve($read->ties(), $vertices[0], $last)->at];
        }
        $route->stops = [...(is_array($route->stops ?? null) ? array_values($route->stops) : []), $this->stop];
        $draft->end('to')->at = array_map(FileValue::roundForFile(...), $vertices[count($vertices) - 1]->toArray());
    }
}
