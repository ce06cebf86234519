<?php

declare(strict_types=1);

namespace Bowline\Proposals;

use Bowline\Editing\EditError;
use Bowline\Geometry\Tolerance;
use Bowline\Job;
use Bowline\Job\FileValue;
use Bowline\Job\Node;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Run;
use stdClass;

/**
 * Combs flexible runs into a bundle along another run: the thickest first, in rings round the host, each at least the
 * given gap from the others. Behind the ends of the bundle each leads off to its own ports. The runs follow the host.
 */
final readonly class Comb
{
    private function __construct(
        private LaidRun $along,
        private float $from,
        private float $to,
        private float $apart,
    ) {
    }

    /**
     * @param  list<string>  $ids  of the runs to comb
     * @param  float|null  $from  start of the bundle, developed length of the host in mm; null leaves room to lead off
     * @param  float|null  $to  end of the bundle
     * @param  float  $apart  gap between the outsides of two runs, mm
     * @return list<stdClass> the runs as they then stand in the file
     *
     * @throws EditError when they cannot be combed
     */
    public static function runs(Job $job, string $along, array $ids, ?float $from, ?float $to, float $apart): array
    {
        $host = $job->runs[$along] ?? throw new EditError(sprintf('There is no run “%s” to comb them along.', $along));
        $laid = $host->route->lay($host);
        // Two or three bends at each end are room enough to lead off.
        $room = min($laid->length() / 4, 3 * $host->stock->bend->radius);
        $comb = new self($laid, $from ?? $room, $to ?? $laid->length() - $room, $apart);
        if ($comb->from < 0.0 || $comb->to > $laid->length() + Tolerance::COINCIDENT || $comb->to <= $comb->from) {
            throw new EditError(
                sprintf('The bundle lies between 0 and the %s of %s.', $host->units->say($laid->length()), $host->name),
            );
        }
        $runs = array_map(
            static fn (string $id): Run => $job->runs[$id] ??
                throw new EditError(sprintf('There is no run “%s”.', $id)),
            $ids,
        );
        foreach ($runs as $run) {
            if ($run->id === $along || $run->route->corners() !== null) {
                throw new EditError(sprintf('%s cannot be combed: only flexible runs lie beside another.', $run->name));
            }
            if ((new Node($host->source))->find('route')?->find('host')?->value === $run->id) {
                throw new EditError(sprintf('%s itself lies along %s.', $host->name, $run->name));
            }
        }
        usort(
            $runs,
            static fn (Run $a, Run $b): int => $b->stock->section->outsideDiameter <=>
                $a->stock->section->outsideDiameter,
        );

        return $comb->beside($runs);
    }

    /**
     * @param  list<Run>  $runs  the thickest first
     * @return list<stdClass>
     */
    private function beside(array $runs): array
    {
        $combed = [];
        $ring = $this->apart;
        $angle = 0.0;
        $first = $last = null;
        foreach ($runs as $run) {
            $place = [$this->radius($ring, $run), $run->stock->section->outsideDiameter];
            $next = $last === null ? 0.0 : $angle + $this->turn($last, $place);
            if ($first !== null && $next + $this->turn($place, $first) > 2 * M_PI + Tolerance::PARALLEL) {
                // The ring is full: the next one lies outside its thickest run.
                $ring += $first[1] + $this->apart;
                $place = [$this->radius($ring, $run), $place[1]];
                $next = 0.0;
                $first = null;
            }
            $first ??= $place;
            [$angle, $last] = [$next, $place];
            $combed[] = $this->combed($run, $ring, $angle);
        }

        return $combed;
    }

    private function radius(float $gap, Run $run): float
    {
        return $this->along->run->stock->section->outsideDiameter / 2 +
            $gap +
            $run->stock->section->outsideDiameter / 2;
    }

    /**
     * Returns the angle about the host between two runs that are the given gap apart, by the cosine rule.
     *
     * @param  array{float, float}  $one  radius and outside diameter
     * @param  array{float, float}  $other
     */
    private function turn(array $one, array $other): float
    {
        $distance = ($one[1] + $other[1]) / 2 + $this->apart;
        $cosine = ($one[0] ** 2 + $other[0] ** 2 - $distance ** 2) / (2 * $one[0] * $other[0]);

        return acos(max(-1.0, min(1.0, $cosine)));
    }

    private function combed(Run $run, float $gap, float $angle): stdClass
    {
        $item = clone $run->source;
        unset($item->fixed_length);
        // The run goes in the direction of the bundle: its start is the end nearer to the start of the bundle.
        [$start, $end] = [
            $this->along->path->pointAt($this->from),
            $this->along->path->pointAt($this->to),
        ];
        $straight = $run->from->at->distanceTo($start) + $run->to->at->distanceTo($end);
        if ($straight > $run->to->at->distanceTo($start) + $run->from->at->distanceTo($end)) {
            [$from, $to] = [$item->from ?? null, $item->to ?? null];
            unset($item->from, $item->to);
            [$item->from, $item->to] = [$to, $from];
        }
        $item->route = (object) [
            'kind' => 'wrap',
            'host' => $this->along->run->id,
            'from_length' => FileValue::roundForFile($this->from),
            'to_length' => FileValue::roundForFile($this->to),
            'turns' => 0,
            'gap' => FileValue::roundForFile($gap), 'start_angle' => FileValue::roundForFile(rad2deg($angle)),
        ];

        return $item;
    }
}
