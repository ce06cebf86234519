<?php

declare(strict_types=1);

namespace Bowline\Job\End;

use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Job\Values;

/** Reads an "end" by its "type". A new kind of end is a new class and a line here. */
final class EndReader
{
    /** @throws JobError */
    public static function read(?Node $node, Site $site): End
    {
        if ($node === null) {
            return new OpenEnd;
        }
        $type = $node->get('type');

        return match ($type->text()) {
            'open' => new OpenEnd,
            'closed' => self::closed($node->find('thickness'), $site->values),
            'flange' => FlangeReader::read($node, $site),
            default => throw $type->error(
                sprintf('“%s” is no kind of end; open, closed and flange are', $type->text()),
            ),
        };
    }

    private static function closed(?Node $thickness, Values $values): ClosedEnd
    {
        return new ClosedEnd($thickness === null ? null : $values->positive($thickness, 'the thickness of the plug'));
    }
}
