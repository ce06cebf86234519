<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Job\Likeness;
use Bowline\Job\Node;
use Bowline\Job\Site;
use stdClass;

/** Makes the run the first half of a symmetric run; the second half follows across the plane. */
final readonly class MakeSymmetric implements RunEdit
{
    /**
     * @param  stdClass  $plane  `at` and `normal`, in the shape of the file
     */
    public function __construct(
        private stdClass $plane,
    ) {
    }

    public static function word(): string
    {
        return 'make-symmetric';
    }

    public static function label(): string
    {
        return 'Make %s symmetric';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        Likeness::plane($body->get('across'), $site->values);

        return new self($body->get('across')->object());
    }

    public function apply(RunDraft $draft): void
    {
        $route = $draft->routeObject();
        if (isset($route->like) || isset($route->symmetry)) {
            throw new EditError('It follows something already; make it a run of its own first.');
        }
        $route->symmetry = $this->plane;
        $end = $draft->end('from')->end ?? null;
        $draft->run->to = (object) [
            'like' => (object) ['run' => $draft->laid->run->id, 'end' => 'from', 'across' => $this->plane],
            ...$end === null ? [] : ['end' => $end],
        ];
    }
}
