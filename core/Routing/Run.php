<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Job\Fitting;
use Bowline\Job\FixedLength;
use Bowline\Job\FlangeBeside;
use Bowline\Job\JobError;
use Bowline\Job\Joint\Joint;
use Bowline\Job\Joint\JointKind;
use Bowline\Job\Joint\JointReader;
use Bowline\Job\Node;
use Bowline\Job\PortName;
use Bowline\Job\Repeat;
use Bowline\Job\RunEnd;
use Bowline\Job\SectionPlacement;
use Bowline\Job\Service;
use Bowline\Job\Site;
use Bowline\Job\Stock;
use Bowline\Job\TeePlace;
use Bowline\Job\Units;
use Bowline\Job\WaivedFinding;
use Bowline\Routing\Flexible\Bodies;
use stdClass;

/** A run as the designer described it. */
final readonly class Run
{
    /** Steps of a movement at which is looked what stands near the ends. */
    private const STEPS_OF_MOVEMENT = 16;

    /**
     * @param  Bodies  $around  what it must not come near while it moves; empty for one that does not move
     * @param  stdClass  $source  the run as it stands in the file; never changed
     * @param  list<Joint>  $joints  at which it is broken into spools, as told
     * @param  list<Stock>  $fitting  of the job, of its kind, that both of its ports are made for, where its own is not
     * @param  float  $weldGap  root gap at elbows and weld necks, mm
     * @param  list<Repeat>  $repeats  what comes again and again along it
     * @param  Service|null  $service  what it carries
     * @param  ChannelInBlock|null  $channel  the block that it is taken out of
     * @param  list<TeePlace>  $tees  bought tees in it, in order
     * @param  list<FlangeBeside>  $beside  flanges of other runs at the fittings at which it has one itself
     * @param  float  $insulation  thickness round it, mm
     * @param  float|null  $fall  by which it falls at least, a mm for each mm to the side; null where it need not
     * @param  list<WaivedFinding>  $waived  findings of it that are accepted
     */
    public function __construct(
        public string $id,
        public string $name,
        public Stock $stock,
        public RunEnd $from,
        public RunEnd $to,
        public Route $route,
        public ?FixedLength $fixedLength,
        public Units $units,
        public Bodies $around,
        public SectionPlacement $section,
        public stdClass $source,
        public array $joints = [],
        public array $fitting = [],
        public float $weldGap = 0.0,
        public array $repeats = [],
        public ?Service $service = null,
        public ?ChannelInBlock $channel = null,
        public array $tees = [],
        public array $beside = [],
        public float $insulation = 0.0,
        public ?float $fall = null,
        public array $waived = [],
    ) {
    }

    /** @throws JobError */
    public static function read(Node $node, Site $site): self
    {
        $id = $node->get('id')->text();
        $site = $site->reading($id, $node);
        $route = Routes::read($node->get('route'), $site);
        $stock = $site->stock($node->get('stock'));
        [$from, $to] = array_map(
            static fn (string $which): RunEnd => self::end($node, $which, $route, $site), ['from', 'to'],
        );
        $joints = JointReader::all($node, $from, $to, $site);
        $last = self::stockBehind($joints, $stock, PHP_INT_MAX);
        if ($route->corners() === null) {
            self::refuseChangeOfStock($node);
        }
        $from = $from->underPort($stock->section, $site->up)->withoutHost($stock->section);
        $to = $to->underPort($last->section, $site->up)->withoutHost($last->section);

        $run = new self(
            $id,
            $node->find('name')?->text() ?? $id,
            $stock,
            $from,
            $to,
            $route,
            FixedLength::read($node->find('fixed_length'), $site, $route->stopCount()),
            $site->units,
            new Bodies([]),
            SectionPlacement::read($node, $site->values, $site->up),
            $node->object(),
            $joints,
            $last === $stock ? self::fitting($stock, $from, $to, $site) : [],
            $site->values->notNegative($node->find('weld_gap'), 'the weld gap', JointKind::Weld->usualGap()),
            array_map(static fn (Node $one): Repeat => Repeat::read($one, $site->values), $node->list('repeats')),
            $node->find('service') === null ? null : $site->service($node->get('service')),
            $node->find('body') === null ? null : ChannelInBlock::read($node, $id, $site),
            $site->routes->teesOn($site, $id),
            $site->routes->flangesBeside($site, $id),
            $site->values->notNegative($node->find('insulation'), 'the thickness of the insulation'),
            $node->find('fall') === null ? null : $site->values->notNegative($node->find('fall'), 'the fall') / 1000.0,
            array_map(WaivedFinding::read(...), $node->list('waived')),
        );

        return $run->isMoving() ? $run->amid($site) : $run->withRoute($route->inReach($run));
    }

    /** @return list<Stock> that both ports are made for; none where the own one fits */
    private static function fitting(Stock $own, RunEnd $from, RunEnd $to, Site $site): array
    {
        return $from->takes($own) && $to->takes($own) ? [] : array_values(array_filter(
            $site->stock,
            static fn (Stock $one): bool => $one->kind === $own->kind && $from->takes($one) && $to->takes($one),
        ));
    }

    /**
     * Returns a copy that also carries the obstacles within reach over the whole movement: surroundings, and fittings
     * that neither move nor hold the run.
     */
    private function amid(Site $site): self
    {
        $holding = array_map(static fn (RunEnd $end): string => PortName::of($end->port ?? '')->fitting, [
            $this->from,
            $this->to,
        ]);
        $fittings = array_filter(
            $site->fittings,
            static fn (Fitting $one): bool => $one->movement === null && ! in_array($one->id, $holding, true),
        );
        $ends = array_map(
            fn (int $step): array => [
                $this->from->moved($step / self::STEPS_OF_MOVEMENT)->at,
                $this->to->moved($step / self::STEPS_OF_MOVEMENT)->at,
            ],
            range(0, self::STEPS_OF_MOVEMENT),
        );
        // Between two positions each end is nearer to one of them than they are apart.
        $apart = max(array_map(
            static fn (array $one, array $next): float => $one[0]->distanceTo($next[0]) + $one[1]->distanceTo($next[1]),
            array_slice($ends, 0, -1), array_slice($ends, 1),
        ));
        $around = (new Bodies($site->surroundings, $fittings))->near($ends, $this->reach() + $apart);

        return new self(
            $this->id,
            $this->name,
            $this->stock,
            $this->from,
            $this->to,
            $this->route,
            $this->fixedLength,
            $this->units,
            $around,
            $this->section,
            $this->source,
            $this->joints,
            $this->fitting,
            $this->weldGap,
            $this->repeats,
            $this->service,
            $this->channel,
            $this->tees,
            $this->beside,
            $this->insulation,
            $this->fall,
            $this->waived,
        );
    }

    /** Returns the greatest length that the run may have, to find what it can touch, mm. */
    private function reach(): float
    {
        $span = $this->route->span($this);

        return 500.0 + ($span === null ? 3 * $this->from->at->distanceTo($this->to->at) : max($span));
    }

    /** Whether it is bent on a bender, and not cut to length to bend as it is laid, or taken out of a block. */
    public function isBent(): bool
    {
        return $this->stock->kind->isBent() && $this->channel === null;
    }

    /** Whether an end of the run is held by something that moves. */
    public function isMoving(): bool
    {
        return $this->from->movement !== null || $this->to->movement !== null;
    }

    public function withRoute(Route $route): self
    {
        return new self(
            $this->id,
            $this->name,
            $this->stock,
            $this->from,
            $this->to,
            $route,
            $this->fixedLength,
            $this->units,
            $this->around,
            $this->section,
            $this->source,
            $this->joints,
            $this->fitting,
            $this->weldGap,
            $this->repeats,
            $this->service,
            $this->channel,
            $this->tees,
            $this->beside,
            $this->insulation,
            $this->fall,
            $this->waived,
        );
    }

    /** Returns a part of the run as a run between two other ends. */
    public function between(RunEnd $from, RunEnd $to): self
    {
        return new self(
            $this->id,
            $this->name,
            $this->stock,
            $from,
            $to,
            $this->route,
            null,
            $this->units,
            $this->around,
            $this->section,
            $this->source,
            $this->joints,
            $this->fitting,
            $this->weldGap,
            $this->repeats,
            $this->service,
            $this->channel,
            $this->tees,
            $this->beside,
            $this->insulation,
            $this->fall,
            $this->waived,
        );
    }

    /** Returns the stock of the run at a vertex and in the bend there: as which it goes on behind the last reducer. */
    public function stockAt(int $vertex): Stock
    {
        return self::stockBehind($this->joints, $this->stock, $vertex);
    }

    /** Returns the stock at the far end of the run. */
    public function lastStock(): Stock
    {
        return $this->stockAt(PHP_INT_MAX);
    }

    /** @return non-empty-list<Stock> of which it is made, in the order in which they are told */
    public function stocks(): array
    {
        $others = array_map(static fn (Joint $joint): ?Stock => $joint->stock, $this->joints);

        return [$this->stock, ...array_values(array_filter($others, static fn (?Stock $one): bool => $one !== null))];
    }

    /** @throws JobError where a run without corners is told to go on in another stock */
    private static function refuseChangeOfStock(Node $run): void
    {
        foreach ($run->list('joints') as $joint) {
            if ($joint->find('stock') !== null) {
                throw $joint->get('stock')->error('a run goes on in another stock on its legs, and this one has none');
            }
        }
    }

    /** @param  list<Joint>  $joints */
    private static function stockBehind(array $joints, Stock $stock, int $vertex): Stock
    {
        $last = [0, -INF];
        foreach ($joints as $joint) {
            $place = [$joint->leg, $joint->fromStart];
            if ($joint->stock !== null && $joint->leg <= $vertex && $place >= $last) {
                $stock = $joint->stock;
                $last = $place;
            }
        }

        return $stock;
    }

    /** Returns a part of the run that is made by itself, of the stock that it is of there. */
    public function spool(string $mark, string $name, RunEnd $from, RunEnd $to, ?Stock $stock = null): self
    {
        return new self(
            $mark, $name, $stock ?? $this->stock, $from, $to, $this->route, null, $this->units, $this->around,
            $this->section, $this->source, weldGap: $this->weldGap, service: $this->service,
            insulation: $this->insulation, fall: $this->fall,
        );
    }

    /** Returns the run with its ends at a position of the movement. */
    public function moved(float $part): self
    {
        return $this->between($this->from->moved($part), $this->to->moved($part));
    }

    /**
     * @param  'from'|'to'  $which
     *
     * @throws JobError when it is missing and the route does not say it
     */
    private static function end(Node $node, string $which, Route $route, Site $site): RunEnd
    {
        $own = $route->ownEnds();
        $said = $node->find($which);

        return $said === null && $own !== null
            ? $own[$which === 'from' ? 0 : 1]
            : RunEnd::ofRun($node, $which, $site);
    }
}
