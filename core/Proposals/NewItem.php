<?php

declare(strict_types=1);

namespace Bowline\Proposals;

use Bowline\Editing\EditError;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\FileValue;
use Bowline\Job\FreshId;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Part\Kind\BarePort;
use Bowline\Job\Part\PartKind;
use Bowline\Job\Port;
use Bowline\Job\PortName;
use Bowline\Job\Shape\RoundEnd;
use Bowline\Job\Stock;
use Bowline\Job\StockKind;
use Bowline\Job\Surrounding;
use Bowline\Routing\LaidRun;
use stdClass;

/** The first state of a new item of a job, in the shape of the job file. */
final readonly class NewItem
{
    /** Distance between new fittings, mm. */
    private const PART_APART = 400;

    private const FITTING_APART = 500;

    /** A tube of EN 10305-1 that is bent by hand, mm: outside diameter, wall, usual and least radius, grip. */
    private const TUBE = ['od' => 12, 'wall' => 1.5, 'radius' => 30, 'min_radius' => 24, 'min_straight' => 20];

    /** Radius of the corners of a trunk, mm. */
    private const BUNDLE_RADIUS = 40;

    /** Density of steel, kg/m³. */
    private const STEEL = 7850;

    /** A clamp is as wide as its tube, but at least this, mm. */
    private const CLAMP_WIDTH = 10;

    /** Length of a branch from the centreline of its host, in diameters of that. */
    private const BRANCH = 4;

    /** Points picked by hand are rounded to this, mm. */
    private const POINTING_GRID = 0.1;

    /** @param  stdClass  $file  the job file */
    public function __construct(private stdClass $file)
    {
    }

    /** @return stdClass a fitting of a box with one port, beside those that are there */
    public function fitting(string $name): stdClass
    {
        return $this->named('fittings', $name, [
            'pose' => (object) ['at' => [self::FITTING_APART * $this->count('fittings'), 0, 100]],
            'body' => (object) ['shape' => 'box', 'size' => [200, 200, 200]],
            'ports' => [(object) ['id' => 'out', 'name' => 'Outlet', 'at' => [0, 0, 100], 'axis' => '+z']],
        ]);
    }

    /**
     * Returns a fitting that is made by a few numbers.
     *
     * @param  float|null  $tube  diameter of the tube that is to be laid to it, mm
     */
    public function part(PartKind $kind, ?float $tube = null): stdClass
    {
        return $this->named('fittings', $kind->title(), [
            'pose' => (object) ['at' => [self::PART_APART * $this->count('fittings'), 0, 100]],
            'part' => (object) [
                'kind' => $kind->word(),
                ...array_map(FileValue::roundForFile(...), $tube === null ? [] : $kind->forTube($tube)),
            ],
        ]);
    }

    public function box(): stdClass
    {
        return $this->named('surroundings', 'Box', [
            'shape' => 'box', 'pose' => (object) ['at' => [0, 0, 0]], 'size' => [400, 400, 200],
        ]);
    }

    public function cylinder(): stdClass
    {
        return $this->named('surroundings', 'Cylinder', [
            'shape' => 'cylinder', 'pose' => (object) ['at' => [0, 0, 0]], 'diameter' => 200, 'height' => 400,
        ]);
    }

    /** @return stdClass a panel that stands up, its front towards −y */
    public function panel(): stdClass
    {
        return $this->named('surroundings', 'Panel', [
            'shape' => 'panel',
            'pose' => (object) ['at' => [0, 300, 200], 'turn' => (object) ['about' => '+x', 'by' => 90]],
            'width' => 600,
            'height' => 400,
            'thickness' => 10,
        ]);
    }

    /**
     * @param  string  $mesh  names its triangles
     * @param  mixed  $extent  lowest and highest corner, as in the file
     * @param  mixed  $rounds  round ends of its holes and spigots, as in the file; null where none are known
     */
    public function mesh(string $name, string $mesh, mixed $extent, mixed $rounds = null): stdClass
    {
        return $this->named('surroundings', $name, [
            'shape' => 'mesh', 'mesh' => $mesh, 'extent' => $extent, 'pose' => (object) ['at' => [0, 0, 0]],
            ...is_array($rounds) && $rounds !== [] ? ['rounds' => $rounds] : [],
        ]);
    }

    /**
     * Returns a port on the round end of a hole or a spigot, mounted on the body that has it.
     *
     * @param  float|null  $tube  diameter of the tube that is to be laid to it, mm; that of the round end otherwise
     */
    public function portOn(Surrounding $body, RoundEnd $round, ?float $tube = null): stdClass
    {
        $x = new Vector(1.0, 0.0, 0.0);
        $about = $x->cross($round->axis);
        $turn = match (true) {
            $about->length() > Tolerance::PARALLEL => [$about->unit(), rad2deg($x->angleTo($round->axis))],
            $round->axis->x < 0.0 => [new Vector(0.0, 0.0, 1.0), 180.0],
            default => null,
        };

        return $this->named('fittings', sprintf('Port on %s', $body->name), [
            'on' => $body->id,
            'pose' => (object) [
                'at' => FileValue::vector($round->at),
                ...$turn === null ? [] : ['turn' => (object) [
                    'about' => $turn[0]->axisName() ?? FileValue::vector($turn[0]),
                    'by' => FileValue::roundForFile($turn[1]),
                ]],
            ],
            'part' => (object) [
                'kind' => (new BarePort)->word(), 'size' => FileValue::roundForFile($tube ?? $round->diameter),
            ],
        ]);
    }

    public function clamp(): stdClass
    {
        return $this->named('clamps', 'Clamp '.($this->count('clamps') + 1), [
            'at' => [0, 0, 0], 'axis' => '+x', 'bore' => self::TUBE['od'], 'width' => self::TUBE['od'],
        ]);
    }

    /**
     * Returns a clamp on a leg of a run where it was pointed at: on the axis of the leg, with the bore of the tube.
     *
     * @param  int  $vertex  at the far end of the leg
     * @param  Vector  $at  the point that was picked, on the outside of the run or near it, mm
     *
     * @throws EditError when the run has no such leg
     */
    public function clampOn(LaidRun $run, int $vertex, Vector $at): stdClass
    {
        $start = $run->vertices[$vertex - 1] ?? null;
        $end = $run->vertices[$vertex] ?? null;
        if ($start === null || $end === null) {
            throw new EditError(sprintf('There is no leg %d to put a clamp on.', $vertex));
        }
        $axis = $end->at->minus($start->at)->unit();
        $along = round($at->minus($start->at)->dot($axis) / self::POINTING_GRID) * self::POINTING_GRID;

        return $this->clampAt($start->at->plus($axis->times($along)), $axis, $run->run->stock);
    }

    /**
     * Returns a clamp that takes a stock.
     *
     * @param  Vector  $axis  unit
     */
    public function clampAt(Vector $at, Vector $axis, Stock $stock): stdClass
    {
        $od = $stock->section->outsideDiameter;

        return $this->named('clamps', 'Clamp '.($this->count('clamps') + 1), [
            'at' => FileValue::vector($at),
            'axis' => $axis->axisName() ?? FileValue::vector($axis),
            'bore' => FileValue::roundForFile($od),
            'width' => FileValue::roundForFile(self::clampWidth($od)),
        ]);
    }

    /** Returns how wide a clamp is along a run of an outside diameter, mm. */
    public static function clampWidth(float $od): float
    {
        return max(self::CLAMP_WIDTH, round($od));
    }

    /** Returns a stock of bundles, of which trunks are laid. */
    public function bundle(): stdClass
    {
        return $this->named('stock', 'Bundle', [
            'kind' => 'bundle', 'bend' => (object) ['radius' => self::BUNDLE_RADIUS],
        ]);
    }

    /** Returns a harness with all trunks that are in none yet. */
    public function harness(): stdClass
    {
        $job = new Node($this->file);
        $bundles = $used = [];
        foreach ($job->list('stock') as $stock) {
            if ($stock->find('kind')?->value === StockKind::Bundle->value) {
                $bundles[] = $stock->get('id')->text();
            }
        }
        foreach ($job->list('harnesses') as $harness) {
            array_push($used, ...array_map(
                static fn (Node $trunk): string => $trunk->text(), $harness->list('trunks'),
            ));
        }
        $trunks = [];
        foreach ($job->list('runs') as $run) {
            $isTrunk = in_array($run->get('stock')->value, $bundles, true);
            if ($isTrunk && ! in_array($run->get('id')->value, $used, true)) {
                $trunks[] = $run->get('id')->text();
            }
        }

        return $this->named('harnesses', 'Harness '.($this->count('harnesses') + 1), [
            'trunks' => $trunks, 'wires' => [],
        ]);
    }

    public function stock(): stdClass
    {
        return $this->named('stock', sprintf('Tube %s × %s', self::TUBE['od'], self::TUBE['wall']), [
            'kind' => 'tube',
            'section' => (object) ['shape' => 'round', 'od' => self::TUBE['od'], 'wall' => self::TUBE['wall']],
            'bend' => (object) [
                'radius' => self::TUBE['radius'],
                'min_radius' => self::TUBE['min_radius'],
                'min_straight' => self::TUBE['min_straight'],
            ],
            'density' => self::STEEL,
        ]);
    }

    /**
     * Returns a rigid run from one port to another without corners.
     *
     * @param  float|null  $radius  the one chosen last for this stock, mm
     */
    public function run(string $name, string $stock, string $from, string $to, ?float $radius): stdClass
    {
        $open = static fn (string $port): stdClass => (object) [
            'port' => $port,
            'end' => (object) ['type' => 'open'],
        ];

        return $this->named('runs', $name, [
            'stock' => $stock,
            'from' => $open($from),
            'to' => $open($to),
            'route' => (object) [
                'kind' => 'corners',
                ...$radius === null ? [] : ['corner' => (object) ['radius' => FileValue::roundForFile($radius)]],
                'stops' => [],
            ],
        ]);
    }

    /**
     * Returns a run that stands on another, upwards, and ends in the open.
     *
     * @param  float|null  $along  developed length of the other, mm; null for the middle of its longest straight
     */
    public function branch(LaidRun $host, ?float $along): stdClass
    {
        $along ??= $host->path->middle();
        $stock = $host->stockAlong($along);
        $out = $host->run->section->up->uprightOf($host->path->directionAt($along));
        $lead = self::BRANCH * $stock->section->outsideDiameter;
        $end = $host->path->pointAt($along)->plus($out->times($lead));

        return $this->named('runs', sprintf('%s, branch', $host->run->name), [
            'stock' => $stock->id,
            'from' => (object) [
                'on' => (object) ['run' => $host->run->id, 'length' => round($along, 1)],
                'axis' => FileValue::vector($out),
                'lead' => FileValue::roundForFile($lead),
            ],
            'to' => (object) ['at' => FileValue::vector($end), 'end' => (object) ['type' => 'open']],
            'route' => (object) ['kind' => 'corners', 'stops' => []],
        ]);
    }

    /**
     * Returns the smoothest channel between two openings of a block that keeps its least radius and its wall.
     *
     * @param  Job  $job  with all channels that are there
     * @param  Port  $from  of the block, as is the other
     *
     * @throws JobError when nothing can be taken out of that
     */
    public function channel(Job $job, string $stock, Port $from, Port $to): stdClass
    {
        $block = PortName::of($from->name)->fitting;

        return (new ChannelWay($job))->find($this->named('runs', sprintf(
            '%s – %s', $from->title ?? PortName::of($from->name)->port, $to->title ?? PortName::of($to->name)->port,
        ), [
            'stock' => $stock,
            'from' => (object) ['port' => $from->name],
            'to' => (object) ['port' => $to->name],
            'route' => (object) ['kind' => 'corners', 'stops' => []],
            'body' => (object) ['as' => 'channel', 'in' => $block],
        ]), $from, $to);
    }

    /**
     * Returns one more strand beside a run that is wound round another, behind the last strand.
     *
     * @param  stdClass  $run  as it stands in the file
     *
     * @throws JobError when it is wound round nothing
     */
    public function strand(stdClass $run): stdClass
    {
        $node = new Node($run);
        $host = $node->get('route')->get('host')->value;
        $last = 0;
        foreach ((new Node($this->file))->list('runs') as $other) {
            $route = $other->find('route');
            $number = $route?->find('strand')->value ?? 0;
            if ($route?->find('host')?->value === $host && is_numeric($number)) {
                $last = max($last, (int) $number);
            }
        }
        $name = $node->find('name')?->text() ?? $node->get('id')->text();
        $strand = clone $run;
        unset($strand->from, $strand->to);
        $strand->route = (object) [...get_object_vars($node->get('route')->object()), 'strand' => $last + 1];
        $strand->name = sprintf('%s, strand %d', $name, $last + 2);
        $strand->id = FreshId::of($name, $this->ids('runs'));

        return $strand;
    }

    /** @param  array<string, mixed>  $more */
    private function named(string $list, string $name, array $more): stdClass
    {
        return (object) ['id' => FreshId::of($name, $this->ids($list)), 'name' => $name, ...$more];
    }

    private function count(string $list): int
    {
        return count((new Node($this->file))->list($list));
    }

    /** @return list<string> */
    private function ids(string $list): array
    {
        return array_map(
            static fn (Node $item): string => $item->find('id')?->text() ?? '',
            (new Node($this->file))->list($list),
        );
    }
}
