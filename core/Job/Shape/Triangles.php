<?php

declare(strict_types=1);

namespace Bowline\Job\Shape;

use Bowline\Geometry\Vector;
use Bowline\Job\JobError;

/**
 * A body as loose triangles: nine 32-bit little-endian floats each, packed as a browser draws them; a million of them
 * take 36 MB where PHP arrays would take a gigabyte.
 */
final readonly class Triangles
{
    /** Bytes of a triangle, and triangles examined at a time. */
    public const SIZE = 36;

    private const CHUNK = 20000;

    /** Most triangles of a body, whatever its file: 36 MB. */
    public const MAX_COUNT = 1_000_000;

    /** Most triangles of all bodies of a job: 72 MB, which can be saved and opened again. */
    public const MAX_COUNT_IN_JOB = 2_000_000;

    private function __construct(
        public string $packed,
        public Vector $least,
        public Vector $most,
    ) {
    }

    /**
     * @param  string  $packed  nine floats a triangle, mm
     *
     * @throws JobError when a number is none
     */
    public static function of(string $packed): self
    {
        self::refuseMore(strlen($packed));
        /** @var array{float, float, float} $least */
        $least = [INF, INF, INF];
        $most = [-INF, -INF, -INF];
        $length = strlen($packed);
        for ($at = 0; $at < $length; $at += self::SIZE * self::CHUNK) {
            $floats = unpack('g*', substr($packed, $at, self::SIZE * self::CHUNK));
            /** @var list<float> $floats */
            $floats = $floats === false ? [] : array_values($floats);
            foreach ([0, 1, 2] as $axis) {
                $part = [];
                for ($i = $axis, $count = count($floats); $i < $count; $i += 3) {
                    $part[] = $floats[$i];
                }
                $low = $part === [] ? 0.0 : min($part);
                $high = $part === [] ? 0.0 : max($part);
                if (! is_finite((float) array_sum($part)) || abs($low) > 1e7 || abs($high) > 1e7) {
                    throw JobError::at(
                        '',
                        'a corner of a triangle is no place: a number is missing, or larger than ten kilometres',
                    );
                }
                $least[$axis] = min($least[$axis], $low);
                $most[$axis] = max($most[$axis], $high);
            }
        }

        return new self($packed, new Vector(...$least), new Vector(...$most));
    }

    /**
     * Refuses too many triangles while they are still being read, so that a small file that expands to many is not
     * processed first.
     *
     * @param  int  $bytes  packed so far
     *
     * @throws JobError
     */
    public static function refuseMore(int $bytes): void
    {
        if ($bytes > self::MAX_COUNT * self::SIZE) {
            throw JobError::at(
                '',
                sprintf(
                    'this has more than %s triangles, the most that a body may have; bring in a coarser one',
                    number_format(self::MAX_COUNT),
                ),
            );
        }
    }

    /**
     * @param  int  $count  triangles of all bodies of a job
     *
     * @throws JobError
     */
    public static function refuseMoreInAll(int $count): void
    {
        if ($count > self::MAX_COUNT_IN_JOB) {
            throw JobError::at(
                '',
                sprintf(
                    'the bodies of this job would have %s triangles; %s is the most that a job may have. Bring in'.
                    ' coarser ones',
                    number_format($count),
                    number_format(self::MAX_COUNT_IN_JOB),
                ),
            );
        }
    }

    /** Whether they all lie in one point. */
    public function hasNoExtent(): bool
    {
        return $this->least->distanceTo($this->most) === 0.0;
    }

    public function count(): int
    {
        return intdiv(strlen($this->packed), self::SIZE);
    }
}
