<?php

declare(strict_types=1);

namespace Bowline\Exchange\Body;

use Bowline\Exchange\Part;
use Bowline\Job\JobError;

/** A format of files of bodies. A new one is a class here, a line in `BodyFormats` and a command. */
interface BodyFormat
{
    /** Returns the ending of its file names, by which it is asked for. */
    public static function ending(): string;

    /** Returns its media type. */
    public static function mediaType(): string;

    /**
     * Returns the file.
     *
     * @param  iterable<Part>  $parts  made one after another, so that not all of them are in memory
     * @param  float  $chord  farthest that a facet stands off the true surface, mm, where the format has facets
     *
     * @throws JobError where they have more triangles than a file may
     */
    public static function write(string $name, iterable $parts, float $chord): string;
}
