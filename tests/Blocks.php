<?php

declare(strict_types=1);

namespace Tests;

use Bowline\Body\Block\BlockBody;
use Bowline\Body\Block\BlockShape;
use Bowline\Body\Block\ChannelCut;
use Bowline\Body\Block\ChannelWall;
use Bowline\Body\Block\ChannelWalls;
use Bowline\Exchange\BlockBodies;
use Bowline\Job;
use Bowline\Job\Node;
use stdClass;

/** Jobs of a block of 200 × 100 × 60 about the origin, with channels through it. Millimetres. */
final class Blocks
{
    /**
     * @param  array<array<string, mixed>>  $channels  each over one of 8 straight from −z to +z through the middle
     * @param  array<string, mixed>  $body  of the block
     * @param  array<array<string, mixed>>  $ports  of the block
     * @param  array<string, mixed>  $section  of the stock
     */
    public static function file(
        array $channels = [[]],
        array $body = [],
        array $ports = [],
        array $section = ['shape' => 'round', 'od' => 8, 'wall' => 1],
    ): stdClass {
        return Jobs::decoded([
            'format' => 'bowline-job', 'version' => 3, 'name' => 'Block', 'up' => 'z',
            'stock' => [[
                'id' => 's', 'kind' => 'tube', 'density' => 1000, 'section' => $section,
                'bend' => ['radius' => 20, 'min_radius' => 8, 'min_straight' => 0],
            ]],
            'fittings' => [[
                'id' => 'block', 'name' => 'Block', 'ports' => $ports,
                'body' => ['shape' => 'box', 'size' => [200, 100, 60], ...$body],
            ]],
            'runs' => array_map(static fn (array $channel, int $i): array => [
                'id' => 'c'.($i + 1), 'name' => 'Channel '.($i + 1), 'stock' => 's',
                'from' => ['at' => [0, 0, -30]], 'to' => ['at' => [0, 0, 30]],
                'route' => ['kind' => 'corners', 'stops' => []],
                'body' => ['as' => 'channel', 'in' => 'block', 'over' => 5],
                ...$channel,
            ], $channels, array_keys($channels)),
        ]);
    }

    /**
     * The same with the block among the surroundings, which have no openings.
     *
     * @param  array<array<string, mixed>>  $channels
     */
    public static function around(array $channels): stdClass
    {
        $file = self::file($channels);
        $file->surroundings = [
            (object) ['id' => 'block', 'name' => 'Block', ...get_object_vars($file->fittings[0]->body)],
        ];
        unset($file->fittings);

        return $file;
    }

    /**
     * A channel through points.
     *
     * @param  list<float|int>  $from
     * @param  list<list<float|int>>  $corners
     * @param  list<float|int>  $to
     */
    public static function through(array $from, array $corners, array $to): array
    {
        return [
            'from' => ['at' => $from], 'to' => ['at' => $to],
            'route' => ['kind' => 'corners', 'stops' => array_map(
                static fn (array $at): array => ['at' => $at], $corners,
            )],
        ];
    }

    public static function made(stdClass $file): BlockBody
    {
        $job = Job::read($file);

        $channels = array_values(BlockBodies::channels($job))[0] ?? null;

        return $channels === null
            ? BlockBody::of($job->site->block(new Node('block')), [])
            : BlockBodies::made($job, $channels);
    }

    /** @return array<string, ChannelWall> of the first channel, by the words of the other */
    public static function walls(stdClass $file): array
    {
        $job = Job::read($file);
        $cuts = [];
        foreach ($job->runs as $run) {
            $channel = $run->channel->channel;
            $cut = ChannelCut::of($run->route->lay($run), BlockShape::of($channel->block), $channel->over);
            assert($cut !== null);
            $cuts[] = $cut;
        }
        $walls = ChannelWalls::of($cuts[0], array_slice($cuts, 1));

        return array_combine(array_map(static fn (ChannelWall $wall): string => $wall->words, $walls), $walls);
    }
}
