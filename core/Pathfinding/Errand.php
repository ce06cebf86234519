<?php

declare(strict_types=1);

namespace Bowline\Pathfinding;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\Clamp;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Port;
use Bowline\Job\PortName;
use Bowline\Job\RunEnd;
use Bowline\Job\Service;
use Bowline\Job\Site;
use Bowline\Job\Stock;
use Bowline\Job\StockKind;
use Bowline\Job\Words;
use Bowline\Routing\LaidRun;

/** What is to be laid: from where to where, in what, and what it has to keep. Lengths in millimetres. */
final readonly class Errand
{
    /** How close to a length that is asked for a way has to come, mm. */
    public const TOLERANCE = 0.5;

    /** Most clamps that a way is led through. */
    private const MOST_CLAMPS = 6;

    /**
     * @param  list<Clamp>  $through  clamps in the order in which it goes through them
     * @param  float|null  $length  that it has to have along its centre line
     * @param  float|null  $fall  least fall all along from its higher end, mm for each mm to the side
     * @param  LaidRun|null  $again  the run that it takes the place of, near to which it is laid
     */
    public function __construct(
        public Port $from,
        public Port $to,
        public Stock $stock,
        public ?Service $service = null,
        public float $insulation = 0.0,
        public array $through = [],
        public ?float $length = null,
        public ?float $fall = null,
        public Weights $weights = new Weights,
        public ?LaidRun $again = null,
    ) {
    }

    /**
     * @param  Node  $node  `from` and `to`, ports or ends of runs in the open (`feed.to`); `stock`, `service`,
     *     `insulation`, `through`, `length`, `fall` (mm a metre) and `weights` may be left out
     *
     * @throws JobError
     */
    public static function read(Node $node, Job $job): self
    {
        $site = $job->site;
        $values = $site->values;
        [$from, $to] = [self::place($node->get('from'), $job), self::place($node->get('to'), $job)];
        if ($from->name === $to->name) {
            throw $node->get('to')->error('a run leads from one port to another');
        }
        $before = OpenEnd::run($from->name, $job) ?? OpenEnd::run($to->name, $job);
        $stock = match (true) {
            $node->find('stock') !== null => $site->stock($node->get('stock')),
            $before !== null => $before->stock,
            default => self::stockFor($from, $to, $node, $site),
        };
        $through = array_map($site->clamp(...), $node->list('through'));
        if (count($through) > self::MOST_CLAMPS) {
            throw $node->get('through')->error(sprintf('at most %d clamps can be named', self::MOST_CLAMPS));
        }
        $length = $node->find('length');
        $fall = $node->find('fall');
        $rate = $fall === null ? null : $values->notNegative($fall, 'the fall') / 1000.0;
        foreach ($through as $number => $clamp) {
            self::requireFall($clamp, $rate, $job->site->up, $node->list('through')[$number]);
        }

        return new self(
            $from, $to, $stock, $node->find('service') === null ? null : $site->service($node->get('service')),
            $values->notNegative($node->find('insulation'), 'the thickness of the insulation'), $through,
            $length === null ? null : $values->positive($length, 'the length'),
            $rate,
            Weights::read($node->find('weights'), $values),
        );
    }

    /**
     * Returns a port, or an end of a run in the open.
     *
     * @throws JobError where there is neither
     */
    private static function place(Node $name, Job $job): Port
    {
        $run = isset($job->site->ports[$name->text()]) ? null : OpenEnd::run($name->text(), $job);
        if ($run === null) {
            return $job->site->port($name);
        }

        return OpenEnd::find($name->text(), $job)
            ?? throw $name->error(sprintf('this end of %s is at something already', $run->name));
    }

    /**
     * Returns the first rigid stock for which both ports are made.
     *
     * @throws JobError where there is none
     */
    private static function stockFor(Port $from, Port $to, Node $node, Site $site): Stock
    {
        foreach ($site->stock as $stock) {
            $size = $stock->portSize();
            $fits = static fn (Port $port): bool => $size !== null && $port->size !== null
                && abs($port->size - $size) <= Tolerance::CLAMP_BORE;
            if (in_array($stock->kind, [StockKind::Tube, StockKind::Pipe], true) && $fits($from) && $fits($to)) {
                return $stock;
            }
        }
        throw $node->get('to')->error('no tube or pipe of the job fits both ports: say what it is made of');
    }

    /**
     * Returns the errand of laying a run again between its ports, with all that is said of it.
     *
     * @param  Node  $pointer  where the run is named
     *
     * @throws JobError where it is not a run with corners between two ports, or falls and goes through a level clamp
     */
    public static function again(LaidRun $laid, Node $pointer, Job $job): self
    {
        $run = $laid->run;
        if ($run->route->corners() === null || $run->from->port === null || $run->to->port === null) {
            throw $pointer->error(sprintf('%s is no run with corners between two ports', $run->name));
        }
        $clamps = array_values(array_filter(array_map(
            static fn (Node $stop): ?Clamp => $stop->find('clamp') === null
                ? null
                : $job->site->clamp($stop->get('clamp')),
            (new Node($run->source))->get('route')->list('stops'),
        )));

        foreach ($clamps as $clamp) {
            self::requireFall($clamp, $run->fall, $job->site->up, $pointer);
        }

        return new self(
            $job->site->ports[$run->from->port], $job->site->ports[$run->to->port], $run->stock, $run->service,
            $run->insulation, $clamps, $run->fixedLength?->length, $run->fall, again: $laid,
        );
    }

    /**
     * @param  float|null  $rate  least fall of a run, mm for each mm to the side
     *
     * @throws JobError where a run does not fall as much in the bore of a clamp
     */
    private static function requireFall(Clamp $clamp, ?float $rate, Vector $up, Node $pointer): void
    {
        $rise = abs($clamp->axis->dot($up));
        if ($rate !== null && $rise < $rate * sqrt(max(0.0, 1.0 - $rise * $rise)) - Tolerance::SAFEGUARD) {
            throw $pointer->error(sprintf(
                'the bore of %s falls by less than %s mm a metre, and what goes through it too', $clamp->name,
                Words::number(1000.0 * $rate),
            ));
        }
    }

    /** Returns the radius of its outside, insulation included. */
    public function outside(): float
    {
        return $this->stock->section->outsideDiameter / 2 + $this->insulation;
    }

    public function radius(): float
    {
        return max($this->stock->bend->radius, $this->stock->bend->leastRadius);
    }

    /** Returns the mouth of a way at a port. */
    public function mouth(Port $port, Job $job): Mouth
    {
        $fitting = PortName::of($port->name)->fitting;
        $own = ['fittings/'.$fitting];
        foreach ((new Node($job->source))->list('fittings') as $one) {
            if ($one->get('id')->value === $fitting && $one->find('on') !== null) {
                $own[] = 'surroundings/'.$one->get('on')->text();
            }
        }
        foreach ($job->runs as $run) {
            if ($run->id === $this->again?->run->id) {
                continue;
            }
            if ($this->isAt($run->from, $port) || $this->isAt($run->to, $port)) {
                $own[] = 'runs/'.$run->id;
            }
        }

        // Room to slip a nut or a flange over the end.
        return new Mouth(
            $port->at, $port->axis, $this->stock->section->outsideDiameter, $own,
            isset($job->site->ports[$port->name]) ? $port->name : null,
        );
    }

    private function isAt(RunEnd $end, Port $port): bool
    {
        return $end->at->distanceTo($port->at) < Tolerance::POINTED_AT;
    }

    /** Returns the mouth of a way on one side of a clamp, out along its axis or against it. */
    public function side(Clamp $clamp, bool $isAlong): Mouth
    {
        return new Mouth(
            $clamp->at, $isAlong ? $clamp->axis : $clamp->axis->times(-1.0),
            max($clamp->width, $this->stock->bend->leastStraight) / 2, ['clamps/'.$clamp->id], $clamp->id,
        );
    }
}
