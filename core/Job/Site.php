<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Vector;
use Bowline\Job\Shape\MeshTriangles;

/** Everything in a job that its runs refer to: values, stock, fittings, clamps and surroundings. */
final readonly class Site
{
    /**
     * @param  array<string, Stock>  $stock
     * @param  array<string, Fitting>  $fittings
     * @param  array<string, Clamp>  $clamps
     * @param  array<string, Surrounding>  $surroundings
     * @param  array<string, Port>  $ports  by "fitting.port"
     * @param  array<string, RunSet>  $sets
     * @param  array<string, Service>  $services
     */
    private function __construct(
        public Values $values,
        public array $stock,
        public array $fittings,
        public array $clamps,
        public array $surroundings,
        public array $ports,
        public Units $units,
        public array $sets,
        public RunReferences $routes,
        public Vector $up,
        public array $services,
    ) {
    }

    /** Returns a copy for reading one run in its present state, with ties to its own stops. */
    public function reading(string $id, Node $run): self
    {
        return new self(
            $this->values,
            $this->stock,
            $this->fittings,
            $this->clamps,
            $this->surroundings,
            $this->ports,
            $this->units,
            $this->sets,
            $this->routes->reading($id, $run), $this->up, $this->services,
        );
    }

    /**
     * @param  RunReferences  $routes  of the runs of the job
     *
     * @throws JobError
     */
    public static function read(Node $job, RunReferences $routes): self
    {
        $values = Values::read($job->find('values'));
        $meshes = array_map(MeshTriangles::read(...), $job->find('meshes')?->members() ?? []);
        $surroundings = self::byId(
            $job->list('surroundings'),
            static fn (Node $node): Surrounding => Surrounding::read($node, $values, $meshes),
        );
        $fittings = self::byId(
            $job->list('fittings'),
            static fn (Node $node): Fitting => Fitting::read($node, $values, $surroundings),
        );
        $ports = [];
        foreach ($fittings as $fitting) {
            foreach ($fitting->ports as $port) {
                $ports[$port->name] = $port;
            }
        }

        return new self(
            $values,
            self::byId($job->list('stock'), static fn (Node $node): Stock => Stock::read($node, $values)),
            $fittings,
            self::byId(
                $job->list('clamps'),
                static fn (Node $node): Clamp => Clamp::read($node, $values, $surroundings),
            ),
            $surroundings,
            $ports,
            Units::read($job),
            self::byId($job->list('sets'), static fn (Node $node): RunSet => RunSet::read($node, $values)),
            $routes,
            Vector::axis('+'.($job->find('up')?->text() ?? 'z')) ?? new Vector(0.0, 0.0, 1.0),
            self::byId(
                (new Node(Service::said($job->object()), '/services'))->items(),
                static fn (Node $node): Service => Service::read($node, $values),
            ),
        );
    }

    /** @throws JobError when there is no such port */
    public function port(Node $name): Port
    {
        return $this->ports[$name->text()] ?? throw $name->error(sprintf('there is no port “%s”', $name->text()));
    }

    /** @throws JobError when there is no such stock */
    public function stock(Node $id): Stock
    {
        return $this->stock[$id->text()] ?? throw $id->error(sprintf('there is no stock “%s”', $id->text()));
    }

    /** @throws JobError when there is no such service */
    public function service(Node $id): Service
    {
        return $this->services[$id->text()] ?? throw $id->error(sprintf('there is no service “%s”', $id->text()));
    }

    /**
     * Returns what channels are taken out of, a fitting or a thing of the surroundings.
     *
     * @throws JobError when there is no such thing, or it is not one solid
     */
    public function block(Node $id): Block
    {
        $fitting = $this->fittings[$id->text()] ?? null;
        if ($fitting !== null) {
            $solid = count($fitting->solids) === 1 ? $fitting->solids[0] : throw $id->error(
                sprintf('%s is not one solid, and nothing can be taken out of it', $fitting->name),
            );

            return new Block(
                $fitting->id, $fitting->name, $solid->shape, $solid->pose->within($fitting->pose), $fitting->density,
                $fitting->ports,
            );
        }
        $one = $this->surroundings[$id->text()]
            ?? throw $id->error(sprintf('there is no fitting or surrounding “%s”', $id->text()));

        return new Block($one->id, $one->name, $one->shape, $one->pose, $one->density);
    }

    /** @throws JobError when there is no such clamp */
    public function clamp(Node $id): Clamp
    {
        return $this->clamps[$id->text()] ?? throw $id->error(sprintf('there is no clamp “%s”', $id->text()));
    }

    /**
     * Returns the point given by a name (a port or a clamp) or by three numbers.
     *
     * @throws JobError
     */
    public function place(Node $node): Vector
    {
        if (! is_string($node->value)) {
            return $this->values->vector($node);
        }
        $port = $this->ports[$node->value] ?? null;
        $clamp = $this->clamps[$node->value] ?? null;

        return $port->at ?? $clamp->at ?? throw $node->error(sprintf('there is no port or clamp “%s”', $node->value));
    }

    /**
     * @template T
     *
     * @param  list<Node>  $nodes
     * @param  callable(Node): T  $read
     * @return array<string, T>
     *
     * @throws JobError when an id comes twice
     */
    public static function byId(array $nodes, callable $read): array
    {
        $items = [];
        foreach ($nodes as $node) {
            $id = $node->get('id');
            if (isset($items[$id->text()])) {
                throw $id->error(sprintf('the id “%s” is used twice', $id->text()));
            }
            $items[$id->text()] = $read($node);
        }

        return $items;
    }
}
