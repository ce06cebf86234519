<?php

declare(strict_types=1);

namespace App\Settling;

use App\Editing\KeptRuns;
use App\Editing\KeptSolutions;
use Bowline\Editing\EditError;
use Bowline\Geometry\Vector;
use Bowline\Routing\ProvisionalRoute;
use Bowline\Routing\Run;

/** Returns runs for use in a request: one that takes long to settle has the shape of its stored solution. */
final class SettledShape
{
    /** @throws EditError when it has not come to lie yet */
    public static function of(KeptRuns $job, Run $run): Run
    {
        return self::find($job, $run) ??
            throw new EditError(sprintf('%s has not come to lie yet. Wait until it has, and try again.', $run->name));
    }

    /** Returns the run in its settled shape, or hanging until it has settled. */
    public static function shown(KeptRuns $job, Run $run): Run
    {
        return self::find($job, $run) ?? ProvisionalRoute::of($run);
    }

    private static function find(KeptRuns $job, Run $run): ?Run
    {
        $route = $run->route->settling();
        if ($route?->takesLong($run) !== true) {
            return $run;
        }
        $kept = $job->keptRuns([$run->id])[$run->id] ?? null;
        $isOfNow = $kept !== null && $kept->solvedFrom === KeptSolutions::hash($run);
        $solution = json_decode($isOfNow ? $kept->solution ?? '{}' : '{}', true, 64, JSON_THROW_ON_ERROR);
        $points = [];
        foreach (is_array($solution) && is_array($solution['path'] ?? null) ? $solution['path'] : [] as $segment) {
            $told = is_array($segment) ? $segment['through'] ?? [$segment['from'] ?? null, $segment['to'] ?? null] : [];
            array_push($points, ...array_slice(self::vectors($told), $points === [] ? 0 : 1));
        }

        return count($points) < 2 ? null : $run->withRoute($route->lying($points));
    }

    /** @return list<Vector> */
    private static function vectors(mixed $points): array
    {
        $vectors = [];
        foreach (is_array($points) ? $points : [] as $point) {
            [$x, $y, $z] = is_array($point) && count($point) === 3 ? array_values($point) : [null, null, null];
            if (is_numeric($x) && is_numeric($y) && is_numeric($z)) {
                $vectors[] = new Vector((float) $x, (float) $y, (float) $z);
            }
        }

        return $vectors;
    }
}
