<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\Draggable;
use Bowline\Editing\DragParameter;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Job\FileValue;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Job\Values;
use Bowline\Routing\LaidRun;
use stdClass;

/** Sets the radius of a corner or removes it; without a vertex, sets that of all corners. */
final readonly class SetCorner implements Draggable, RunEdit
{
    use ReadsVertex;

    /**
     * @param  stdClass|null  $corner  `radius` or `ratio`, as in the file; null for none of its own
     */
    public function __construct(
        private ?int $vertex,
        private ?stdClass $corner,
    ) {
    }

    /**
     * @param  int|null  $vertex  null for all corners
     * @param  float  $radius  mm, rounded as the file has it
     */
    public static function radius(?int $vertex, float $radius): self
    {
        return new self($vertex, (object) ['radius' => FileValue::roundForFile($radius)]);
    }

    public static function word(): string
    {
        return 'set-corner';
    }

    public static function label(): string
    {
        return 'Change radius on %s';
    }

    public static function drag(Node $change, LaidRun $laid, Values $values): ?DragParameter
    {
        return DragParameter::radius($change, $laid, $values);
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        return new self(
            self::vertexOrNone($body),
            $body->get('corner')->value === null ? null : $body->get('corner')->object(),
        );
    }

    public function apply(RunDraft $draft): void
    {
        $stop = $this->vertex === null ? null : $draft->vertex($this->vertex)->stop;
        if ($stop !== null) {
            $draft->stops->setCorner($stop, $this->corner);

            return;
        }
        $route = $draft->routeObject();
        RunDraft::set($route, 'corner', $this->corner);
        if ($this->vertex === null) {
            for ($index = 0; $index < $draft->stops->count(); $index++) {
                $draft->stops->setCorner($index, null);
            }
        }
    }
}
