<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\FlexibleEdit;
use Bowline\Editing\ReadsShape;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Vector;
use Bowline\Job\Node;
use Bowline\Job\Site;

/** Adds a point to a smooth run, on it: where it was pointed at, or in its middle. */
final readonly class InsertPoint implements ReadsShape
{
    /** @param  Vector|null  $at  on the outside of the run or near it, mm; null for its middle */
    public function __construct(private ?Vector $at = null)
    {
    }

    public static function word(): string
    {
        return 'insert-point';
    }

    public static function label(): string
    {
        return 'Add a point to %s';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        $at = $body->find('at');

        return new self($at === null ? null : $site->values->vector($at));
    }

    /** @throws EditError when it is no smooth run */
    public function apply(RunDraft $draft): void
    {
        $path = $draft->laid->path;
        $along = $this->at === null ? $path->length / 2 : $path->closestTo($this->at);
        (new SetRoute((new FlexibleEdit($draft->laid))->withPoint($along)))->apply($draft);
    }
}
