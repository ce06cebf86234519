<?php

declare(strict_types=1);

namespace Bowline\Proposals\Division;

use Bowline\Geometry\Path;
use Bowline\Geometry\Vector;
use Bowline\Job\FileValue;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Run;
use stdClass;

/** Lays runs as they would be after a change, and compares them with what was there. */
final readonly class TrialLaying
{
    /** A curve keeps its shape where no place of it is farther off, mm: less than a hand with a tape sees. */
    public const KEPT = 0.05;

    /** Nearer to a bend, a clamp or an end a trunk is not broken, mm. */
    public const CLEAR = 1.0;

    /** Places of a piece that are compared. */
    private const SAMPLES = 64;

    public function __construct(private Site $site)
    {
    }

    /** @throws JobError */
    public function lay(stdClass $source): LaidRun
    {
        $run = Run::read(new Node($source), $this->site);

        return $run->route->lay($run);
    }

    /** Returns the greatest distance between places at the same share of a path and of a part of another, mm. */
    public static function deviation(Path $piece, Path $whole, float $from, float $to): float
    {
        $most = 0.0;
        for ($i = 0; $i <= self::SAMPLES; $i++) {
            $share = $i / self::SAMPLES;
            $most = max($most, $piece->pointAt($piece->length * $share)->distanceTo(
                $whole->pointAt($from + ($to - $from) * $share),
            ));
        }

        return $most;
    }

    /**
     * Returns an end in the open that is held to a direction.
     *
     * @param  Vector|null  $out  of the end, unit
     */
    public static function end(Vector $at, ?Vector $out = null): stdClass
    {
        return (object) ['at' => FileValue::vector($at), ...$out === null ? [] : ['axis' => FileValue::vector($out)]];
    }
}
