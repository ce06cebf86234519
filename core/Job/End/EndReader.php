<?php

declare(strict_types=1);

namespace Bowline\Job\End;

use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Values;

/** Reads an "end" by its "type". A new kind of end is a new class and a line here. */
final class EndReader
{
    /** @throws JobError */
    public static function read(?Node $node, Values $values): End
    {
        if ($node === null) {
            return new OpenEnd;
        }
        $type = $node->get('type');

        return match ($type->text()) {
            'open' => new OpenEnd,
            'closed' => self::closed($node->find('thickness'), $values),
            'flange' => self::flange($node, $values),
            default => throw $type->error(
                sprintf('“%s” is no kind of end; open, closed and flange are', $type->text()),
            ),
        };
    }

    private static function closed(?Node $thickness, Values $values): ClosedEnd
    {
        return new ClosedEnd($thickness === null ? null : $values->positive($thickness, 'the thickness of the plug'));
    }

    private static function flange(Node $node, Values $values): Flange
    {
        $holes = $node->find('holes');
        $count = $holes === null ? 0 : $values->count($holes->get('count'), 'the number of bolt holes');
        if ($holes !== null && $count > 64) {
            throw $holes->get('count')->error('a flange has at most 64 bolt holes');
        }

        return new Flange(
            $values->positive($node->get('od'), 'the outside diameter of the flange'),
            $values->positive($node->get('thickness'), 'the thickness of the flange'),
            $values->positive($node->get('bore'), 'the bore of the flange'),
            $holes === null || $count === 0 ? 0.0 : $values->positive($holes->get('circle'), 'the bolt circle'),
            $count,
            $holes === null || $count === 0
                ? 0.0
                : $values->positive($holes->get('diameter'), 'the diameter of the bolt holes'),
        );
    }
}
