<?php

declare(strict_types=1);

namespace Bowline\Laying;

use Bowline\Job\Job;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Job\Stop\StopReader;
use stdClass;

/**
 * When a fitting, a port or a clamp is taken away, what hung on it stays where it was: a run's end at
 * the port becomes an end at a bare point, and a clamp's stop becomes the two points beside it.
 */
final readonly class Loosening
{
    private function __construct(private Site $site)
    {
    }

    /** @param  stdClass  $before  the job file while everything was still there */
    public static function of(stdClass $before): self
    {
        return new self(Site::read(new Node($before)));
    }

    /** @return stdClass the job file with nothing left hanging on what it no longer has */
    public function fit(stdClass $after): stdClass
    {
        try {
            $ports = Site::read(new Node($after));
        } catch (JobError) {
            // It is wrong in another way, and will be refused for that.
            return $after;
        }
        $lostPorts = array_diff_key($this->site->ports, $ports->ports);
        $lostClamps = array_diff_key($this->site->clamps, $ports->clamps);
        if ($lostPorts === [] && $lostClamps === []) {
            return $after;
        }
        $fitted = clone $after;
        $fitted->runs = array_map(
            fn (Node $run): stdClass => $this->loosened($run, array_keys($lostPorts), array_keys($lostClamps)),
            (new Node($after))->list('runs'),
        );

        return $fitted;
    }

    /**
     * @param  list<string>  $ports
     * @param  list<string>  $clamps
     */
    private function loosened(Node $run, array $ports, array $clamps): stdClass
    {
        $copy = json_decode(json_encode($run->object(), JSON_THROW_ON_ERROR), false, 512, JSON_THROW_ON_ERROR);
        assert($copy instanceof stdClass);
        foreach (['from', 'to'] as $name) {
            $end = $copy->{$name} ?? null;
            if ($end instanceof stdClass && is_string($end->port ?? null) && in_array($end->port, $ports, true)) {
                $port = $this->site->ports[$end->port];
                $copy->{$name} = (object) [
                    'at' => array_map(StopList::tidy(...), $port->at->toArray()),
                    'axis' => array_map(StopList::tidy(...), $port->axis->toArray()),
                    ...get_object_vars($end),
                ];
                unset($copy->{$name}->port);
            }
        }
        if ($copy->route instanceof stdClass) {
            $this->loosenStops($copy, $copy->route, [...$ports, ...$clamps], $clamps);
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
                $stop->until = array_map(StopList::tidy(...), $this->site->place($node->get('until'))->toArray());
            }
            if (! is_string($stop->clamp ?? null) || ! in_array($stop->clamp, $clamps, true)) {
                $stops[] = $stop;

                continue;
            }
            $newNumbers[$number][] = count($stops) + 1;
            foreach (StopReader::read($node, $this->site)->vertices($this->site->clamps[$stop->clamp]->at) as $vertex) {
                $point = (object) ['at' => array_map(StopList::tidy(...), $vertex->toArray())];
                if (isset($stop->corner)) {
                    $point->corner = $stop->corner;
                }
                $stops[] = $point;
            }
        }
        $route->stops = $stops;
        $adjust = (new Node($run))->find('fixed_length')?->find('adjust')?->value;
        if ($adjust instanceof stdClass && is_array($adjust->stops)) {
            $adjust->stops = array_merge(...array_map(
                static fn (mixed $number): array => is_int($number) ? $newNumbers[$number] ?? [] : [$number],
                array_values($adjust->stops),
            ));
        }
    }
}
