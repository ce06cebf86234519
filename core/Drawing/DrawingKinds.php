<?php

declare(strict_types=1);

namespace Bowline\Drawing;

/** The kinds of drawings there are. */
final class DrawingKinds
{
    /** @var list<class-string<DrawingKind>> */
    public const ALL = [BendSheet::class, PipeIsometric::class, Arrangement::class];

    /** @return class-string<DrawingKind>|null */
    public static function find(string $word): ?string
    {
        foreach (self::ALL as $kind) {
            if ($kind::word() === $word) {
                return $kind;
            }
        }

        return null;
    }
}
