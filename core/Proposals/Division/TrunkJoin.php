<?php

declare(strict_types=1);

namespace Bowline\Proposals\Division;

use Bowline\Editing\Edit\Reverse;
use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\RunEnd;
use Bowline\Job\StockKind;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Run;
use stdClass;

/** Makes one trunk of two whose ends lie together; all wires, branches, covers and splices stay where they are. */
final readonly class TrunkJoin
{
    /** How far apart ends are still put together, mm. */
    private const TOGETHER = 0.01;

    private function __construct(
        private LaidRun $one,
        private LaidRun $other,
        private LaidRun $turned,
    ) {
    }

    /**
     * @param  Run  $run  whose id and name the trunk keeps
     * @return list<array{list: 'runs'|'harnesses', id: string, item: stdClass|null}> edits of the job
     *
     * @throws EditError where they cannot be joined
     * @throws JobError
     */
    public static function of(Job $job, Run $run, Run $other): array
    {
        $trial = new TrialLaying($job->site);
        $division = Divisions::of($run, $trial);
        Divisions::of($other, $trial);
        if (self::kind($run) !== self::kind($other)) {
            throw new EditError(sprintf(
                '%s and %s behave in different ways; let both behave alike first.', $run->name, $other->name,
            ));
        }
        [$one, $two] = [$run->route->lay($run), $other->route->lay($other)];
        $join = new self($one, $two, $trial->lay(RunDraft::of($two)->apply(new Reverse)->run()));
        $inOrder = $join->inOrder();
        $joined = $division->joined(...$inOrder);
        [$joined->id, $joined->name] = [$run->id, $run->name];
        $laid = $trial->lay($joined);
        $references = new TrunkReferences(
            $job, [$run->id, $other->id], static fn (string $of, float $along): array => [
                $run->id, $join->place($of === $run->id, $along, $inOrder, $laid),
            ],
        );

        return $references->edits([$joined], $references->harnesses([[$run->id, $laid->length()]]), [$other->id]);
    }

    /** @return list<string> ids of the trunks that have an end in the open at one of a run */
    public static function partners(Job $job, Run $run): array
    {
        $own = self::openEnds($run);
        $partners = [];
        foreach ($run->stock->kind === StockKind::Bundle ? $job->runs : [] as $other) {
            foreach ($other->id === $run->id || $other->stock->kind !== StockKind::Bundle
                ? []
                : self::openEnds($other) as $end) {
                foreach ($own as $at) {
                    if ($at->distanceTo($end) < self::TOGETHER) {
                        $partners[$other->id] = $other->id;
                    }
                }
            }
        }

        return array_values($partners);
    }

    /** @return list<Vector> */
    private static function openEnds(Run $run): array
    {
        return array_map(
            static fn (RunEnd $end): Vector => $end->at,
            array_values(array_filter([$run->from, $run->to], self::isOpen(...))),
        );
    }

    private static function kind(Run $run): string
    {
        return (new Node($run->source))->get('route')->get('kind')->text();
    }

    /**
     * @return array{LaidRun, LaidRun} one that ends where the next begins; the other may be reversed
     *
     * @throws EditError
     */
    private function inOrder(): array
    {
        foreach ([$this->other, $this->turned] as $other) {
            foreach ([[$this->one, $other], [$other, $this->one]] as [$first, $second]) {
                $apart = $first->run->to->at->distanceTo($second->run->from->at);
                if ($apart < self::TOGETHER && self::isOpen($first->run->to) && self::isOpen($second->run->from)) {
                    return [$first, $second];
                }
            }
        }
        throw new EditError(sprintf(
            '%s and %s have no ends that lie together in the open.', $this->one->run->name, $this->other->run->name,
        ));
    }

    private static function isOpen(RunEnd $end): bool
    {
        return $end->port === null && $end->branch === null;
    }

    /**
     * Returns where a place of one of the two is on the joined trunk, mm.
     *
     * @param  array{LaidRun, LaidRun}  $inOrder
     */
    private function place(bool $isOnOne, float $along, array $inOrder, LaidRun $joined): float
    {
        $own = $isOnOne ? $this->one : $this->other;
        $sum = $this->one->length() + $this->other->length();
        if (abs($joined->length() - $sum) > self::TOGETHER) {
            return $joined->path->closestTo($own->path->pointAt($along));
        }
        // As long as both together: by length, since a curve that is let go may lie elsewhere.
        $along = ! $isOnOne && in_array($this->turned, $inOrder, true) ? $own->length() - $along : $along;

        return ($inOrder[0] === $this->one) === $isOnOne ? $along : $sum - $own->length() + $along;
    }
}
