<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Job\FileValue;
use Bowline\Job\Node;
use Bowline\Job\Site;
use stdClass;

/** Gives what repeats along the run an outline of its own, a square round it at first, or makes it round again. */
final readonly class OutlineRepeat implements RunEdit
{
    public function __construct(private int $index)
    {
    }

    public static function word(): string
    {
        return 'outline-repeat';
    }

    public static function label(): string
    {
        return 'Change what repeats along %s';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        return new self($site->values->count($body->get('repeat'), 'what repeats'));
    }

    /** @throws EditError where there is none of that number */
    public function apply(RunDraft $draft): void
    {
        $repeats = is_array($draft->run->repeats ?? null) ? array_values($draft->run->repeats) : [];
        $told = $repeats[$this->index] ?? null;
        $read = $draft->laid->run->repeats[$this->index] ?? null;
        if (! $told instanceof stdClass || $read === null) {
            throw new EditError('There is nothing of that number along the run.');
        }
        if (isset($told->outline)) {
            unset($told->outline);
        } else {
            $half = FileValue::roundForFile($draft->laid->run->stock->section->outsideDiameter / 2 + $read->height);
            $told->outline = [[-$half, -$half], [$half, -$half], [$half, $half], [-$half, $half]];
        }
        $draft->run->repeats = $repeats;
    }
}
