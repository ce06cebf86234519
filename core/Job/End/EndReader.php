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
    /** Radius of the knuckle of a torispherical head, as a share of that of its crown (DIN 28011). */
    private const KNUCKLE_SHARE = 0.1;

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
            'cap' => self::cap($node, $site->values),
            'reducer' => self::reducer($node, $site->values),
            'collar' => self::collar($node, $site->values),
            default => throw $type->error(
                sprintf('“%s” is no kind of end; open, closed, flange, cap, reducer and collar are', $type->text()),
            ),
        };
    }

    private static function closed(?Node $thickness, Values $values): ClosedEnd
    {
        return new ClosedEnd($thickness === null ? null : $values->positive($thickness, 'the thickness of the plug'));
    }

    /** @throws JobError */
    private static function cap(Node $node, Values $values): Cap
    {
        $word = $node->get('shape');
        $shape = CapShape::tryFrom($word->text()) ?? throw $word->error(
            sprintf('“%s” is no kind of cap; flat, domed and stepped are', $word->text()),
        );
        $isDisc = $shape !== CapShape::Domed;
        $isStepped = $shape === CapShape::Stepped;
        $crown = $node->find('crown');
        $knuckle = $node->find('knuckle');

        return new Cap(
            $shape,
            $isDisc ? $values->positive($node->get('thickness'), 'the thickness of the cap') : 0.0,
            $isStepped ? $values->positive($node->get('diameter'), 'the diameter of the cap') : 0.0,
            $isStepped ? $values->positive($node->get('depth'), 'the depth of its spigot') : 0.0,
            $crown === null ? null : $values->positive($crown, 'the radius of the crown'),
            match (true) {
                $crown === null => 0.0,
                $knuckle === null => $values->number($crown) * self::KNUCKLE_SHARE,
                default => $values->positive($knuckle, 'the radius of the knuckle'),
            },
        );
    }

    /** @throws JobError */
    private static function collar(Node $node, Values $values): Collar
    {
        $fromEnd = $node->find('from_end');

        return new Collar(
            $values->positive($node->get('od'), 'the outside diameter of the collar'),
            $values->positive($node->get('width'), 'the width of the collar'),
            $fromEnd === null ? 0.0 : $values->notNegative($fromEnd, 'the length from the collar to the end'),
        );
    }

    /** @throws JobError */
    private static function reducer(Node $node, Values $values): Reducer
    {
        $wall = $node->find('wall');

        return new Reducer(
            $values->positive($node->get('od'), 'the outside diameter of the reducer'),
            $wall === null ? null : $values->positive($wall, 'the wall of the reducer'),
            $values->positive($node->get('length'), 'the length of the reducer'),
            $node->find('eccentric')?->value === true,
        );
    }
}
