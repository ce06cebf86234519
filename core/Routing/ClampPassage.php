<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\Clamp;
use Bowline\Job\Stop\ClampStop;

/** A passage of a run through a clamp: its point and direction, and how much the run turns inside the clamp. */
final readonly class ClampPassage
{
    /**
     * @param  int  $stop  the stop that names the clamp
     * @param  Vector  $travel  unit direction the run should have in it
     * @param  float  $offAxis  radians between the leg through the clamp and its axis
     * @param  float  $turnsBefore  radians that the bend ahead of it still turns inside the clamp
     * @param  float  $turnsAfter  radians that the bend behind it already turns inside
     * @param  float  $lacksBefore  how much farther ahead the corner would have to be, mm
     * @param  float  $lacksAfter  the same behind
     * @param  array{float, float}  $span  developed length along the run that is inside, mm
     * @param  bool  $isLoose  held by its centre alone, in whatever direction
     */
    private function __construct(
        public Clamp $clamp,
        public int $stop,
        public Vector $travel,
        public float $offAxis,
        public float $turnsBefore,
        public float $turnsAfter,
        public float $lacksBefore,
        public float $lacksAfter,
        public array $span,
        public bool $isLoose = false,
    ) {
    }

    /** @return list<self> in the order of travel */
    public static function of(LaidRun $laid): array
    {
        $passages = [];
        foreach ($laid->run->route->corners()->stops ?? [] as $index => $stop) {
            $passage = $stop->passage();
            if ($passage !== null) {
                $passages[] = self::through($laid, $passage, $index);
            }
        }

        foreach ($laid->gates as $index => [$gate, $from, $to]) {
            $passages[] = new self(
                $gate->clamp,
                $index,
                $gate->travel ?? $gate->clamp->axis,
                0.0,
                0.0,
                0.0,
                0.0,
                0.0,
                [$from, $to],
                $gate->travel === null,
            );
        }

        return $passages;
    }

    private static function through(LaidRun $laid, ClampStop $stop, int $index): self
    {
        $clamp = $stop->clamp;
        $travel = $stop->travel();
        $vertices = array_keys(
            array_filter($laid->vertices, static fn (Vertex $vertex): bool => $vertex->stop === $index),
        );
        $leg = $vertices === [] ? null : self::leg($laid, min($vertices), max($vertices));
        if ($leg === null) {
            return new self($clamp, $index, $travel, 0.0, 0.0, 0.0, 0.0, 0.0, [0.0, 0.0]);
        }
        $before = $leg->bendBefore === null ? null : $laid->bends[$leg->bendBefore];
        $after = $leg->bendAfter === null ? null : $laid->bends[$leg->bendAfter];
        $fromStart = $clamp->at->minus($laid->vertices[$leg->fromVertex]->at)->dot($leg->direction);
        $centre = $leg->start - ($before === null ? 0.0 : $before->tangent) + $fromStart;
        [$lacksBefore, $turnsBefore] = self::intrusion($before, $fromStart - $clamp->width / 2);
        [$lacksAfter, $turnsAfter] = self::intrusion($after, $leg->length - $fromStart - $clamp->width / 2);

        return new self(
            $clamp, $index, $travel, $leg->direction->angleTo($travel),
            $turnsBefore, $turnsAfter, $lacksBefore, $lacksAfter,
            [max(0.0, $centre - $clamp->width / 2), min($laid->length(), $centre + $clamp->width / 2)],
        );
    }

    /** Returns the leg through the clamp; where both its vertices coincide, the leg that ends there. */
    private static function leg(LaidRun $laid, int $first, int $last): ?Leg
    {
        foreach ($laid->legs as $leg) {
            if ($leg->fromVertex <= $first && $leg->toVertex >= $last) {
                return $leg;
            }
        }
        foreach ($laid->legs as $leg) {
            if ($leg->fromVertex <= $first && $leg->toVertex >= $first) {
                return $leg;
            }
        }

        return $laid->legs[0] ?? null;
    }

    /** @return array{float, float} how much of the bend reaches past the clamp's face (mm), and its turn there */
    private static function intrusion(?Bend $bend, float $room): array
    {
        if ($bend === null || $bend->angle >= Tolerance::REVERSAL) {
            return [0.0, 0.0];
        }
        $past = $bend->askedTangent - $room;

        return $past <= Tolerance::COINCIDENT
            ? [0.0, 0.0]
            : [$past, $past >= $bend->askedRadius ? $bend->angle : min($bend->angle, asin($past / $bend->askedRadius))];
    }
}
