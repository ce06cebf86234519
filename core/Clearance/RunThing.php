<?php

declare(strict_types=1);

namespace Bowline\Clearance;

use Bowline\Geometry\Arc;
use Bowline\Geometry\Bounds;
use Bowline\Geometry\Path;
use Bowline\Geometry\SegmentPart;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Harness\BundleSpan;
use Bowline\Job\End\Flange;
use Bowline\Job\ItemRef;
use Bowline\Routing\LaidJoint;
use Bowline\Routing\LaidRun;

/**
 * A run with its insulation, flanges, joints and what repeats along it, or a trunk as thick as its bundles, as balls
 * carried along pieces of paths. A tube ends flat: its last balls stand in its end face, and the rim of that is a
 * circle of its own.
 */
final class RunThing implements Thing
{
    /** The rings near the rims of a collar are so much thinner than it is wide, from its axis. */
    private const RINGS = 3.0;

    private readonly Bounds $bounds;

    /** @var list<Collar> */
    private readonly array $collars;

    /** @var list<RoundPiece>|null made when they are first asked for: most runs are far from all that is asked about */
    private ?array $pieces = null;

    /** @param  non-empty-list<array{float, float, float}>  $thicknesses  between developed lengths the radius, mm */
    private function __construct(
        public readonly LaidRun $laid,
        private readonly array $thicknesses,
    ) {
        $reach = max(array_column($thicknesses, 2));
        foreach (['from', 'to'] as $end) {
            $reach = max($reach, self::plate($laid, $end)?->outline()->reach() ?? 0.0);
        }
        $this->collars = [...RunCollars::ofJoints($laid), ...RunCollars::ofRepeats($laid)];
        foreach ($this->collars as $collar) {
            $reach = max($reach, $collar->radius);
        }
        $this->bounds = Bounds::of($laid->path->segments)->grown($reach);
    }

    /**
     * @param  list<BundleSpan>  $spans  of a trunk; none of another run
     * @return self|null null where it has no length
     */
    public static function of(LaidRun $laid, array $spans = []): ?self
    {
        $thicknesses = self::thicknesses($laid, $spans);

        return $laid->length() < Tolerance::COINCIDENT || $thicknesses === [] ? null : new self($laid, $thicknesses);
    }

    /** @return list<RoundPiece> */
    private function pieces(): array
    {
        if ($this->pieces === null) {
            $this->pieces = [];
            foreach ($this->thicknesses as [$from, $to, $radius]) {
                array_push($this->pieces, ...self::tube($this->laid, $from, $to, $radius));
            }
            foreach (['from' => 0.0, 'to' => $this->laid->length()] as $end => $along) {
                array_push($this->pieces, ...self::flange($this->laid, $end, $along));
            }
            foreach ($this->collars as $collar) {
                array_push($this->pieces, ...self::collar($this->laid, $collar));
            }
        }

        return $this->pieces;
    }

    /** Returns the radius of its tube, or of the thickest bundle in it, mm. */
    public function radius(): float
    {
        return max(array_column($this->thicknesses, 2));
    }

    /**
     * @param  list<BundleSpan>  $spans
     * @return list<array{float, float, float}> developed lengths and the radius between them, mm
     */
    private static function thicknesses(LaidRun $laid, array $spans): array
    {
        if ($spans !== []) {
            return array_map(
                static fn (BundleSpan $span): array => [$span->from, $span->to, $span->diameter / 2], $spans,
            );
        }

        $places = [0.0, $laid->length()];
        foreach (LaidJoint::all($laid) as $joint) {
            if ($joint->joint->stock !== null) {
                $places[] = $joint->at ?? $joint->told;
            }
        }
        sort($places);
        $thicknesses = [];
        for ($i = 1, $count = count($places); $i < $count; $i++) {
            $stock = $laid->stockAlong(($places[$i - 1] + $places[$i]) / 2);
            $thicknesses[] = [
                $places[$i - 1], $places[$i], $stock->section->outsideDiameter / 2 + $laid->run->insulation,
            ];
        }

        return $thicknesses;
    }

    /**
     * Returns what goes round the run over a length of it: its sharp rims, rings one beside the other near those, which
     * leave out less than 0.04 of their thickness, and balls along its middle.
     *
     * @return list<RoundPiece>
     */
    private static function collar(LaidRun $laid, Collar $collar): array
    {
        $length = $collar->to - $collar->from;
        $thick = min($length / 2, $collar->radius / self::RINGS);
        $reach = min($length / 2, $collar->radius);
        $count = (int) ceil(($reach - $thick) / ($thick / 2));
        $pieces = [];
        foreach ([$collar->from, $collar->to] as $at) {
            array_push($pieces, ...self::ring(
                $laid->path->pointAt($at), $laid->path->directionAt($at), $collar->radius, 0.0, $at, null,
            ));
        }
        for ($i = 0; $i <= $count; $i++) {
            $in = $thick + ($count === 0 ? 0.0 : ($reach - $thick) * $i / $count);
            foreach (array_unique([$collar->from + $in, $collar->to - $in]) as $at) {
                array_push($pieces, ...self::ring(
                    $laid->path->pointAt($at), $laid->path->directionAt($at), $collar->radius - $thick, $thick, $at,
                    null,
                ));
            }
        }
        $along = $collar->from + $collar->radius;
        foreach ($length > 2 * $collar->radius ? SegmentPart::of(
            $laid->path, $along, $collar->to - $collar->radius,
        ) : [] as $segment) {
            $pieces[] = new RoundPiece($segment, $collar->radius, $along, true, null);
            $along += $segment->length();
        }

        return $pieces;
    }

    /** @return list<RoundPiece> */
    private static function tube(LaidRun $laid, float $from, float $to, float $radius): array
    {
        $length = $laid->length();
        // Balls stop a radius before a flat end, but in the middle of what is shorter.
        $inset = min($radius, ($to - $from) / 2 - Tolerance::COINCIDENT);
        [$first, $last] = [
            $from < Tolerance::COINCIDENT ? $from + $inset : $from,
            $to > $length - Tolerance::COINCIDENT ? $to - $inset : $to,
        ];
        $pieces = [];
        $along = $first;
        foreach (SegmentPart::of($laid->path, $first, $last) as $segment) {
            $pieces[] = new RoundPiece($segment, $radius, $along, true, null);
            $along += $segment->length();
        }
        foreach ($radius > 0.0 ? [['from', 0.0, $from], ['to', $length, $to]] : [] as [$end, $at, $is]) {
            if (abs($is - $at) < Tolerance::COINCIDENT) {
                array_push($pieces, ...self::ring(
                    $laid->path->pointAt($at), $laid->path->directionAt($at), $radius, 0.0, $at, $end,
                ));
            }
        }

        return $pieces;
    }

    /** @param  'from'|'to'  $end */
    private static function plate(LaidRun $laid, string $end): ?Flange
    {
        return ($end === 'from' ? $laid->run->from : $laid->run->to)->end->flange($laid->stockAtEnd($end)->section);
    }

    /**
     * @param  'from'|'to'  $end
     * @return list<RoundPiece> the plate of a flange, as a ball carried round its rim
     */
    private static function flange(LaidRun $laid, string $end, float $along): array
    {
        $flange = self::plate($laid, $end);
        if ($flange === null) {
            return [];
        }
        $half = $flange->thickness / 2;
        $into = $laid->path->directionAt($along)->times($end === 'from' ? 1.0 : -1.0);

        return self::ring(
            $laid->path->pointAt($along)->plus($into->times($half)), $into,
            max(0.0, $flange->outline()->reach() - $half), $half, $along, $end,
        );
    }

    /** @return list<RoundPiece> two halves of a circle square to an axis */
    private static function ring(
        Vector $centre,
        Vector $axis,
        float $radius,
        float $thickness,
        float $along,
        ?string $end,
    ): array {
        $out = $axis->anySquare()->times($radius);
        [$one, $other] = [$centre->plus($out), $centre->minus($out)];

        return array_map(
            static fn (Arc $arc): RoundPiece => new RoundPiece($arc, $thickness, $along, false, $end),
            [
                new Arc($one, $other, $centre, $axis, $radius, M_PI),
                new Arc($other, $one, $centre, $axis, $radius, M_PI),
            ],
        );
    }

    public function path(): Path
    {
        return $this->laid->path;
    }

    public function ref(): ItemRef
    {
        return ItemRef::run($this->laid->run->id);
    }

    public function name(): string
    {
        return $this->laid->run->name;
    }

    public function carries(): ?string
    {
        return $this->laid->run->service?->class;
    }

    public function room(): ?string
    {
        return null;
    }

    public function bounds(): Bounds
    {
        return $this->bounds;
    }

    /** @return list<RoundPiece> */
    public function surfaces(Bounds $box, float $within, array $without = []): array
    {
        return array_values(array_filter(
            $this->pieces(),
            static fn (RoundPiece $piece): bool => ! in_array($piece->end, $without, true)
                && $piece->bounds->distanceToBox($box) - $piece->radius <= $within,
        ));
    }
}
