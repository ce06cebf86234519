<?php

declare(strict_types=1);

namespace Bowline\Drawing;

use Bowline\Drawing\Plan\Pages;
use Bowline\Job\JobError;

/** A kind of drawing. A new one is a class and a line in `DrawingKinds`. */
interface DrawingKind
{
    /** Returns the word by which it is asked for. */
    public static function word(): string;

    /** Returns what drawings of it are called. */
    public static function title(): string;

    /**
     * Returns what one of them is called, in the name of its file and where several are bound together.
     *
     * @throws JobError when it cannot be drawn
     */
    public static function titleOf(DrawingQuestion $question): string;

    /** Whether it is of one run, or of a spool of it; else it is of the whole job. */
    public static function isOfRun(): bool;

    /**
     * Returns its pages, each of which is drawn when it is asked for.
     *
     * @throws JobError when it cannot be drawn
     */
    public static function pages(DrawingQuestion $question): Pages;
}
