<?php

declare(strict_types=1);

namespace Bowline\Exchange\Body;

use Bowline\Exchange\Step\StepWriter;

/** The formats of files of bodies. */
final class BodyFormats
{
    /** @var list<class-string<BodyFormat>> */
    public const ALL = [StepWriter::class, ThreeMfWriter::class, GlbWriter::class, ObjWriter::class, StlWriter::class];

    /** @return class-string<BodyFormat>|null */
    public static function find(string $ending): ?string
    {
        foreach (self::ALL as $format) {
            if ($format::ending() === $ending) {
                return $format;
            }
        }

        return null;
    }
}
