<?php

declare(strict_types=1);

namespace Bowline\Pathfinding;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\Clamp;
use Bowline\Job\FileValue;
use Bowline\Job\FreshId;
use Bowline\Job\Node;
use Bowline\Job\Port;
use stdClass;

/**
 * Writes a way as a run of the job file, tied as a designer would tie it: leads along both ports, corners level with
 * ports and clamps, clamps gone through, legs that lie along a face tied to that by their stand-off.
 */
final readonly class WayItem
{
    /** How close to a clamp's centre a leg goes through it, mm. */
    private const THROUGH = 1e-4;

    public function __construct(
        private Scene $scene,
        private Errand $errand,
    ) {
    }

    public function of(CornerLine $line, string $id, string $name): stdClass
    {
        $last = count($line->vertices) - 1;
        $legs = $line->legs();
        // A first leg that ends level with where the last begins is told by that, and follows it.
        $over = $line->vertices[$last - 1]->minus($line->vertices[1]);
        $isLevel = $last > 2 && abs($over->dot($legs[0][1])) < Tolerance::COINCIDENT;
        $hasLead = [
            $last > 1 && $legs[0][1]->angleTo($this->errand->from->axis) < Tolerance::NO_TURN && ! $isLevel,
            $last > 2 && $legs[$last - 1][1]->angleTo($this->errand->to->axis->times(-1.0)) < Tolerance::NO_TURN,
        ];
        $stops = [];
        for ($corner = 1; $corner <= $last; $corner++) {
            $isLead = ($hasLead[0] && $corner === 1) || ($hasLead[1] && $corner === $last - 1);
            $isWritten = $corner < $last && ! $isLead;
            array_push($stops, ...$this->clampsOn($line, $corner));
            if ($isWritten) {
                $stops[] = $this->corner($line, $corner);
            }
        }
        $lead = static fn (int $leg, bool $has): array => $has
            ? ['lead' => FileValue::roundForFile($legs[$leg][2])]
            : [];

        return (object) [
            ...$this->before(), 'id' => $id, 'name' => $name, 'stock' => $this->errand->stock->id,
            'from' => $this->end('from', $this->errand->from, $lead(0, $hasLead[0])),
            'to' => $this->end('to', $this->errand->to, $lead($last - 1, $hasLead[1])),
            'route' => (object) ['kind' => 'corners', ...$this->radius(), 'stops' => $stops],
            ...$this->said(),
        ];
    }

    /**
     * Returns a fresh id for a run between the ports of an errand, and its name.
     *
     * @param  list<string>  $taken
     * @return array{string, string}
     */
    public static function names(Errand $errand, Scene $scene, array $taken): array
    {
        if ($errand->again !== null) {
            return [$errand->again->run->id, $errand->again->run->name];
        }
        $of = static function (string $port) use ($scene): string {
            $run = OpenEnd::run($port, $scene->job);
            if ($run !== null) {
                return $run->name;
            }
            [$fitting, $own] = explode('.', $port, 2) + ['', ''];

            return ($scene->job->site->fittings[$fitting]->name ?? $fitting).' '.$own;
        };
        $name = mb_substr($of($errand->from->name).' to '.$of($errand->to->name), 0, 100);

        return [FreshId::of($name, $taken), $name];
    }

    /**
     * Returns what was said of the run in whose place it is laid and stays true of any way; its joints and what repeats
     * come on it once it is laid (`KeptParts`).
     *
     * @return array<mixed>
     */
    private function before(): array
    {
        $source = $this->errand->again?->run->source;

        return $source === null ? [] : array_diff_key(
            get_object_vars($source), ['route' => 0, 'joints' => 0, 'repeats' => 0, 'fixed_length' => 0, 'fall' => 0],
        );
    }

    /**
     * @param  'from'|'to'  $which
     * @param  array{lead?: int|float}  $lead
     */
    private function end(string $which, Port $port, array $lead): stdClass
    {
        if (! $this->isPort($port)) {
            return (object) ['at' => FileValue::vector($port->at), 'axis' => FileValue::vector($port->axis), ...$lead];
        }
        $source = $this->errand->again?->run->source;
        $before = $source === null ? [] : (new Node($source))->get($which)->members();

        return (object) [
            ...array_map(static fn (Node $one): mixed => $one->value, array_diff_key($before, ['lead' => 0])),
            'port' => $port->name, ...$lead,
        ];
    }

    /** Whether it is one of a fitting, and no end of a run in the open. */
    private function isPort(Port $port): bool
    {
        return isset($this->scene->job->site->ports[$port->name]);
    }

    /** @return array{corner?: stdClass} */
    private function radius(): array
    {
        $radius = $this->errand->radius();

        return $radius > $this->errand->stock->bend->radius + Tolerance::COINCIDENT
            ? ['corner' => (object) ['radius' => $radius]]
            : [];
    }

    /** @return array<string, mixed> */
    private function said(): array
    {
        $fall = $this->errand->fall;

        return [
            ...$this->errand->service === null ? [] : ['service' => $this->errand->service->id],
            ...$this->errand->insulation > 0.0
                ? ['insulation' => FileValue::roundForFile($this->errand->insulation)]
                : [],
            ...$fall === null ? [] : ['fall' => FileValue::roundForFile(1000.0 * $fall)],
            ...$this->errand->length === null ? [] : ['fixed_length' => (object) [
                ...$this->heldBefore(), 'length' => FileValue::roundForFile($this->errand->length),
            ]],
        ];
    }

    /** @return array<mixed> how the run that is laid again is held to its length, but for the stops that adjust it */
    private function heldBefore(): array
    {
        $source = $this->errand->again?->run->source;
        $held = $source === null ? null : (new Node($source))->find('fixed_length')?->object();

        return ['tolerance' => Errand::TOLERANCE, ...array_diff_key(
            $held === null ? [] : get_object_vars($held), ['adjust' => 0, 'same_as' => 0],
        )];
    }

    /** @return list<stdClass> stops for the clamps on the leg into a corner, in its order */
    private function clampsOn(CornerLine $line, int $corner): array
    {
        [$from, $unit, $length] = $line->legs()[$corner - 1];
        $found = [];
        foreach ($this->errand->through as $clamp) {
            $along = $clamp->at->minus($from)->dot($unit);
            if ($along > 0.0 && $along < $length
                && $from->plus($unit->times($along))->distanceTo($clamp->at) < self::THROUGH) {
                $half = FileValue::roundForFile($clamp->width / 2);
                $found[(string) $along] = [$along, (object) [
                    'clamp' => $clamp->id, 'before' => $half, 'after' => $half,
                    ...$unit->dot($clamp->axis) < 0.0 ? ['reverse' => true] : [],
                ]];
            }
        }
        usort($found, static fn (array $one, array $other): int => $one[0] <=> $other[0]);

        return array_column($found, 1);
    }

    private function corner(CornerLine $line, int $corner): stdClass
    {
        [, $unit, $length] = $line->legs()[$corner - 1];
        $at = $line->vertices[$corner];
        $axis = $unit->axisName();
        if ($axis === null || ($corner > 1 && $this->clampsOn($line, $corner) !== [])) {
            $level = $axis === null ? null : $this->levelWith($at, $unit);

            return (object) ($level === null ? ['at' => FileValue::vector($at)] : [
                'along' => $axis, 'until' => $level,
            ]);
        }
        $level = $this->levelWith($at, $unit);
        if ($level !== null) {
            return (object) ['along' => $axis, 'until' => $level];
        }

        return (object) [
            'along' => $axis, 'length' => FileValue::roundForFile($length),
            ...$this->levelWithLast($line, $at, $unit) ?? $this->standOff($at, $unit),
        ];
    }

    /**
     * Returns the tie of a corner to the far port, where it is level with the corner before that.
     *
     * @return array{ties: list<stdClass>}|null
     */
    private function levelWithLast(CornerLine $line, Vector $at, Vector $unit): ?array
    {
        $last = $line->vertices[count($line->vertices) - 2];
        $off = $at->minus($this->errand->to->at)->dot($unit);

        $isLevel = abs($last->minus($at)->dot($unit)) <= Tolerance::COINCIDENT;

        return ! $isLevel || ! $this->isPort($this->errand->to) ? null : ['ties' => [(object) [
            'level' => $unit->axisName(), 'with' => $this->errand->to->name,
            'distance' => FileValue::roundForFile($off),
        ]]];
    }

    /** Returns a port or a clamp with which a corner is level along a direction. */
    private function levelWith(Vector $at, Vector $unit): ?string
    {
        $places = $this->isPort($this->errand->to) ? [[$this->errand->to->name, $this->errand->to->at]] : [];
        foreach ($this->errand->through as $clamp) {
            $places[] = [$clamp->id, $clamp->at];
        }
        if ($this->isPort($this->errand->from)) {
            $places[] = [$this->errand->from->name, $this->errand->from->at];
        }
        foreach ($places as [$name, $place]) {
            if (abs($place->minus($at)->dot($unit)) < Tolerance::COINCIDENT) {
                return $name;
            }
        }

        return null;
    }

    /**
     * Returns the tie of a corner to a face square to the leg into it, where it is just as far off as it has to be.
     *
     * @return array{ties?: list<stdClass>}
     */
    private function standOff(Vector $at, Vector $unit): array
    {
        foreach ($this->scene->job->site->surroundings as $one) {
            foreach ($one->faces() as $name => [$point, $normal]) {
                $off = $at->minus($point)->dot($normal);
                $isAlong = abs($normal->dot($unit)) > 1.0 - Tolerance::PARALLEL;
                if ($isAlong && abs($off - $this->scene->standOff($this->errand, $one)) < Tolerance::COINCIDENT) {
                    return ['ties' => [(object) [
                        'away' => FileValue::roundForFile($off), 'from' => (object) ['face' => $name, 'of' => $one->id],
                    ]]];
                }
            }
        }

        return [];
    }
}
