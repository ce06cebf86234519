<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\Draggable;
use Bowline\Editing\DragParameter;
use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Editing\WithoutPath;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Job\Values;
use Bowline\Routing\LaidRun;
use stdClass;

/** Sets numbers of a curved route: its length or slack, its points, its pitch. */
final readonly class SetRoute implements Draggable, RunEdit, WithoutPath
{
    /**
     * @param  stdClass  $changed  keys of the route in the shape of the file; null takes one away
     */
    public function __construct(
        private stdClass $changed,
    ) {
    }

    public static function word(): string
    {
        return 'set-route';
    }

    public static function label(): string
    {
        return 'Change how %s lies';
    }

    public static function drag(Node $change, LaidRun $laid, Values $values): ?DragParameter
    {
        return DragParameter::points($change, $laid, $values);
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        return new self($body->get('route')->object());
    }

    /** @throws EditError for what a run with corners is told by */
    public function apply(RunDraft $draft): void
    {
        $route = $draft->routeObject();
        foreach (get_object_vars($this->changed) as $key => $value) {
            if (in_array($key, ['kind', 'stops', 'like', 'symmetry'], true)) {
                throw new EditError('How a run behaves, and its corners, are changed otherwise.');
            }
            if ($value === null) {
                unset($route->{$key});
            } else {
                $route->{$key} = $value;
            }
        }
    }
}
