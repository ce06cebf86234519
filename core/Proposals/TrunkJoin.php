<?php

declare(strict_types=1);

namespace Bowline\Proposals;

use Bowline\Editing\Edit\Reverse;
use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Tolerance;
use Bowline\Job;
use Bowline\Job\FileValue;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\StockKind;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Run;
use stdClass;

/** Makes one trunk of two whose ends lie together; all wires, branches, covers and splices stay where they are. */
final readonly class TrunkJoin
{
    /** How far apart ends are still put together, mm. */
    private const TOGETHER = 0.01;

    /**
     * @param  Run  $run  whose id and name the trunk keeps
     * @return list<array{list: 'runs'|'harnesses', id: string, item: stdClass|null}> edits of the job
     *
     * @throws EditError where they cannot be joined
     * @throws JobError
     */
    public static function of(Job $job, Run $run, Run $other): array
    {
        self::refuse($run);
        self::refuse($other);
        [$one, $two] = [$run->route->lay($run), $other->route->lay($other)];
        [$first, $second] = self::inOrder($job, $one, $two);
        $joined = self::joined($job, $first, $second, $run);
        $laid = self::laid($job, $joined);
        $references = new TrunkReferences(
            $job, [$run->id, $other->id],
            static fn (string $of, float $along): array => [$run->id, $laid->path->closestTo(
                ($of === $run->id ? $one : $two)->path->pointAt($along),
            )],
        );

        return $references->edits([$joined], $references->harnesses([[$run->id, $laid->length()]]), [$other->id]);
    }

    /** @throws EditError where a run is no trunk that can be broken or joined */
    public static function refuse(Run $run): void
    {
        match (true) {
            $run->stock->kind !== StockKind::Bundle => throw new EditError(
                sprintf('%s is no trunk of a harness.', $run->name),
            ),
            $run->route->corners() === null || $run->route->corners()->isLike() => throw new EditError(
                sprintf('%s has no corners of its own; only a trunk that has can be broken or joined.', $run->name),
            ),
            $run->fixedLength !== null => throw new EditError(
                sprintf('The length of %s is held; release it first.', $run->name),
            ),
            default => null,
        };
    }

    /**
     * @return array{LaidRun, LaidRun} one that ends where the next begins, which may be reversed
     *
     * @throws EditError
     * @throws JobError
     */
    private static function inOrder(Job $job, LaidRun $one, LaidRun $two): array
    {
        $meet = static fn (LaidRun $first, LaidRun $second): bool => $first->run->to->at->distanceTo(
            $second->run->from->at,
        ) < self::TOGETHER && self::isOpen($first, 'to') && self::isOpen($second, 'from');
        $turned = self::laid($job, RunDraft::of($two)->apply(new Reverse)->run());

        return match (true) {
            $meet($one, $two) => [$one, $two],
            $meet($two, $one) => [$two, $one],
            $meet($one, $turned) => [$one, $turned],
            $meet($turned, $one) => [$turned, $one],
            default => throw new EditError(sprintf(
                '%s and %s have no ends that lie together in the open.', $one->run->name, $two->run->name,
            )),
        };
    }

    private static function isOpen(LaidRun $laid, string $which): bool
    {
        $end = $which === 'from' ? $laid->run->from : $laid->run->to;

        return $end->port === null && $end->branch === null;
    }

    /** @throws JobError */
    private static function laid(Job $job, stdClass $source): LaidRun
    {
        $run = Run::read(new Node($source), $job->site);

        return $run->route->lay($run);
    }

    /** @throws JobError */
    private static function joined(Job $job, LaidRun $first, LaidRun $second, Run $keeps): stdClass
    {
        $meeting = $first->run->to->at;
        $told = RunDraft::of($second)->run();
        $radius = (new Node($told))->find('route')?->find('corner');
        $stops = [];
        foreach ((new Node($told))->get('route')->list('stops') as $stop) {
            // They keep the radius that they had by the route of their own.
            $stops[] = (object) [
                ...$radius === null ? [] : ['corner' => $radius->value], ...get_object_vars($stop->object()),
            ];
        }
        $joined = RunDraft::of($first)->run();
        $joined->id = $keeps->id;
        $joined->name = $keeps->name;
        $joined->to = $told->to;
        $before = (new Node($joined))->get('route')->list('stops');
        $joined->route = (object) [...get_object_vars((new Node($joined))->get('route')->object()), 'stops' => [
            ...array_map(static fn (Node $stop): stdClass => $stop->object(), $before),
            (object) ['at' => FileValue::vector($meeting)], ...$stops,
        ]];
        if (! self::isStraight($first, $second)) {
            return $joined;
        }
        $draft = RunDraft::of(self::laid($job, $joined));
        $draft->stops->remove(count($before));

        return $draft->run();
    }

    private static function isStraight(LaidRun $first, LaidRun $second): bool
    {
        $out = $first->path->directionAt($first->length());

        return $out->cross($second->path->directionAt(0.0))->length() < Tolerance::NO_SIDE
            && $out->dot($second->path->directionAt(0.0)) > 0.0;
    }
}
