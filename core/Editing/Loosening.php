<?php

declare(strict_types=1);

namespace Bowline\Editing;

use Bowline\Editing\Edit\MakeOwn;
use Bowline\Editing\Edit\UntieCorner;
use Bowline\Geometry\Vector;
use Bowline\Job\Channel;
use Bowline\Job\FileValue;
use Bowline\Job\ItemRef;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\PortName;
use Bowline\Job\References;
use Bowline\Job\Site;
use Bowline\Job\Stop\StopReader;
use Bowline\Routing\ProvisionalRoute;
use Bowline\Routing\RouteBook;
use Bowline\Routing\Run;
use stdClass;

/**
 * When an item is removed, what referred to it stays where it was: an end at a port becomes a bare point, the stop of a
 * clamp becomes two points, a tied corner a free one; a run that followed another gets corners of its own, one that
 * stood on another begins in the open, and what was mounted on a panel keeps its place in space.
 */
final readonly class Loosening
{
    private function __construct(private Site $site)
    {
    }

    /** @param  stdClass  $before  the job file while everything was still there */
    public static function of(stdClass $before): self
    {
        return new self(RouteBook::site(new Node($before)));
    }

    /** @return stdClass the job file with nothing left hanging on what it no longer has */
    public function fit(stdClass $after): stdClass
    {
        $node = new Node($after);
        $ids = static fn (string $list): array => array_flip(
            array_map(static fn (Node $item): string => $item->find('id')?->text() ?? '', $node->list($list)),
        );
        $lostRuns = array_diff_key(self::runs($this->site), $ids('runs'));
        $lostSurroundings = array_diff_key($this->site->surroundings, $ids('surroundings'));
        $lostClamps = array_diff_key($this->site->clamps, $ids('clamps'));
        $fitted = clone $after;
        if ($lostRuns !== [] && $node->find('bodies') !== null) {
            $fitted->bodies = self::bodies($node->list('bodies'), array_keys($lostRuns));
        }
        if ($lostRuns !== [] && $node->find('harnesses') !== null) {
            $fitted->harnesses = self::harnesses($node->list('harnesses'), array_keys($lostRuns));
        }
        if ($lostSurroundings !== []) {
            $fitted->fittings = array_map(
                fn (Node $item): stdClass => $this->unmounted('fittings', $item, $lostSurroundings),
                $node->list('fittings'),
            );
            $fitted->clamps = array_map(
                fn (Node $item): stdClass => $this->unmounted('clamps', $item, $lostSurroundings),
                $node->list('clamps'),
            );
        }
        try {
            $ports = RouteBook::site(new Node($fitted));
        } catch (JobError) {
            // The job is wrong in another way and will be refused for that.
            return $after;
        }
        $lostPorts = array_diff_key($this->site->ports, $ports->ports);
        $lostFittings = array_diff_key($this->site->fittings, $ids('fittings'));
        if ([...$lostPorts, ...$lostFittings, ...$lostClamps, ...$lostSurroundings, ...$lostRuns] === []) {
            return $after;
        }
        $lost = ItemRef::unique([
            ...self::items('runs', $lostRuns),
            ...self::items('surroundings', $lostSurroundings),
            ...self::items('clamps', $lostClamps),
        ]);
        $fitted->runs = array_map(
            fn (Node $run): stdClass => $this->loosened(
                new Node($this->untied($run, $lost, array_keys($lostPorts))),
                array_keys($lostPorts),
                array_keys($lostClamps),
                array_map(strval(...), array_keys($lostFittings + $lostSurroundings)),
                array_map(strval(...), array_keys($lostRuns)),
            ),
            (new Node($fitted))->list('runs'),
        );

        return $fitted;
    }

    /**
     * Returns harnesses without trunks that are gone, and without splices and covers on those and their angles on the
     * board. A trunk that a wire has to go along is not let go.
     *
     * @param  list<Node>  $harnesses
     * @param  array<array-key>  $lost  ids of runs
     * @return list<stdClass>
     */
    private static function harnesses(array $harnesses, array $lost): array
    {
        $isLost = static fn (?Node $run): bool => in_array($run?->value, array_map(strval(...), $lost), true);

        return array_map(static function (Node $node) use ($isLost): stdClass {
            $copy = clone $node->object();
            $runOf = static fn (string $list, Node $one): ?Node => match ($list) {
                'splices' => $one->find('on')?->find('run'),
                'covers' => $one->find('run'),
                default => $one,
            };
            foreach (['trunks', 'splices', 'covers'] as $list) {
                if (isset($copy->{$list})) {
                    $copy->{$list} = array_values(array_map(
                        static fn (Node $one): mixed => $one->value,
                        array_filter($node->list($list), static fn (Node $one): bool => ! $isLost($runOf($list, $one))),
                    ));
                }
            }

            $board = $node->find('board');
            if ($board?->find('angles') !== null) {
                $copy->board = (object) [...get_object_vars($board->object()), 'angles' => array_map(
                    static fn (Node $angle): mixed => $angle->value,
                    array_values(array_filter(
                        $board->list('angles'), static fn (Node $angle): bool => ! $isLost($angle->find('run')),
                    )),
                )];
            }

            return $copy;
        }, $harnesses);
    }

    /**
     * @param  list<Node>  $bodies
     * @param  list<string>  $lost  ids of runs
     * @return list<stdClass> those that are still of two runs at least, without what is gone
     */
    private static function bodies(array $bodies, array $lost): array
    {
        $left = [];
        foreach ($bodies as $body) {
            $runs = array_values(array_filter(
                array_map(static fn (Node $run): string => $run->text(), $body->list('runs')),
                static fn (string $run): bool => ! in_array($run, $lost, true),
            ));
            if (count($runs) > 1) {
                $isLost = static fn (Node $run): bool => in_array($run->text(), $lost, true);
                $rounds = array_values(array_filter(
                    $body->list('rounds'),
                    static fn (Node $round): bool => array_filter($round->list('between'), $isLost) === [],
                ));
                $left[] = (object) [
                    ...get_object_vars($body->object()), 'runs' => $runs,
                    ...$body->find('rounds') === null
                        ? []
                        : ['rounds' => array_map(static fn (Node $round): stdClass => $round->object(), $rounds)],
                ];
            }
        }

        return $left;
    }

    /**
     * @param  array<string, ItemRef>  $lost  what is gone, by key
     * @param  list<string>  $ports  ports that are gone
     * @return stdClass the run with nothing of its corners tied to that, each where it was
     */
    private function untied(Node $run, array $lost, array $ports): stdClass
    {
        $isLost = static fn (Node $tie): bool => array_intersect_key(
            ItemRef::unique(References::itemsOfTie($tie)),
            $lost,
        ) !== [] ||
            array_filter(
                References::ANCHORS,
                static fn (string $key): bool => in_array($tie->find($key)?->value, $ports, true),
            ) !== [];
        $follows =
            array_filter(
                [$run->find('from'), $run->find('to'), $run->find('route')],
                static fn (?Node $part): bool => isset(
                    $lost[ItemRef::run((string) $part?->find('like')?->find('run')?->text())->key()],
                ),
            ) !== [];
        $hasLost =
            array_filter(
                $run->find('route')?->list('stops') ?? [],
                static fn (Node $stop): bool => array_filter($stop->list('ties'), $isLost) !== [],
            ) !== [];
        $flanges = array_filter(['from', 'to'], static fn (string $end): bool => isset($lost[ItemRef::run(
            (string) $run->find($end)?->find('end')?->find('same_as')?->find('run')?->text(),
        )->key()]));
        $branches = array_filter(['from', 'to'], static fn (string $end): bool => isset(
            $lost[ItemRef::run((string) $run->find($end)?->find('on')?->find('run')?->text())->key()],
        ));
        if (! $follows && ! $hasLost && $flanges === [] && $branches === []) {
            return $run->object();
        }
        try {
            $read = Run::read($run, $this->site);
        } catch (JobError) {
            return $run->object();
        }
        $shown = ProvisionalRoute::of($read);
        $laid = $shown->route->lay($shown);
        $edit = RunDraft::of($laid);
        if ($follows) {
            $edit->apply(new MakeOwn);
        }
        foreach ($flanges as $end) {
            $edit->end($end)->end = ($end === 'from' ? $read->from : $read->to)->end->toFile();
        }
        foreach ($branches as $end) {
            $told = $edit->end($end);
            [$told->at, $told->axis] = [
                FileValue::vector(($end === 'from' ? $read->from : $read->to)->at),
                FileValue::vector(($end === 'from' ? $read->from : $read->to)->axis ?? Vector::zero()),
            ];
            unset($told->on);
        }
        foreach ($laid->vertices as $index => $vertex) {
            $ties =
                $vertex->stop === null ? [] : $run->find('route')?->list('stops')[$vertex->stop]->list('ties') ?? [];
            foreach (array_reverse(array_keys(array_filter($ties, $isLost))) as $number) {
                $edit->apply(new UntieCorner($index, $number));
            }
        }

        return $edit->run();
    }

    /**
     * @param  'fittings'|'clamps'  $list
     * @param  array<string, mixed>  $lost  things of the surroundings that are gone, by id
     */
    private function unmounted(string $list, Node $item, array $lost): stdClass
    {
        $on = $item->find('on')?->value;
        $id = $item->get('id')->text();
        if (! is_string($on) || ! isset($lost[$on])) {
            return $item->object();
        }
        $copy = clone $item->object();
        unset($copy->on, $copy->face, $copy->stand_off);
        $numbers = static fn (Vector $vector): array => FileValue::vector($vector);
        if ($list === 'clamps' && isset($this->site->clamps[$id])) {
            $copy->at = $numbers($this->site->clamps[$id]->at);
            $copy->axis = $numbers($this->site->clamps[$id]->axis);
        } elseif (isset($this->site->fittings[$id])) {
            $copy->pose = PlaceEdit::poseOf($this->site->fittings[$id]->pose);
        }

        return $copy;
    }

    /**
     * @param  list<string>  $ports
     * @param  list<string>  $clamps
     * @param  list<string>  $blocks  ids of fittings and surroundings that are gone
     * @param  list<string>  $runs  ids of runs that are gone
     */
    private function loosened(Node $run, array $ports, array $clamps, array $blocks, array $runs): stdClass
    {
        $copy = json_decode(json_encode($run->object(), JSON_THROW_ON_ERROR), false, 512, JSON_THROW_ON_ERROR);
        assert($copy instanceof stdClass);
        foreach (['from', 'to'] as $name) {
            $end = $copy->{$name} ?? null;
            if ($end instanceof stdClass && is_string($end->port ?? null) && in_array($end->port, $ports, true)) {
                $port = $this->site->ports[$end->port];
                $isInto = PortName::of($end->port)->fitting === Channel::blockOf($run);
                $copy->{$name} = (object) [
                    'at' => FileValue::vector($port->at),
                    'axis' => FileValue::vector($port->axis->times($isInto ? -1.0 : 1.0)),
                    ...get_object_vars($end),
                ];
                unset($copy->{$name}->port);
            }
        }
        if (in_array(Channel::blockOf($run), $blocks, true)) {
            unset($copy->body);
        }
        if (($copy->body ?? null) instanceof stdClass && isset($copy->body->meets)) {
            $meets = array_map(static fn (Node $other): string => $other->text(), $run->get('body')->list('meets'));
            $copy->body->meets = array_values(array_diff($meets, $runs));
        }
        if ($copy->route instanceof stdClass) {
            $route = $copy->route;
            if (isset($route->stops)) {
                $this->loosenStops($copy, $route, [...$ports, ...$clamps], $clamps);
            }
            $this->loosenGates($route, $clamps);
        }

        return $copy;
    }

    /**
     * @param  list<string>  $places  ports and clamps that are gone
     * @param  list<string>  $clamps
     */
    private function loosenStops(stdClass $run, stdClass $route, array $places, array $clamps): void
    {
        $stops = [];
        $newNumbers = [];
        foreach ((new Node($route))->list('stops') as $number => $node) {
            $newNumbers[$number] = [count($stops)];
            $stop = $node->object();
            if (is_string($stop->until ?? null) && in_array($stop->until, $places, true)) {
                $stop->until = array_map(
                    FileValue::roundForFile(...),
                    $this->site->place($node->get('until'))->toArray(),
                );
            }
            if (! is_string($stop->clamp ?? null) || ! in_array($stop->clamp, $clamps, true)) {
                $stops[] = $stop;

                continue;
            }
            $newNumbers[$number][] = count($stops) + 1;
            foreach (StopReader::read($node, $this->site)->vertices($this->site->clamps[$stop->clamp]->at) as $vertex) {
                $point = (object) ['at' => FileValue::vector($vertex)];
                if (isset($stop->corner)) {
                    $point->corner = $stop->corner;
                }
                $stops[] = $point;
            }
        }
        $route->stops = $stops;
        $adjust = (new Node($run))->find('fixed_length')?->find('adjust')?->value;
        if ($adjust instanceof stdClass && is_array($adjust->stops)) {
            $adjust->stops = array_merge(
                ...array_map(
                    static fn (mixed $number): array => is_int($number) ? $newNumbers[$number] ?? [] : [$number],
                    array_values($adjust->stops),
                ),
            );
        }
    }

    /**
     * Removes clamps from a flexible route: a smooth run continues through the point, any other hangs on without it.
     *
     * @param  list<string>  $clamps
     */
    private function loosenGates(stdClass $route, array $clamps): void
    {
        $node = new Node($route);
        $isLost = static fn (Node $one): bool => in_array($one->find('clamp')?->value, $clamps, true);
        if (array_filter($node->list('through'), $isLost) !== []) {
            $route->through = array_values(
                array_map(
                    static fn (Node $one): mixed => $one->value,
                    array_filter($node->list('through'), static fn (Node $one): bool => ! $isLost($one)),
                ),
            );
            // The division of slack was for other spans.
            unset($route->last_span);
        }
        if (array_filter($node->list('points'), $isLost) !== []) {
            $route->points = array_map(
                fn (Node $one): mixed => $isLost($one)
                    ? array_map(FileValue::roundForFile(...), $this->site->clamp($one->get('clamp'))->at->toArray())
                    : $one->value,
                $node->list('points'),
            );
        }
    }

    /** @return array<string, true> */
    private static function runs(Site $site): array
    {
        return array_fill_keys(RouteBook::of($site)->ids(), true);
    }

    /**
     * @param  array<string, mixed>  $lost  by id
     * @return list<ItemRef>
     */
    private static function items(string $list, array $lost): array
    {
        return array_map(
            static fn (string $id): ItemRef => ItemRef::of($list, $id),
            array_map(strval(...), array_keys($lost)),
        );
    }
}
