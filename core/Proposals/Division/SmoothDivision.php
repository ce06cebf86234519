<?php

declare(strict_types=1);

namespace Bowline\Proposals\Division;

use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Job\FileValue;
use Bowline\Job\Node;
use Bowline\Routing\FlowRoute;
use Bowline\Routing\LaidRun;
use stdClass;

/**
 * Trunks that are smooth curves through points. Both pieces are held to the derivative of the spline where it is
 * broken, and their spans there count what they did in it: each is then the one cubic spline through its points with
 * these knots and ends, so that it lies exactly as it did (but for a direction that is held at a point, which has a
 * knot in the middle of the span behind it).
 */
final readonly class SmoothDivision implements Division
{
    use DividesCurves;

    public function __construct(private TrialLaying $trial)
    {
    }

    public function pieces(LaidRun $laid, float $at): array
    {
        $route = $laid->run->route->smooth();
        $division = $route?->divided($laid->run, $at);
        if ($route === null || $division === null) {
            throw new EditError('It can be broken on its curve only.');
        }
        [$slope, $countBefore, $countBehind, $index] = $division;
        [$direction, $pull, $point] = [$slope->unit(), $slope->length(), $laid->path->pointAt($at)];
        [$told, $knots] = [self::points($laid), $route->knots];
        $next = $route->points[$index] ?? null;
        $isAtPoint = $next !== null && $next->gate === null && $next->at->distanceTo($point) < FlowRoute::AT_POINT;
        $first = RunDraft::of($laid)->run();
        $first->to = TrialLaying::end($point, $direction->times(-1.0));
        self::set($first, array_slice($told, 0, $index), [
            // A piece of one span alone is counted by the knots of both its ends.
            'end_pull' => $pull, 'end_knot' => $countBefore / ($index === 0 ? $knots[0] : 1.0),
        ]);
        $second = RunDraft::of($laid)->run();
        $second->from = TrialLaying::end($point, $direction);
        $behind = array_slice($told, $isAtPoint ? $index + 1 : $index);
        self::set($second, $behind, [
            'start_pull' => $pull,
            'start_knot' => $isAtPoint ? 1.0 : $countBehind / ($behind === [] ? $knots[1] : 1.0),
        ]);
        [$one, $other] = [$this->trial->lay($first), $this->trial->lay($second)];
        if (TrialLaying::deviation($one->path, $laid->path, 0.0, $at) > TrialLaying::KEPT
            || TrialLaying::deviation($other->path, $laid->path, $at, $laid->length()) > TrialLaying::KEPT) {
            throw new EditError(
                'Beside a point whose direction is held it would not stay in its shape; let that go first.',
            );
        }

        return [$first, $second];
    }

    public function joined(LaidRun $first, LaidRun $second): stdClass
    {
        $point = FileValue::vector($first->run->to->at);
        $direction = FileValue::vector($first->path->directionAt($first->length()));
        $best = [INF, null];
        // As one span, through the point as the curve likes, or held to the direction that it has there: whichever lies
        // nearest to what it was.
        foreach ([[], [$point], [(object) ['at' => $point, 'along' => $direction]]] as $between) {
            $joined = RunDraft::of($first)->run();
            $joined->to = RunDraft::of($second)->run()->to;
            $last = (new Node($second->run->source))->get('route');
            self::set($joined, [...self::points($first), ...$between, ...self::points($second)], [
                'end_pull' => $last->find('end_pull')?->value, 'end_knot' => $last->find('end_knot')?->value,
            ]);
            $laid = $this->trial->lay($joined);
            $at = $laid->path->closestTo($first->run->to->at);
            $off = max(
                TrialLaying::deviation($first->path, $laid->path, 0.0, $at),
                TrialLaying::deviation($second->path, $laid->path, $at, $laid->length()),
            );
            $best = $off < $best[0] ? [$off, $joined] : $best;
        }

        return $best[1] ?? throw new EditError('They cannot be made one curve.');
    }

    /**
     * @param  list<mixed>  $points
     * @param  array<string, mixed>  $keys  of the route; null, and what is 1 as when it is left out, take one away
     */
    private static function set(stdClass $run, array $points, array $keys): void
    {
        $route = (new Node($run))->get('route')->object();
        $route->points = $points;
        foreach ($keys as $key => $value) {
            $told = is_float($value) ? FileValue::roundForFile($value) : $value;
            RunDraft::set($route, $key, $told === 1 ? null : $told);
        }
    }

    /** @return list<mixed> as told */
    private static function points(LaidRun $laid): array
    {
        return array_map(
            static fn (Node $one): mixed => $one->value,
            (new Node(RunDraft::of($laid)->run()))->get('route')->list('points'),
        );
    }
}
