<?php

declare(strict_types=1);

namespace Bowline\Proposals;

use Bowline\Editing\Edit\Finish;
use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\FileValue;
use Bowline\Job\Node;
use Bowline\Job\Port;
use Bowline\Routing\Leg;
use Bowline\Routing\Run;
use Bowline\Rules\Severity;
use Bowline\Solving\SolvedRun;
use Bowline\Solving\Solver;
use Bowline\Solving\WorkBudget;
use Bowline\Solving\WorkBudgetSpent;
use stdClass;

/**
 * The ways to bring an open end into a port: up to three corners, the last one on the port's axis, legs
 * along the axes of the job, the port and the last leg, with room for every bend.
 *
 * A way is a row of directions e₁ … eₙ and last of all the one into the port. Its lengths t solve
 * Σ eᵢ tᵢ = port − end with every t at least what its bends need. Where that leaves lengths free to
 * choose, they are as short as they may be.
 */
final readonly class WaysIn
{
    private const MOST_CORNERS = 3;

    /** Most ways that are offered. */
    private const MOST_WAYS = 12;

    private Vector $end;

    /** Unit direction of the run at its open end; null while it has no leg. */
    private ?Vector $travel;

    private Solver $solver;

    private function __construct(
        private Job $job,
        private Run $run,
        private Port $port,
    ) {
        $laid = $run->route->lay($run);
        $this->end = $run->to->at;
        $this->travel = $laid->legs === [] ? $run->from->axis : $laid->legs[count($laid->legs) - 1]->direction;
        $this->solver = new Solver($job, new WorkBudget);
    }

    /**
     * @param  Run  $run  with an open end
     * @return list<array{item: stdClass, solved: SolvedRun, bends: int}> fewest bends first, then those along axes,
     *     then the shortest; only ways that break no further rule
     *
     * @throws EditError when the run already ends at a port
     */
    public static function of(Job $job, Run $run, Port $port): array
    {
        if ($run->to->port !== null) {
            throw new EditError('This run ends at a port already.');
        }

        return (new self($job, $run, $port))->ways();
    }

    /** @return list<array{item: stdClass, solved: SolvedRun, bends: int}> */
    private function ways(): array
    {
        $before = $this->violations($this->solver->preview($this->run));
        $ways = [];
        foreach ($this->rows() as $row) {
            $lengths = $this->lengths($row);
            if ($lengths === null) {
                continue;
            }
            $item = $this->item($row, $lengths);
            try {
                $solved = $this->solver->preview(Run::read(new Node($item), $this->job->site));
            } catch (WorkBudgetSpent) {
                // Rows are ordered by their number of corners.
                break;
            }
            if ($this->violations($solved) <= $before) {
                $key = implode(
                    ' ',
                    array_map(
                        static fn ($vertex): string => sprintf('%.3f %.3f %.3f', ...$vertex->at->toArray()),
                        $solved->laid->vertices,
                    ),
                );
                $ways[$key] ??= ['item' => $item, 'solved' => $solved, 'bends' => count($solved->laid->bends)];
            }
        }
        $ways = array_values($ways);
        usort($ways, static fn (array $a, array $b): int => self::rank($a) <=> self::rank($b));

        return array_slice($ways, 0, self::MOST_WAYS);
    }

    /**
     * Sort key of a way: of ways with equally many bends, one with all legs along axes is preferred.
     *
     * @param  array{item: stdClass, solved: SolvedRun, bends: int}  $way
     * @return list<float|int>
     */
    private static function rank(array $way): array
    {
        $laid = $way['solved']->laid;
        $slanting = count(
            array_filter($laid->legs, static fn (Leg $leg): bool => $leg->direction->axisName() === null),
        );

        return [$way['bends'], $slanting, round($laid->length(), 6)];
    }

    private function violations(SolvedRun $solved): int
    {
        return count(
            array_filter(
                $solved->findings,
                static fn ($finding): bool => $finding->severity === Severity::Violation &&
                    $finding->rule !== 'fixed-length',
            ),
        );
    }

    /**
     * Yields rows of directions, each ending in the direction into the port.
     *
     * @return iterable<list<Vector>>
     */
    private function rows(): iterable
    {
        $into = $this->port->axis->times(-1.0);
        $directions = $this->directions();
        $rows = [[]];
        for ($corners = 0; $corners <= self::MOST_CORNERS; $corners++) {
            $longer = [];
            foreach ($rows as $row) {
                $last = $row === [] ? $this->travel : $row[count($row) - 1];
                if ($last === null || self::turns($last, $into) || $row === []) {
                    yield [...$row, $into];
                }
                foreach ($directions as $direction) {
                    if (
                        $row === []
                            ? ! self::reverses($last, $direction)
                            : self::turns($row[count($row) - 1], $direction)
                    ) {
                        $longer[] = [...$row, $direction];
                    }
                }
            }
            $rows = $longer;
        }
        $square = $this->ontoAxis();
        if ($square !== null) {
            yield [$square, $into];
        }
    }

    /** @return list<Vector> */
    private function directions(): array
    {
        $directions = [];
        $all = [...array_values(Vector::axes()), $this->port->axis, $this->port->axis->times(-1.0)];
        if ($this->travel !== null) {
            $all[] = $this->travel;
        }
        foreach ($all as $direction) {
            foreach ($directions as $known) {
                if ($known->angleTo($direction) < Tolerance::NO_TURN) {
                    continue 2;
                }
            }
            $directions[] = $direction;
        }

        return $directions;
    }

    /** Returns the direction from the open end perpendicular to the axis of the port. */
    private function ontoAxis(): ?Vector
    {
        $away = $this->end->minus($this->port->at);
        $square = $this->port->axis->times($away->dot($this->port->axis))->minus($away);

        return $square->length() > Tolerance::COINCIDENT ? $square->unit() : null;
    }

    /** Whether a run can bend from one direction into the other: they are neither parallel nor opposite. */
    private static function turns(Vector $from, Vector $to): bool
    {
        $angle = $from->angleTo($to);

        return $angle > Tolerance::NO_TURN && $angle < M_PI - 0.2;
    }

    private static function reverses(?Vector $from, Vector $to): bool
    {
        return $from !== null && $from->angleTo($to) >= M_PI - 0.2;
    }

    /**
     * Returns the lengths of the legs of a row: the least ones that give room and reach the port.
     *
     * @param  list<Vector>  $row
     * @return list<float>|null
     */
    private function lengths(array $row): ?array
    {
        $least = $this->least($row);
        $way = $this->port->at->minus($this->end);
        $count = count($row);
        $best = null;
        for ($set = 1; $set < 1 << $count; $set++) {
            $free = array_values(
                array_filter(range(0, $count - 1), static fn (int $i): bool => (bool) ($set & (1 << $i))),
            );
            if (count($free) > 3) {
                continue;
            }
            $rest = $way;
            foreach ($row as $i => $direction) {
                $rest = in_array($i, $free, true) ? $rest : $rest->minus($direction->times($least[$i]));
            }
            $found = LinearFit::solve(array_map(static fn (int $i): Vector => $row[$i], $free), $rest);
            if ($found === null) {
                continue;
            }
            $lengths = $least;
            foreach ($free as $k => $i) {
                $lengths[$i] = $found[$k];
            }
            $enough =
                array_filter(
                    $lengths,
                    static fn (float $length, int $i): bool => $length < $least[$i] - Tolerance::RULE_SLACK,
                    ARRAY_FILTER_USE_BOTH,
                ) === [];
            if ($enough && ($best === null || array_sum($lengths) < array_sum($best))) {
                $best = $lengths;
            }
        }

        return $best === null ? null : array_values($best);
    }

    /**
     * Returns the least length of each leg: the tangents of the bends at its ends plus the straight that the bender
     * needs.
     *
     * @param  list<Vector>  $row
     * @return non-empty-list<float>
     */
    private function least(array $row): array
    {
        $bend = $this->run->stock->bend;
        $radius = $this->radius();
        $tangents = [];
        $before = $this->travel;
        foreach ($row as $i => $direction) {
            $angle = $before === null ? 0.0 : $before->angleTo($direction);
            $tangents[$i] = $angle < Tolerance::NO_TURN ? 0.0 : $radius * tan($angle / 2);
            $before = $direction;
        }
        $least = [];
        foreach ($tangents as $i => $tangent) {
            $next = $tangents[$i + 1] ?? 0.0;
            $least[] = $tangent + $next + ($tangent > 0.0 && $next > 0.0 ? $bend->leastStraight : 0.0);
        }
        assert($least !== []);
        // Room to slip a nut or a flange over the end: the last leg is longer by one diameter.
        $least[count($least) - 1] += $this->run->stock->section->outsideDiameter;

        return $least;
    }

    /** Returns the largest radius in use on this run, of the run itself or of a corner. */
    private function radius(): float
    {
        $vertices = $this->run->route->lay($this->run)->vertices;

        return array_reduce($vertices, static fn (float $most, $vertex): float => max($most, $vertex->radius), 0.0);
    }

    /**
     * @param  list<Vector>  $row
     * @param  list<float>  $lengths
     */
    private function item(array $row, array $lengths): stdClass
    {
        $legs = array_slice($row, 0, -1);
        $stops = [];
        foreach (array_slice($legs, 0, -1) as $i => $direction) {
            $stops[] = $this->stop($direction, $lengths[$i], $this->isLevelWithPort($row, $i));
        }
        $lead = $legs === [] ? null : $lengths[count($row) - 1];

        return RunDraft::of($this->run->route->lay($this->run))
            ->apply(new Finish($this->port->name, $stops, $lead))
            ->run();
    }

    /** Returns a stop for a corner; a corner level with the port is tied to it, and follows it when it moves. */
    private function stop(Vector $direction, float $length, bool $isLevel): stdClass
    {
        $along = $direction->axisName() ?? FileValue::vector($direction);

        return (object) ($isLevel
            ? ['along' => $along, 'until' => $this->port->name]
            : ['along' => $along, 'length' => FileValue::roundForFile($length)]);
    }

    /** @param  list<Vector>  $row */
    private function isLevelWithPort(array $row, int $leg): bool
    {
        foreach (array_slice($row, $leg + 1) as $later) {
            if (abs($later->dot($row[$leg])) > Tolerance::PARALLEL) {
                return false;
            }
        }

        return true;
    }
}
