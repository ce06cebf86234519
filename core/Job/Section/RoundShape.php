<?php

declare(strict_types=1);

namespace Bowline\Job\Section;

use Bowline\Job\Node;
use Bowline\Job\Section;
use Bowline\Job\Values;
use Bowline\Job\Words;

/** `round`: `od` with a `wall` or a `bore`; solid without either, or with a wall of half its outside diameter. */
final class RoundShape implements SectionShape
{
    public static function read(Node $node, Values $values): Section
    {
        $od = $values->positive($node->get('od'), 'the outside diameter');
        $wallNode = $node->find('wall');
        $boreNode = $node->find('bore');
        if ($boreNode !== null) {
            if ($wallNode !== null) {
                throw $boreNode->error('a section has a wall or a bore, not both');
            }
            $bore = $values->positive($boreNode, 'the bore');
            if ($bore >= $od) {
                throw $boreNode->error(sprintf(
                    'a bore of %s mm is not less than the outside diameter of %s mm',
                    Words::number($bore), Words::number($od),
                ));
            }

            return Section::tube($od, ($od - $bore) / 2);
        }
        if ($wallNode === null) {
            return Section::solid($od);
        }
        $wall = $values->positive($wallNode, 'the wall');
        if ($wall > $od / 2) {
            throw $wallNode->error(sprintf(
                'a wall of %s mm is more than half of the outside diameter of %s mm',
                Words::number($wall), Words::number($od),
            ));
        }

        return Section::tube($od, $wall);
    }
}
