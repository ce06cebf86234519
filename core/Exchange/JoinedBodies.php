<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Body\Junction\BranchedBody;
use Bowline\Body\Junction\RoundedBody;
use Bowline\Body\Junction\WallMap;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\JoinedBody;
use Bowline\Routing\LaidRun;
use Bowline\Space\Progress;
use Generator;

/** The bodies of several runs of a job, as parts of a file and with what they weigh. */
final class JoinedBodies
{
    /** Chord of a body whose surface is found, where none is asked for, mm. */
    public const CHORD = 0.1;

    /**
     * @param  float  $chord  how fine a body is whose surface is found, in STEP and where it is cut, mm
     * @param  string|null  $id  only that of this id
     * @return Generator<Part>
     *
     * @throws JobError where there is none of that id, or one cannot be made
     */
    public static function parts(Job $job, float $chord = self::CHORD, ?string $id = null): Generator
    {
        foreach ($id === null ? $job->bodies : [self::named($job, $id)] as $body) {
            $made = self::made($job, $body);
            $run = $job->runs[$body->runs[0]];
            $colour = $run->service?->rgb() ?? Parts::colour($run->stock->kind);
            if ($made instanceof RoundedBody) {
                yield new FoundPart('bodies/'.$body->id, $body->name, $made, $chord, $colour);

                continue;
            }
            $solid = $made->solid();
            if (! $solid->isClosed()) {
                throw JobError::at(self::pointer($job, $body), sprintf('%s does not close', $body->name));
            }
            yield new ExactPart('bodies/'.$body->id, $body->name, $solid, $colour);
        }
    }

    /** @throws JobError where there is no body of that id */
    public static function named(Job $job, string $id): JoinedBody
    {
        return $job->bodies[$id] ?? throw JobError::at('/bodies', sprintf('there is no body “%s”', $id));
    }

    /**
     * Returns the wall of a body between its rings.
     *
     * @throws JobError where there is none, or it is solid
     */
    public static function walls(Job $job, string $id, float $chord): WallMap
    {
        $body = self::named($job, $id);

        return self::rounded($job, $id)->walls($chord)
            ?? throw JobError::at(self::pointer($job, $body), sprintf('%s is solid', $body->name));
    }

    /**
     * Returns the walls of a body in both orders of rounding and hollowing, or why it has none.
     *
     * @return array<'round-first'|'hollow-first', array<string, mixed>>
     *
     * @throws JobError where there is no body of that id
     */
    public static function bothWalls(
        Job $job,
        string $id,
        float $chord,
        Progress $progress = new Progress,
    ): array {
        $body = self::named($job, $id);
        $walls = [];
        foreach (['round-first' => false, 'hollow-first' => true] as $order => $isHollowFirst) {
            try {
                $made = RoundedBody::of(
                    $body->ordered($isHollowFirst), self::laid($job, $body), self::pointer($job, $body),
                );
                $map = $made->walls($chord, $progress->share(count($walls), 2));
                $walls[$order] = $map === null
                    ? ['fault' => 'It is solid.']
                    : ['fault' => null, ...WallWriter::write($id, $map, ...self::limits($job, $body))];
            } catch (JobError $error) {
                $walls[$order] = ['fault' => ucfirst($error->getMessage()).'.'];
            }
        }

        return $walls;
    }

    /** @return array{float, float} least wall, and the one that it is made with, mm */
    public static function limits(Job $job, JoinedBody $body): array
    {
        $walls = array_map(static fn (string $id): float => $job->runs[$id]->stock->section->wall, $body->runs);

        return [$body->leastWall ?? $body->wall ?? min($walls), $body->wall ?? max($walls)];
    }

    /** @throws JobError where there is none of that id, or its runs cannot be one body */
    public static function rounded(Job $job, string $id): RoundedBody
    {
        $body = self::named($job, $id);

        return RoundedBody::of($body, self::laid($job, $body), self::pointer($job, $body));
    }

    /**
     * Returns why the runs of each body cannot be one, null where they can, and which of them meet.
     *
     * @return list<array{id: string, fault: string|null, meetings: list<array{string, string}>}>
     */
    public static function faults(Job $job): array
    {
        return array_map(static function (JoinedBody $body) use ($job): array {
            $meetings = [];
            try {
                $meetings = RoundedBody::meetings($body, self::laid($job, $body), self::pointer($job, $body));
                self::made($job, $body);

                return ['id' => $body->id, 'fault' => null, 'meetings' => $meetings];
            } catch (JobError $error) {
                return [
                    'id' => $body->id, 'fault' => ucfirst($error->getMessage()).'.', 'meetings' => $meetings,
                ];
            }
        }, array_values($job->bodies));
    }

    /**
     * Returns a body: exact where nothing is rounded and it can be, else as its surface is found.
     *
     * @throws JobError where its runs cannot be one body
     */
    public static function made(Job $job, JoinedBody $body): BranchedBody|RoundedBody
    {
        $laid = self::laid($job, $body);
        $pointer = self::pointer($job, $body);
        $carries = static fn (LaidRun $one): bool => ($one->run->from->branch ?? $one->run->to->branch) === null;
        $isBranched = count(array_filter($laid, $carries)) === 1;
        if (! $isBranched || $body->isRounded() || $body->wall !== null) {
            return RoundedBody::of($body, $laid, $pointer);
        }
        try {
            return BranchedBody::of($body->name, $laid, $pointer);
        } catch (JobError $reason) {
            try {
                return RoundedBody::of($body, $laid, $pointer);
            } catch (JobError) {
                throw $reason;
            }
        }
    }

    /**
     * @return list<LaidRun>
     *
     * @throws JobError where one settles onto what it meets, which may take long
     */
    private static function laid(Job $job, JoinedBody $body): array
    {
        return array_map(static function (string $id) use ($job, $body): LaidRun {
            $run = $job->runs[$id];
            if ($run->route->settling() !== null) {
                throw JobError::at(self::pointer($job, $body), sprintf(
                    '%s lies on what it meets, and a body is made of runs that keep their shape', $run->name,
                ));
            }

            return $run->route->lay($run);
        }, $body->runs);
    }

    private static function pointer(Job $job, JoinedBody $body): string
    {
        return '/bodies/'.array_search($body->id, array_keys($job->bodies), true);
    }
}
