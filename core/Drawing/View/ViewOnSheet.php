<?php

declare(strict_types=1);

namespace Bowline\Drawing\View;

use Bowline\Drawing\Plan\PlanPath;
use Bowline\Drawing\Sheet\Canvas;
use Bowline\Geometry\Vector;

/** A view at its place on a page and its scale. */
final readonly class ViewOnSheet
{
    /** Dashes of hidden lines and chain lines of centre lines (ISO 128-2), mm. */
    private const HIDDEN = [1.4, 0.7];

    private const CHAIN = [5.0, 0.8, 0.5, 0.8];

    /** Line round a run that is cut, and between lines of a hatch, mm. */
    private const CUT = 0.5;

    private const HATCH = 1.8;

    /** @param  array{float, float}  $origin  where the origin of the job lies on the page */
    public function __construct(
        public Canvas $canvas,
        public Projection $projection,
        public float $scale,
        public array $origin,
    ) {
    }

    /** @return array{float, float} */
    public function place(Vector $point): array
    {
        return $this->onPaper($this->projection->flat($point));
    }

    /**
     * @param  list<ViewLine>  $lines
     * @param  array<string, string>  $colours  of lines, by what they are of, where they are not the usual
     */
    public function lines(array $lines, bool $withHidden = true, array $colours = []): void
    {
        foreach ($lines as $line) {
            if ($line->isHidden && ! $withHidden) {
                continue;
            }
            $points = self::thinned(array_map($this->onPaper(...), $line->points));
            if (count($points) > 1) {
                $this->canvas->add(new PlanPath(
                    ($line->isHidden ? 'hidden' : 'visible').($line->isRun ? '' : '-around'), $points,
                    match (true) {
                        $line->isHidden => Canvas::FINE,
                        $line->isRun => Canvas::WIDE,
                        default => Canvas::NARROW,
                    },
                    $colours[$line->of] ?? ($line->isRun ? Canvas::SEA : Canvas::QUIET),
                    dashes: $line->isHidden ? self::HIDDEN : [],
                ));
            }
        }
    }

    /**
     * Draws a face at which something is cut: a wide line round it, and hatched (ISO 128-50) where it is of material.
     *
     * @param  array<string, string>  $colours  by what they are of, where they are not the usual
     */
    public function face(SectionFace $face, array $colours): void
    {
        $colour = $colours[$face->of] ?? ($face->isRun ? Canvas::SEA : Canvas::INK);
        foreach ($face->segments as [$from, $to]) {
            $this->canvas->line(
                'section', $this->onPaper($from), $this->onPaper($to), $face->isRun ? self::CUT : Canvas::WIDE, $colour,
            );
        }
        foreach ($face->hatched(self::HATCH / $this->scale, $face->isRun) as [$from, $to]) {
            $this->canvas->line('hatch', $this->onPaper($from), $this->onPaper($to), Canvas::FINE, $colour);
        }
    }

    /** @param  list<Vector>  $points */
    public function centreLine(array $points): void
    {
        $this->canvas->add(new PlanPath(
            'centre', array_map($this->place(...), $points), Canvas::FINE, Canvas::BRASS, dashes: self::CHAIN,
        ));
    }

    /**
     * @param  array{float, float}  $flat
     * @return array{float, float}
     */
    private function onPaper(array $flat): array
    {
        return [
            round($this->origin[0] + $flat[0] * $this->scale, 3), round($this->origin[1] + $flat[1] * $this->scale, 3),
        ];
    }

    /**
     * Leaves out points that follow each other in one place.
     *
     * @param  list<array{float, float}>  $points
     * @return list<array{float, float}>
     */
    private static function thinned(array $points): array
    {
        $kept = [];
        foreach ($points as $point) {
            $last = $kept[count($kept) - 1] ?? null;
            if ($last === null || hypot($point[0] - $last[0], $point[1] - $last[1]) > 0.01) {
                $kept[] = $point;
            }
        }

        return $kept;
    }
}
