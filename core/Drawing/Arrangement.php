<?php

declare(strict_types=1);

namespace Bowline\Drawing;

use Bowline\Drawing\Plan\Pages;
use Bowline\Drawing\Plan\Plan;
use Bowline\Drawing\Sheet\Canvas;
use Bowline\Drawing\Sheet\Labels;
use Bowline\Drawing\Sheet\Paper;
use Bowline\Drawing\Sheet\Scale;
use Bowline\Drawing\Sheet\TextMetrics;
use Bowline\Drawing\Sheet\TitleBlock;
use Bowline\Drawing\View\DrawnBodies;
use Bowline\Drawing\View\DrawnBody;
use Bowline\Drawing\View\HiddenLines;
use Bowline\Drawing\View\Projection;
use Bowline\Drawing\View\SectionCut;
use Bowline\Drawing\View\TriangleGrid;
use Bowline\Drawing\View\ViewOnSheet;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\SheetSettings;
use Bowline\Job\StockKind;
use Bowline\Routing\LaidRun;
use Closure;

/**
 * The whole of a job, or a choice of its runs, with what stands around: seen from above, from the front, from the right
 * and at an angle, a sheet each, with a tag at each run, a grid of coordinates, north, and what runs carry.
 */
final class Arrangement implements DrawingKind
{
    /** Chord tolerance on paper, mm. */
    private const CHORD = 0.06;

    private const ROOM = 14.0;

    /** Height of the name of the view and of the legend, mm. */
    private const HEAD = 8.0;

    /** Most lines of the grid to one side. */
    private const MOST_LINES = 9;

    private const TAG = 2.0;

    /** Share of the places on all runs that a part of the surroundings may hide, and how many are looked at on each. */
    private const CUT_AWAY = 0.08;

    private const PLACES = 24;

    /** @param  list<LaidRun>  $runs */
    private function __construct(
        private readonly Job $job,
        private readonly array $runs,
        private readonly SheetSettings $settings,
        private readonly string $date,
        private readonly TextMetrics $metrics,
        private readonly ?float $cut,
    ) {
    }

    public static function word(): string
    {
        return 'arrangement';
    }

    public static function title(): string
    {
        return 'Arrangement';
    }

    public static function titleOf(DrawingQuestion $question): string
    {
        return self::title();
    }

    public static function isOfRun(): bool
    {
        return false;
    }

    /** Draws it on the paper of the job, but on A3 at least, where no other is asked for. */
    public static function pages(DrawingQuestion $question): Pages
    {
        $drawing = new self(
            $question->job, $question->laid(), $question->settings(isLarge: true), $question->date, new TextMetrics,
            $question->cut,
        );
        $up = $question->job->site->up;
        $all = [
            'above' => Projection::above($up), 'front' => Projection::front($up), 'right' => Projection::right($up),
            'angle' => Projection::isometric($up),
        ];
        $view = $question->view ?? 'above';
        $one = $all[$view] ?? throw JobError::at('', sprintf(
            'there is no view “%s”; %s are', $view, implode(', ', array_keys($all)),
        ));
        if ($question->cut !== null && $one->towards->axisName() === null) {
            throw JobError::at('/cut', 'a section is from above, from the front or from the right');
        }
        $views = $question->view === null && $question->cut === null ? array_values($all) : [$one];

        $paper = Paper::across($drawing->settings->paper);

        return new Pages(array_map(
            static fn (Projection $view, int $i): Closure => static fn (): Plan => $drawing->page(
                $paper, $view, $i + 1, count($views),
            ),
            $views, array_keys($views),
        ));
    }

    private function page(Paper $paper, Projection $projection, int $sheet, int $sheets): Plan
    {
        $name = $this->name($projection);
        $block = new TitleBlock(
            $this->settings, 'Arrangement', $name, sprintf('%d runs', count($this->runs)),
            $this->job->name, $this->date, $this->job->site->units, '',
        );
        [$least, $most] = $this->extent($projection);
        $within = $block->inside($paper);
        $scale = Scale::within(min(
            ($within[2] - $within[0] - 2 * self::ROOM) / max(1.0, $most[0] - $least[0]),
            ($within[3] - $within[1] - 2 * self::ROOM - self::HEAD) / max(1.0, $most[1] - $least[1]),
        ));
        $canvas = new Canvas($paper, $this->metrics);
        $block->draw($canvas, $scale->words(), $sheet, $sheets);
        $view = new ViewOnSheet($canvas, $projection, $scale->factor, [
            ($within[0] + $within[2] - ($least[0] + $most[0]) * $scale->factor) / 2,
            ($within[1] + $within[3] - self::HEAD - ($least[1] + $most[1]) * $scale->factor) / 2,
        ]);
        $canvas->text(
            'title', [$within[0] + 3.0, $within[3] - 5.5], $name, 2.6, isBold: true, colour: Canvas::SEA,
        );
        $this->legend($canvas, $within);
        $this->axes($view, $within);
        $this->grid($view, $least, $most);
        $cut = $this->section($projection);
        $bodies = $this->bodies($projection, self::CHORD / $scale->factor, $cut);
        $view->lines(HiddenLines::of($bodies, $projection, $cut?->faces() ?? []), false, $this->colours());
        foreach ($cut?->faces() ?? [] as $face) {
            $view->face($face, $this->colours());
        }
        foreach ($this->runs as $run) {
            $this->tag($view, $run, $within);
        }

        return $canvas->plan('Arrangement '.$this->job->name);
    }

    /** Returns the name of a view, or of a section: "Section at Y −200.0, from the front". */
    private function name(Projection $projection): string
    {
        return $this->cut === null ? $projection->name : sprintf(
            'Section at %s %s, %s', strtoupper(substr($projection->towards->axisName() ?? ' x', 1, 1)),
            $this->job->site->units->column($this->cut), lcfirst($projection->name),
        );
    }

    private function section(Projection $projection): ?SectionCut
    {
        // An axis that points away from whoever looks counts backwards.
        $sign = str_starts_with($projection->towards->axisName() ?? '', '-') ? -1.0 : 1.0;

        return $this->cut === null ? null : new SectionCut($projection, $sign * $this->cut);
    }

    /** @return list<DrawnBody> */
    private function bodies(Projection $projection, float $chord, ?SectionCut $cut): array
    {
        $drawn = new DrawnBodies($projection, $chord);
        // A section shows what is cut; a view leaves out what hides too much.
        $bodies = array_values(array_filter(
            $drawn->site($this->job->site),
            fn (DrawnBody $body): bool => $cut !== null || ! $this->isCutAway($body, $projection),
        ));
        foreach ($this->runs as $run) {
            if ($run->run->stock->kind !== StockKind::Bundle && $run->run->channel === null) {
                array_push($bodies, ...$drawn->run($run));
            }
        }

        return $cut === null ? $bodies : array_values(array_filter(array_map($cut->behind(...), $bodies)));
    }

    /** Whether a part of the surroundings is left out of a view, as it would hide too much of the runs. */
    private function isCutAway(DrawnBody $body, Projection $projection): bool
    {
        if (! str_starts_with($body->of, 'surroundings/')) {
            return false;
        }
        $grid = new TriangleGrid([$body], $projection);
        $hidden = $places = 0;
        foreach ($this->runs as $run) {
            for ($i = 0; $i <= self::PLACES; $i++) {
                $at = $run->path->pointAt($run->length() * $i / self::PLACES);
                [$x, $y] = $projection->flat($at);
                $hidden += $grid->isBefore($x, $y, $at->dot($projection->towards), 0.0) ? 1 : 0;
                $places++;
            }
        }

        return $hidden > self::CUT_AWAY * $places;
    }

    /** @return array{array{float, float}, array{float, float}} least and greatest coordinates on paper, at full size */
    private function extent(Projection $projection): array
    {
        [$xs, $ys] = [[], []];
        $add = static function (Vector $point) use (&$xs, &$ys, $projection): void {
            [$xs[], $ys[]] = $projection->flat($point);
        };
        foreach ((new DrawnBodies($projection, 2.0))->site($this->job->site) as $body) {
            array_map($add, $body->mesh->vertices);
        }
        foreach ($this->runs as $run) {
            $half = $run->run->stock->section->outsideDiameter / 2;
            foreach (range(0, 60) as $i) {
                [$x, $y] = $projection->flat($run->path->pointAt($run->length() * $i / 60));
                array_push($xs, $x - $half, $x + $half);
                array_push($ys, $y - $half, $y + $half);
            }
        }

        return $xs === [] || $ys === []
            ? [[0.0, 0.0], [1.0, 1.0]]
            : [[min($xs), min($ys)], [max($xs), max($ys)]];
    }

    /** @return array<string, string> colours of runs that carry something, by id */
    private function colours(): array
    {
        $colours = [];
        foreach ($this->runs as $run) {
            if ($run->run->service !== null) {
                $colours[$run->run->id] = $run->run->service->colour;
            }
        }

        return $colours;
    }

    /**
     * What the runs that are shown carry, in the upper right corner.
     *
     * @param  array{float, float, float, float}  $within
     */
    private function legend(Canvas $canvas, array $within): void
    {
        $services = [];
        foreach ($this->runs as $run) {
            if ($run->run->service !== null) {
                $services[$run->run->service->id] = $run->run->service;
            }
        }
        $y = $within[3] - 5.0;
        foreach ($services as $service) {
            $width = $canvas->metrics->width($service->name, 1.8);
            $canvas->text('legend', [$within[2] - 3.0, $y], $service->name, 1.8, 'end');
            $canvas->line(
                'legend', [$within[2] - $width - 15.0, $y + 0.9], [$within[2] - $width - 5.0, $y + 0.9], 0.7,
                $service->colour,
            );
            $y -= 4.0;
        }
    }

    /**
     * The axes as they lie in the view, with north by that which the job says it is.
     *
     * @param  array{float, float, float, float}  $within
     */
    private function axes(ViewOnSheet $view, array $within): void
    {
        $at = [$within[0] + 14.0, $within[3] - 20.0];
        $axes = ['X' => new Vector(1.0, 0.0, 0.0), 'Y' => new Vector(0.0, 1.0, 0.0), 'Z' => new Vector(0.0, 0.0, 1.0)];
        foreach ($axes as $name => $axis) {
            $flat = $view->projection->flat($axis);
            if (hypot(...$flat) > 0.05) {
                $this->arrow($view->canvas, $at, $flat, 8.0, $name);
            }
        }
        $north = Vector::axis($this->settings->north);
        $flat = $north === null ? [0.0, 0.0] : $view->projection->flat($north);
        if (hypot(...$flat) > 0.3) {
            $this->arrow($view->canvas, [$at[0] + 26.0, $at[1]], $flat, 10.0, 'N');
        }
    }

    /**
     * @param  array{float, float}  $at
     * @param  array{float, float}  $way
     */
    private function arrow(Canvas $canvas, array $at, array $way, float $length, string $name): void
    {
        $tip = [$at[0] + $way[0] * $length, $at[1] + $way[1] * $length];
        $canvas->line('axes', $at, $tip, Canvas::NARROW);
        [$x, $y] = [$way[0] / hypot(...$way), $way[1] / hypot(...$way)];
        $canvas->arrowHead('axes', $tip, [$x, $y], 0.85);
        $canvas->text(
            'axes', [$tip[0] + 1.8 * $x, $tip[1] + 1.8 * $y - 0.9], $name, 1.8, 'middle', $name === 'N',
        );
    }

    /**
     * Lines of the grid at round coordinates, with these at their ends; none in a view at an angle.
     *
     * @param  array{float, float}  $least
     * @param  array{float, float}  $most
     */
    private function grid(ViewOnSheet $view, array $least, array $most): void
    {
        $names = [$view->projection->right->axisName(), $view->projection->up->axisName()];
        if ($names[0] === null || $names[1] === null) {
            return;
        }
        $span = max($most[0] - $least[0], $most[1] - $least[1]);
        $step = 10.0 ** floor(log10($span / self::MOST_LINES));
        foreach ([1.0, 2.0, 5.0, 10.0] as $factor) {
            if ($span / ($step * $factor) <= self::MOST_LINES) {
                $step *= $factor;
                break;
            }
        }
        foreach ([0, 1] as $axis) {
            // An axis that points against its coordinate counts backwards.
            $sign = str_starts_with($names[$axis], '-') ? -1.0 : 1.0;
            for ($at = ceil($least[$axis] / $step) * $step; $at <= $most[$axis] + Tolerance::COINCIDENT; $at += $step) {
                $ends = $axis === 0
                    ? [[$at, $least[1]], [$at, $most[1]]]
                    : [[$least[0], $at], [$most[0], $at]];
                [$from, $to] = array_map(static fn (array $flat): array => [
                    $view->origin[0] + $flat[0] * $view->scale, $view->origin[1] + $flat[1] * $view->scale,
                ], $ends);
                [$from, $to] = $axis === 0
                    ? [[$from[0], $from[1] - 4.0], [$to[0], $to[1] + 4.0]]
                    : [[$from[0] - 4.0, $from[1]], [$to[0] + 4.0, $to[1]]];
                $view->canvas->line('grid', $from, $to, Canvas::FINE, '#dcd2bc');
                $words = strtoupper($names[$axis][1]).' '.$this->job->site->units->column($sign * $at, 0);
                $view->canvas->textWhereFree(
                    'grid', $axis === 0 ? [$from[0], $from[1] - 2.6] : [$from[0] - 1.0, $from[1] + 0.8], $words, 1.5,
                    0.0, [0.0, 0.0, $view->canvas->paper->width, $view->canvas->paper->height],
                );
            }
        }
    }

    /**
     * Puts the name of a run beside it, with a line to it.
     *
     * @param  array{float, float, float, float}  $within
     */
    private function tag(ViewOnSheet $view, LaidRun $run, array $within): void
    {
        $labels = new Labels($view->canvas, $within, []);
        foreach ([0.5, 0.35, 0.65, 0.2, 0.8] as $part) {
            $place = $view->place($run->path->pointAt($run->length() * $part));
            if ($labels->note('tags', $place, 0.9, [$run->run->name], self::TAG, 6.0)) {
                $view->canvas->dot('tags', $place, 0.5, Canvas::INK);

                return;
            }
        }
    }
}
