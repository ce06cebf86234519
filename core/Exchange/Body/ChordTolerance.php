<?php

declare(strict_types=1);

namespace Bowline\Exchange\Body;

use Bowline\Body\RunBody;
use Bowline\Job\JobError;

/** How far the facets of a file may stand off the true surface, as it is asked for. */
final class ChordTolerance
{
    /** Smallest and largest, mm. */
    private const FINEST = 0.0001;

    private const COARSEST = 1000.0;

    /**
     * Returns the tolerance in mm; that of files where none is asked for.
     *
     * @param  string  $name  what the asker calls it
     *
     * @throws JobError when it is no number or beyond its range
     */
    public static function read(?string $text, string $name): float
    {
        $text ??= (string) RunBody::CHORD;
        $chord = is_numeric($text) ? (float) $text : 0.0;

        return $chord >= self::FINEST && $chord <= self::COARSEST ? $chord : throw JobError::at('', sprintf(
            '%s is a number from %s to %s mm', $name, self::FINEST, self::COARSEST,
        ));
    }
}
