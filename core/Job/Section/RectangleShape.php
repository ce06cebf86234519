<?php

declare(strict_types=1);

namespace Bowline\Job\Section;

use Bowline\Geometry\Outline;
use Bowline\Job\Node;
use Bowline\Job\Section;
use Bowline\Job\Values;
use Bowline\Job\Words;

/**
 * `rectangle`: `width` and `height` about the path, with a `corner_radius` outside, and a `wall`, within which corners
 * are rounded by as much less; solid without a wall.
 */
final class RectangleShape implements SectionShape
{
    public static function read(Node $node, Values $values): Section
    {
        $width = $values->positive($node->get('width'), 'the width');
        $height = $values->positive($node->get('height'), 'the height');
        $half = min($width, $height) / 2;
        $cornerNode = $node->find('corner_radius');
        $corner = $cornerNode === null ? 0.0 : $values->notNegative($cornerNode, 'the corner radius');
        if ($cornerNode !== null && $corner > $half) {
            throw $cornerNode->error(sprintf(
                'a corner radius of %s mm is more than half of the shorter side of %s mm',
                Words::number($corner), Words::number(2 * $half),
            ));
        }
        $wallNode = $node->find('wall');
        $wall = $wallNode === null ? $half : $values->positive($wallNode, 'the wall');
        if ($wallNode !== null && $wall > $half) {
            throw $wallNode->error(sprintf(
                'a wall of %s mm is more than half of the shorter side of %s mm',
                Words::number($wall), Words::number(2 * $half),
            ));
        }
        $bores = $wall < $half
            ? [Outline::rectangle($width - 2 * $wall, $height - 2 * $wall, max(0.0, $corner - $wall))]
            : [];

        return Section::of(Outline::rectangle($width, $height, $corner), $bores, $wall);
    }
}
