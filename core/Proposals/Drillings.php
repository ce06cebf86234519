<?php

declare(strict_types=1);

namespace Bowline\Proposals;

use Bowline\Body\Block\BlockShape;
use Bowline\Editing\EditError;
use Bowline\Geometry\Vector;
use Bowline\Job\FileValue;
use Bowline\Job\FreshId;
use Bowline\Routing\Bend;
use Bowline\Routing\LaidRun;
use stdClass;

/**
 * Turns a channel of straights and bends into drillings: each leg as a straight channel of its own that meets the next
 * at their corner. A leg that reaches no face is drilled from the nearer of the two beyond its ends, and plugged there.
 */
final readonly class Drillings
{
    /**
     * @param  list<string>  $ids  of the runs that are there
     * @return list<stdClass> runs in place of the channel, in its order
     *
     * @throws EditError when it is no channel of straights, or has only one
     */
    public static function of(LaidRun $laid, array $ids): array
    {
        $run = $laid->run;
        $block = $run->channel === null ? null : BlockShape::of($run->channel->channel->block);
        if ($block === null || $run->route->corners() === null) {
            throw new EditError('Only a channel with straight legs is drilled.');
        }
        if ($laid->bends === []) {
            throw new EditError('It is one straight drilling already.');
        }
        $corners = [
            $run->from->at, ...array_map(static fn (Bend $bend): Vector => $bend->corner, $laid->bends), $run->to->at,
        ];
        $count = count($corners) - 1;
        $names = array_map(
            static fn (int $number): string => sprintf('%s, drilling %d', $run->name, $number), range(1, $count),
        );
        $own = [];
        foreach ($names as $name) {
            $own[] = FreshId::of($name, [...$ids, ...$own]);
        }
        $made = [];
        foreach ($names as $i => $name) {
            [$start, $end] = [$corners[$i], $corners[$i + 1]];
            $copy = clone $run->source;
            unset($copy->fixed_length, $copy->joints, $copy->repeats);
            [$copy->id, $copy->name] = [$own[$i], $name];
            $copy->route = (object) ['kind' => 'corners', 'stops' => []];
            $copy->body = (object) [
                ...get_object_vars($run->source->body instanceof stdClass ? $run->source->body : new stdClass),
                'meets' => array_values(array_filter([$own[$i - 1] ?? null, $own[$i + 1] ?? null], is_string(...))),
            ];
            if ($i > 0) {
                $copy->from = self::at($start);
            }
            if ($i < $count - 1) {
                $copy->to = self::at($end);
            }
            if ($i > 0 && $i < $count - 1) {
                [$copy->from, $copy->to] = self::drilled($block, $start, $end, $run->stock->section->outsideDiameter);
            }
            $made[] = $copy;
        }

        return $made;
    }

    /**
     * @param  float  $plug  length of the plug, mm
     * @return array{stdClass, stdClass} at the face, plugged, and at the end
     */
    private static function drilled(BlockShape $block, Vector $start, Vector $end, float $plug): array
    {
        $way = $end->minus($start)->unit();
        $before = $block->leavingAt($start, $way->times(-1.0))[1];
        $behind = $block->leavingAt($end, $way)[1];
        [$face, $far] = $before <= $behind
            ? [$start->minus($way->times($before)), $end]
            : [$end->plus($way->times($behind)), $start];
        $mouth = self::at($face);
        $mouth->end = (object) ['type' => 'closed', 'thickness' => FileValue::roundForFile($plug)];

        return [$mouth, self::at($far)];
    }

    private static function at(Vector $point): stdClass
    {
        return (object) ['at' => FileValue::vector($point)];
    }
}
