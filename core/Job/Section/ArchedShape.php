<?php

declare(strict_types=1);

namespace Bowline\Job\Section;

use Bowline\Geometry\Outline;
use Bowline\Geometry\OutlinePiece;
use Bowline\Job\Node;
use Bowline\Job\Section;
use Bowline\Job\Values;
use Bowline\Job\Words;

/**
 * `arched`: a rectangle of `width` and `height` about the path whose top is one arc over its whole width, its crown at
 * that height and `rise` above its shoulders; with a `wall`, or solid without.
 */
final class ArchedShape implements SectionShape
{
    public static function read(Node $node, Values $values): Section
    {
        $width = $values->positive($node->get('width'), 'the width');
        $height = $values->positive($node->get('height'), 'the height');
        $riseNode = $node->get('rise');
        $rise = $values->positive($riseNode, 'the rise');
        if ($rise > $width / 2) {
            throw $riseNode->error(sprintf(
                'a rise of %s mm is more than half of the width of %s mm', Words::number($rise), Words::number($width),
            ));
        }
        if ($rise >= $height) {
            throw $riseNode->error(sprintf(
                'a rise of %s mm leaves no side of the height of %s mm', Words::number($rise), Words::number($height),
            ));
        }
        // The chord of the arc is the width, its sagitta the rise.
        $radius = ($width ** 2 / 4 + $rise ** 2) / (2 * $rise);
        $centre = $height / 2 - $radius;
        $outside = self::outline($width / 2, -$height / 2, $centre, $radius);
        $wallNode = $node->find('wall');
        if ($wallNode === null) {
            return Section::of($outside, [], min($width, $height) / 2);
        }
        $wall = $values->positive($wallNode, 'the wall');
        $half = $width / 2 - $wall;
        $shoulder = $half <= 0.0 || $wall >= $radius
            ? -INF
            : $centre + sqrt(max(0.0, ($radius - $wall) ** 2 - $half ** 2));
        if ($shoulder <= -$height / 2 + $wall) {
            throw $wallNode->error(sprintf('a wall of %s mm leaves no bore', Words::number($wall)));
        }

        return Section::of(
            $outside, [self::outline($half, -$height / 2 + $wall, $centre, $radius - $wall)], $wall,
        );
    }

    /**
     * @param  float  $half  half of its width
     * @param  float  $bottom  y of its bottom
     * @param  float  $centre  y of the centre of its arc
     */
    private static function outline(float $half, float $bottom, float $centre, float $radius): Outline
    {
        $shoulder = $centre + sqrt(max(0.0, $radius ** 2 - $half ** 2));
        $sweep = 2 * asin(min(1.0, $half / $radius));

        return new Outline([
            OutlinePiece::line([-$half, $bottom], [$half, $bottom]),
            OutlinePiece::line([$half, $bottom], [$half, $shoulder]),
            OutlinePiece::arc([$half, $shoulder], [-$half, $shoulder], [0.0, $centre], $sweep),
            OutlinePiece::line([-$half, $shoulder], [-$half, $bottom]),
        ]);
    }
}
