<?php

declare(strict_types=1);

namespace Bowline\Routing;

use ArrayObject;
use Bowline\Geometry\Vector;
use Bowline\Job\Branch;
use Bowline\Job\BranchBeside;
use Bowline\Job\BranchKind;
use Bowline\Job\Channel;
use Bowline\Job\FlangeBeside;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\References;
use Bowline\Job\RunEnd;
use Bowline\Job\RunReferences;
use Bowline\Job\Site;
use Bowline\Job\Stock;
use Bowline\Job\Stop\StopReader;
use Bowline\Job\TeePlace;
use Bowline\Job\TeeSize;
use Bowline\Job\Tie\Tie;
use LogicException;

/**
 * Finds the stops, ends and whole routes of runs for what refers to them. Each is computed when it is first asked for,
 * from what it refers to itself, through any depth. A loop of references is an error that names every step of it.
 */
final class RouteBook implements RunReferences
{
    /** Key of the branches among what has been worked out; no id begins with a blank. */
    private const BRANCHES = ' branches';

    /** Likewise of the ends with flanges. */
    private const FLANGED = ' flanged';

    /** @var array<string, string> what is being worked out, in order: its words by its key */
    private array $trail = [];

    /** Id of the run that is being read: its own stops are taken as given, before any of them moves. */
    private string $reading = '';

    /** @var ArrayObject<string, mixed> what has been worked out; shared by all who read the same runs */
    private ArrayObject $known;

    /**
     * Returns the site of a job, with the references between its runs.
     *
     * @param  Node  $job  the job file
     *
     * @throws JobError
     */
    public static function site(Node $job): Site
    {
        return Site::read($job, new self(Site::byId($job->list('runs'), static fn (Node $node): Node => $node)));
    }

    /** Returns the references between the runs of a site made by `site`. */
    public static function of(Site $site): self
    {
        return $site->routes instanceof self
            ? $site->routes
            : throw new LogicException('the site was read without its runs');
    }

    /** @param  array<string, Node>  $runs  by id */
    private function __construct(private array $runs)
    {
        $this->known = new ArrayObject;
    }

    /** Returns a copy for reading one run in its present state. */
    public function reading(string $id, Node $run): self
    {
        $book = clone $this;
        $book->reading = $id;
        $book->trail[$id] ??= $this->name($id);
        if (($this->runs[$id] ?? null)?->value !== $run->value) {
            $book->runs[$id] = $run;
            $book->known = new ArrayObject;
        }

        return $book;
    }

    /** Returns the id of the run that is being read; empty when none is. */
    public function current(): string
    {
        return $this->reading;
    }

    /** @return list<string> of all runs */
    public function ids(): array
    {
        return array_map(strval(...), array_keys($this->runs));
    }

    /** @throws JobError when there is no such run */
    public function run(string $id, Node $asking): Node
    {
        return $this->runs[$id] ?? throw $asking->error(sprintf('there is no run “%s”', $id));
    }

    /**
     * Returns the vertices of one stop of a run; where the run moves the stop to reach its length, after that move.
     *
     * @return non-empty-list<Vector>
     *
     * @throws JobError
     */
    public function stop(Site $site, string $id, int $index, Node $asking): array
    {
        $key = $id.' '.$index.($id === $this->reading ? ' told' : '');

        return $this->once(
            $key,
            $this->words($id, $index),
            $asking,
            fn (): array => $this->findStop($site, $id, $index, $asking),
        );
    }

    /**
     * Returns an end of a run.
     *
     * @param  'from'|'to'  $end
     *
     * @throws JobError
     */
    public function end(Site $site, string $id, string $end, Node $asking): RunEnd
    {
        $run = $this->run($id, $asking);
        $words = sprintf('the %s of %s', $end === 'from' ? 'start' : 'end', $this->name($id));

        return $this->once($id.' '.$end, $words, $asking, static fn (): RunEnd => RunEnd::ofRun($run, $end, $site));
    }

    public function branch(Site $site, Node $on): Branch
    {
        $run = $on->get('run');
        $host = $this->laid($site, $run->text(), $run);
        if ($host->path->segments === []) {
            throw $run->error(sprintf('%s has no length', $this->name($run->text())));
        }
        $told = $site->values->notNegative($on->get('length'), 'the length to the branch');
        $kind = $on->find('kind');

        return new Branch(
            $host->run->id,
            $host->run->name,
            $kind === null ? BranchKind::SetOn : BranchKind::tryFrom($kind->text()) ?? throw $kind->error(
                sprintf('“%s” is no kind of branch; set-on, set-in and tee are', $kind->text()),
            ),
            $told,
            $host->length(),
            $host->path->pointAt($told),
            $host->path->directionAt($told),
            $host->stockAlong($told)->section,
            $host->path->straights(),
            self::taken($host, $this->reading),
            $this->othersOn($site, $host),
        );
    }

    /**
     * @return list<BranchBeside> that are set on a run or in it, but for ends of the run that is being read
     *
     * @throws JobError
     */
    private function othersOn(Site $site, LaidRun $host): array
    {
        $others = [];
        foreach ($this->branches()[$host->run->id] ?? [] as [$id, $end, $on]) {
            if ($id === $this->reading || $on->find('kind')?->value === BranchKind::Tee->value) {
                continue;
            }
            $at = $site->values->notNegative($on->get('length'), 'the length to the branch');
            $along = $host->path->directionAt($at);
            $axis = $end->find('axis');
            $others[] = new BranchBeside(
                $this->name($id), $at, $along,
                $axis === null ? $site->up->uprightOf($along) : $site->values->direction($axis),
                $this->stockOf($site, $id, $on)->section,
            );
        }

        return $others;
    }

    /** @return list<array{float, float, string}> developed lengths from where to where, and what is there */
    private static function taken(LaidRun $host, string $reading): array
    {
        $length = $host->length();
        $taken = [
            [0.0, $host->run->from->end->covers($host->run->stock->section), 'the start'],
            [$length - $host->run->to->end->covers($host->run->lastStock()->section), $length, 'the end'],
        ];
        foreach (LaidJoint::all($host) as $joint) {
            $section = $host->stockAlong($joint->at ?? $joint->told)->section;
            [$before, $behind] = $joint->span();
            $sleeve = $joint->joint->kind->hasSleeve() ? $joint->joint->sleeve($section)[0] / 2 : 0.0;
            $taken[] = [
                $before - max($sleeve, $joint->joint->near->covers($section)),
                $behind + max($sleeve, $joint->joint->far->covers($section)), sprintf('joint %d', $joint->index + 1),
            ];
        }

        foreach ($host->run->tees as $tee) {
            $size = TeeSize::of($host->stockAlong($tee->along)->section, $tee->branch);
            if ($size !== null && $tee->run !== $reading) {
                $taken[] = [$tee->along - $size->run, $tee->along + $size->run, sprintf('the tee of %s', $tee->name)];
            }
        }

        return $taken;
    }

    /**
     * Returns the runs that are taken out of a block, as they are laid, but for one of them.
     *
     * @return list<LaidRun>
     *
     * @throws JobError
     */
    public function channelsIn(Site $site, string $block, string $except): array
    {
        $channels = [];
        foreach (array_diff($this->ids(), [$except]) as $id) {
            if (Channel::blockOf($this->runs[$id]) === $block) {
                $channels[] = $this->laid($site, $id, $this->runs[$id]);
            }
        }

        return $channels;
    }

    /**
     * Returns where runs leave another by bought tees, in order along it.
     *
     * @return list<TeePlace>
     *
     * @throws JobError
     */
    public function teesOn(Site $site, string $host): array
    {
        $tees = array_map(fn (array $tee): TeePlace => new TeePlace(
            $tee[0], $this->name($tee[0]),
            $site->values->notNegative($tee[2]->get('length'), 'the length to the branch'),
            $this->stockOf($site, $tee[0], $tee[2])->section,
        ), array_values(array_filter(
            $this->branches()[$host] ?? [],
            static fn (array $one): bool => $one[2]->find('kind')?->value === BranchKind::Tee->value,
        )));
        usort($tees, static fn (TeePlace $one, TeePlace $other): int => $one->along <=> $other->along);

        return $tees;
    }

    /** @return array<string, list<array{string, Node, Node}>> id of a branch, its end and its place, by its host */
    private function branches(): array
    {
        if (! $this->known->offsetExists(self::BRANCHES)) {
            $branches = [];
            foreach ($this->ids() as $id) {
                foreach (References::branchEnds($this->runs[$id]) as $end) {
                    $host = $end->get('on')->find('run')?->value;
                    $branches[is_string($host) ? $host : ''][] = [$id, $end, $end->get('on')];
                }
            }
            $this->known[self::BRANCHES] = $branches;
        }

        /** @var array<string, list<array{string, Node, Node}>> */
        return $this->known[self::BRANCHES];
    }

    public function flangesBeside(Site $site, string $id): array
    {
        $fittings = array_flip(References::flangedFittings($this->runs[$id]));
        $beside = [];
        foreach (array_intersect_key($fittings === [] ? [] : $this->flanged(), $fittings) as $ends) {
            foreach ($ends as [$other, $which]) {
                if ($other === $id) {
                    continue;
                }
                $end = RunEnd::ofRun($this->runs[$other], $which, $site);
                $flange = $end->end->flange($this->stockAtEnd($site, $this->runs[$other], $which)->section);
                if ($flange !== null) {
                    $beside[] = new FlangeBeside($this->name($other), $end, $flange);
                }
            }
        }

        return $beside;
    }

    /** @return array<string, list<array{string, 'from'|'to'}>> ends with flanges, run and which, by their fittings */
    private function flanged(): array
    {
        if (! $this->known->offsetExists(self::FLANGED)) {
            $flanged = [];
            foreach ($this->ids() as $id) {
                foreach (References::flangedEnds($this->runs[$id]) as $which => $fitting) {
                    $flanged[$fitting][] = [$id, $which];
                }
            }
            $this->known[self::FLANGED] = $flanged;
        }

        /** @var array<string, list<array{string, 'from'|'to'}>> */
        return $this->known[self::FLANGED];
    }

    /**
     * @param  'from'|'to'  $which
     *
     * @throws JobError
     */
    private function stockAtEnd(Site $site, Node $run, string $which): Stock
    {
        $stocks = [$run->get('stock'), ...array_map(
            static fn (Node $joint): ?Node => $joint->find('stock'), $run->list('joints'),
        )];
        $told = array_values(array_filter($stocks));

        return $site->stock($which === 'from' ? $told[0] : $told[count($told) - 1]);
    }

    public function stockOf(Site $site, string $id, Node $asking): Stock
    {
        return $site->stock($this->run($id, $asking)->get('stock'));
    }

    /**
     * Returns all vertices of a run as it is laid.
     *
     * @return list<Vertex>
     *
     * @throws JobError
     */
    public function vertices(Site $site, string $id, Node $asking): array
    {
        return $this->laid($site, $id, $asking)->vertices;
    }

    /**
     * Returns a run as it is laid.
     *
     * @throws JobError
     */
    public function laid(Site $site, string $id, Node $asking): LaidRun
    {
        $node = $this->run($id, $asking);

        return $this->once($id, $this->name($id), $asking, static function () use ($node, $site): LaidRun {
            $run = Run::read($node, $site);

            return $run->route->lay($run);
        });
    }

    /**
     * Returns the stock of the run that is being read.
     *
     * @throws JobError
     */
    public function stock(Site $site): Stock
    {
        return $site->stock($this->runs[$this->reading]->get('stock'));
    }

    /**
     * Returns the length of the longest run of a set of equal lengths, each as long as it is by itself.
     *
     * @return float|null mm; null when the set has no run
     *
     * @throws JobError
     */
    public function longest(Site $site, string $set, Node $asking): ?float
    {
        return $this->once(
            '='.$set,
            'the one length of '.($site->sets[$set]->name ?? $set),
            $asking,
            function () use ($site, $set): ?float {
                $longest = null;
                foreach ($this->runs as $node) {
                    if ($node->find('fixed_length')?->find('same_as')?->value !== $set) {
                        continue;
                    }
                    $alone = clone $node->object();
                    unset($alone->fixed_length);
                    $run = Run::read(new Node($alone, $node->pointer), $site);
                    $longest = max($longest ?? 0.0, $run->route->lay($run)->length());
                }

                return $longest;
            },
        );
    }

    /** Returns "corner 2 of Feed", counted as on the screen: the end of a lead is one corner, a clamp has two. */
    public function words(string $id, int $stop): string
    {
        $run = $this->runs[$id] ?? null;
        $corner = 1 + ($run?->find('from')?->find('lead') === null ? 0 : 1);
        foreach (array_slice($run?->find('route')?->list('stops') ?? [], 0, $stop) as $before) {
            $corner += $before->find('clamp') === null ? 1 : 2;
        }

        return sprintf('corner %d of %s', $corner, $this->name($id));
    }

    public function name(string $id): string
    {
        $name = ($this->runs[$id] ?? null)?->find('name')?->value;

        return is_string($name) && $name !== '' ? $name : $id;
    }

    /**
     * @return non-empty-list<Vector>
     *
     * @throws JobError
     */
    private function findStop(Site $site, string $id, int $index, Node $asking): array
    {
        $run = $this->run($id, $asking);
        $node =
            ($run->find('route')?->list('stops') ?? [])[$index] ??
            throw $asking->error(sprintf('%s has no stop %d', $this->name($id), $index));
        if ($id !== $this->reading && $run->find('fixed_length')?->find('adjust') !== null) {
            $moved = array_map(static fn (Vertex $vertex): Vector => $vertex->at, array_values(array_filter(
                $this->vertices($site, $id, $asking), static fn (Vertex $vertex): bool => $vertex->stop === $index,
            )));
            if ($moved !== []) {
                return $moved;
            }
        }
        $stop = StopReader::read($node, $site, $id);
        if ($stop->passage() !== null) {
            return $stop->vertices(Vector::zero());
        }
        $needsLast =
            $node->find('at') === null ||
            array_filter($stop->ties(), static fn (Tie $tie): bool => $tie->kind->isOfLeg()) !== [];
        $last = $needsLast ? $this->before($site, $id, $index, $run, $asking) : Vector::zero();
        $told = $stop->vertices($last);

        return $stop->ties() === [] ? $told : [TieSolver::solve($stop->ties(), $told[0], $last)->at];
    }

    private function before(Site $site, string $id, int $index, Node $run, Node $asking): Vector
    {
        if ($index > 0) {
            $before = $this->stop($site, $id, $index - 1, $asking);

            return $before[count($before) - 1];
        }
        $from = RunEnd::ofRun($run, 'from', $site);

        return $from->leadPoint() ?? $from->at;
    }

    /**
     * @template T
     *
     * @param  callable(): T  $find
     * @return T
     *
     * @throws JobError when it is being worked out already
     */
    private function once(string $key, string $words, Node $asking, callable $find): mixed
    {
        if ($this->known->offsetExists($key)) {
            /** @var T */
            return $this->known[$key];
        }
        if (isset($this->trail[$key])) {
            $way = array_slice($this->trail, (int) array_search($key, array_keys($this->trail), true));
            throw $asking->error(
                'this relation comes back to itself: '.implode(' → ', [...array_values($way), $words]),
            );
        }
        $this->trail[$key] = $words;
        try {
            return $this->known[$key] = $find();
        } finally {
            unset($this->trail[$key]);
        }
    }
}
