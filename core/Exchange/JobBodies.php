<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Body\Junction\RoundedBody;
use Bowline\Body\Junction\WallMap;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\ItemRef;
use Bowline\Job\JobError;
use Bowline\Job\JoinedBody;
use Bowline\Routing\Run;
use Bowline\Space\Progress;
use Closure;
use Generator;

/** What is made of several runs: bodies of runs that are joined, and blocks with channels. */
final class JobBodies
{
    /** @return list<string> ids of the runs that are not made by themselves */
    public static function members(Job $job): array
    {
        return array_merge(...array_values(self::all($job)));
    }

    /** @return array<string, non-empty-list<string>> ids of the runs of each, by its id */
    public static function all(Job $job): array
    {
        return array_map(static fn (JoinedBody $body): array => $body->runs, $job->bodies) + array_map(
            static fn (array $channels): array => array_map(static fn (Run $run): string => $run->id, $channels),
            BlockBodies::channels($job),
        );
    }

    /**
     * @param  float  $chord  how fine a body is whose surface is found, in STEP and where it is cut, mm
     * @param  string|null  $id  only that of this id
     * @return Generator<Part>
     *
     * @throws JobError where there is none of that id, or one cannot be made
     */
    public static function parts(Job $job, float $chord = JoinedBodies::CHORD, ?string $id = null): Generator
    {
        $blocks = BlockBodies::channels($job);
        if ($id === null || ! isset($blocks[$id])) {
            yield from JoinedBodies::parts($job, $chord, $id);
        }
        foreach ($blocks as $block => $channels) {
            if ($id === null || $id === $block) {
                yield BlockBodies::part($job, $channels, $chord);
            }
        }
    }

    /**
     * Returns what one weighs and holds.
     *
     * @return array{
     *     id: string, runs: list<string>, exact: bool, volume: float, surface: float, centre: list<float>, mass: float,
     *     contents: float,
     * }
     *
     * @throws JobError where there is none of that id, or it cannot be made
     */
    public static function mass(Job $job, string $id, Progress $progress = new Progress): array
    {
        $channels = BlockBodies::channels($job)[$id] ?? null;

        return $channels === null
            ? MassWriter::body($job, JoinedBodies::named($job, $id), $progress)
            : MassWriter::block($job, $channels, $progress);
    }

    /**
     * Returns the wall of a body between its rings, or round the channels of a block.
     *
     * @throws JobError where there is none of that id, or it has no wall
     */
    public static function walls(Job $job, string $id, float $chord): WallMap
    {
        $channels = BlockBodies::channels($job)[$id] ?? null;

        return $channels === null
            ? JoinedBodies::walls($job, $id, $chord)
            : BlockBodies::made($job, $channels)->walls();
    }

    /**
     * Returns what walls are measured against: the least that is needed, and the one that it is made with.
     *
     * @return array{float|null, float|null} mm; null where nothing is told
     */
    public static function wallLimits(Job $job, string $id): array
    {
        $channels = BlockBodies::channels($job)[$id] ?? null;

        return $channels === null
            ? JoinedBodies::limits($job, JoinedBodies::named($job, $id))
            : [max(array_map(static fn (Run $run): float => $run->channel->channel->wall ?? 0.0, $channels)), null];
    }

    /**
     * Returns a function of the wall at places on the surface of a body, mm; null where there is none.
     *
     * @return callable(Vector): (float|null)
     *
     * @throws JobError where there is none of that id, or it cannot be made
     */
    public static function wallsAt(Job $job, string $id): callable
    {
        $channels = BlockBodies::channels($job)[$id] ?? null;

        return $channels === null
            ? JoinedBodies::rounded($job, $id)->wallsAt()
            : BlockBodies::made($job, $channels)->wallsAt();
    }

    /**
     * Whether the boundary of one is exact, so that nothing of it has to be found.
     *
     * @throws JobError where there is none of that id, or it cannot be made
     */
    public static function isExact(Job $job, string $id): bool
    {
        $channels = BlockBodies::channels($job)[$id] ?? null;

        return $channels === null
            ? ! JoinedBodies::made($job, JoinedBodies::named($job, $id)) instanceof RoundedBody
            : BlockBodies::made($job, $channels)->isExact();
    }

    /**
     * Returns what of the equipment and surroundings is written as it stands, and not as a block with channels.
     *
     * @return Closure(ItemRef): bool
     */
    public static function isNotMade(Job $job): Closure
    {
        $blocks = BlockBodies::channels($job);

        return static fn (ItemRef $item): bool => ! isset($blocks[$item->id]);
    }

    /**
     * Returns why each cannot be made; null where it can.
     *
     * @return list<array{id: string, fault: string|null, meetings: list<array{string, string}>}>
     */
    public static function faults(Job $job): array
    {
        $faults = JoinedBodies::faults($job);
        foreach (BlockBodies::channels($job) as $id => $channels) {
            try {
                BlockBodies::made($job, $channels);
                $faults[] = ['id' => $id, 'fault' => null, 'meetings' => []];
            } catch (JobError $error) {
                $faults[] = ['id' => $id, 'fault' => ucfirst($error->getMessage()).'.', 'meetings' => []];
            }
        }

        return $faults;
    }
}
