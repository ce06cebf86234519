<?php

declare(strict_types=1);

namespace Bowline\Drawing;

use Bowline\Drawing\Sheet\Canvas;
use Bowline\Drawing\Sheet\DimensionLine;
use Bowline\Drawing\Sheet\Labels;
use Bowline\Drawing\Sheet\Scale;
use Bowline\Drawing\View\DrawnBodies;
use Bowline\Drawing\View\HiddenLines;
use Bowline\Drawing\View\Projection;
use Bowline\Drawing\View\ViewOnSheet;
use Bowline\Geometry\Chord;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Routing\LaidRun;

/**
 * Views of a run with dimensions, in the projection of its job: each leg is dimensioned in the first view that shows
 * its true length, and skewed ones in the isometric view. Only views that show something of their own are drawn.
 */
final readonly class DimensionedViews
{
    /** Room round a view for dimensions and its name, mm. */
    private const ROOM = 10.5;

    private const NAME = 5.0;

    /** Share of its true length that a leg has at least where it is dimensioned. */
    private const TRUE_LENGTH = 0.9998;

    /** Chord tolerance on paper, mm. */
    private const CHORD = 0.04;

    /** From the outside of the tube to the middle of the number of a bend, mm. */
    private const NUMBER = 2.9;

    /** A bend has no inner side in a view where the change of its unit direction appears shorter than this. */
    private const SEEN_END_ON = 1e-3;

    /** Number of the isometric view. */
    private const ISOMETRIC = 3;

    /** Share of the width that the isometric view gets beside views that need the rest. */
    private const ISOMETRIC_SHARE = 0.42;

    /** @var non-empty-list<Vector> points along the path, and the corners that are dimensioned to */
    private array $outline;

    /** @var list<array{Vector, Vector, float}> legs: from corner to corner, and length, mm */
    private array $legs;

    public function __construct(
        private LaidRun $laid,
        private Vector $up,
        private bool $isThirdAngle,
    ) {
        $legs = [];
        foreach ($laid->legs as $leg) {
            $from = $laid->vertices[$leg->fromVertex]->at;
            $to = $laid->vertices[$leg->toVertex]->at;
            if ($leg->length > Tolerance::COINCIDENT) {
                $legs[] = [$from, $to, $leg->length];
            }
        }
        $this->legs = $legs;
        $rough = $laid->path->points(new Chord(max(0.5, $laid->length() / 500)));
        $this->outline = [
            $laid->path->pointAt(0.0), ...$rough, ...array_map(static fn (array $leg): Vector => $leg[0], $legs),
            ...array_map(static fn (array $leg): Vector => $leg[1], $legs),
        ];
    }

    /**
     * Returns the scale of the views at right angles in a rectangle; of the isometric one where it is the only one.
     *
     * @param  array{float, float, float, float}  $within  left, bottom, right, top
     */
    public function scale(array $within): Scale
    {
        return $this->placed($within)[0];
    }

    /**
     * Draws the views into a rectangle.
     *
     * @param  array{float, float, float, float}  $within
     */
    public function draw(Canvas $canvas, array $within): void
    {
        [$scale, $cells] = $this->placed($within);
        $shown = $this->shownIn($this->atRightAngles());
        foreach ($cells as [$number, $view, $cell]) {
            $legs = array_filter($shown, static fn (int $one): bool => $one === $number);
            $this->view(
                $canvas, $view, $number === self::ISOMETRIC ? $this->scaleFor($view, $cell) : $scale, $cell,
                array_keys($legs),
            );
        }
    }

    /** @return list<Projection> from the front, from above, from the side on which the projection puts it */
    private function atRightAngles(): array
    {
        return [
            Projection::front($this->up), Projection::above($this->up),
            $this->isThirdAngle ? Projection::right($this->up) : Projection::left($this->up),
        ];
    }

    /**
     * Returns the scale of the views at right angles, and each view that is drawn: its number (3 for the isometric one)
     * and its cell.
     *
     * @param  array{float, float, float, float}  $within
     * @return array{Scale, list<array{int, Projection, array{float, float, float, float}}>}
     */
    private function placed(array $within): array
    {
        $views = $this->atRightAngles();
        $shown = $this->shownIn($views);
        $isometric = count($this->legs) === 1 ? null : Projection::isometric($this->up);
        // A view from above and one from the side have the one from the front between them.
        $isNeeded = [
            in_array(0, $shown, true) || (in_array(1, $shown, true) && in_array(2, $shown, true)),
            in_array(1, $shown, true), in_array(2, $shown, true),
        ];
        $first = array_search(true, $isNeeded, true);
        if ($first === false) {
            $only = $isometric ?? $views[0];

            return [$this->scaleFor($only, $within), [[self::ISOMETRIC, $only, $within]]];
        }
        [$scale, $cells] = $this->arranged(
            $views[$first], $first === 0 && $isNeeded[1] ? $views[1] : null,
            $first !== 2 && $isNeeded[2] ? $views[2] : null, $isometric, $within,
        );

        return [$scale, array_map(static function (array $cell) use ($views): array {
            $number = array_search($cell[0], $views, true);

            return [$number === false ? self::ISOMETRIC : $number, $cell[0], $cell[1]];
        }, $cells)];
    }

    /**
     * Returns the common scale of the views at right angles, and where each view goes: one from above over or under the
     * first, one from the side beside it, the isometric one where room is left.
     *
     * @param  array{float, float, float, float}  $within
     * @return array{Scale, list<array{Projection, array{float, float, float, float}}>}
     */
    private function arranged(
        Projection $first,
        ?Projection $above,
        ?Projection $beside,
        ?Projection $isometric,
        array $within,
    ): array {
        [$left, $bottom, $right, $top] = $within;
        $scale = $this->commonScale($first, $above, $beside, $isometric !== null, $right - $left, $top - $bottom);
        $takes = fn (?Projection $view, int $axis): float => $view === null ? 0.0
            : $this->spanOf($view, $axis) * $scale->factor + 2 * self::ROOM + ($axis === 1 ? self::NAME : 0.0);
        $column = match (true) {
            $beside !== null => $takes($first, 0) + ($right - $left - $takes($first, 0) - $takes($beside, 0)) / 2,
            $isometric !== null => max($takes($first, 0), ($right - $left) * (1 - self::ISOMETRIC_SHARE)),
            default => $right - $left,
        };
        $row = $above === null
            ? $top - $bottom
            : $takes($first, 1) + ($top - $bottom - $takes($first, 1) - $takes($above, 1)) / 2;
        // With the third angle what is seen from above stands above, with the first below.
        $isLow = $this->isThirdAngle || $above === null;
        $split = $isLow ? $bottom + $row : $top - $row;
        [$low, $high] = $isLow ? [$bottom, $split] : [$split, $top];
        $middle = $left + $column;
        $cells = [[$first, [$left, $low, $middle, $high]]];
        [$otherLow, $otherHigh] = $isLow ? [$split, $top] : [$bottom, $split];
        if ($above !== null) {
            $cells[] = [$above, [$left, $otherLow, $middle, $otherHigh]];
        }
        if ($beside !== null) {
            $cells[] = [$beside, [$middle, $low, $right, $high]];
        }
        if ($isometric !== null && ($beside === null || $above !== null)) {
            $cells[] = [$isometric, $beside === null
                ? [$middle, $bottom, $right, $top]
                : [$middle, $otherLow, $right, $otherHigh]];
        }

        return [$scale, $cells];
    }

    /**
     * Returns for each leg the number of the view in which it is dimensioned, 3 where none shows its true length.
     *
     * @param  list<Projection>  $views
     * @return list<int>
     */
    private function shownIn(array $views): array
    {
        return array_map(static function (array $leg) use ($views): int {
            $direction = $leg[1]->minus($leg[0])->unit();
            foreach ($views as $number => $view) {
                if ($view->share($direction) >= self::TRUE_LENGTH) {
                    return $number;
                }
            }

            return count($views);
        }, $this->legs);
    }

    private function commonScale(
        Projection $first,
        ?Projection $above,
        ?Projection $beside,
        bool $isIsometric,
        float $width,
        float $height,
    ): Scale {
        $wide = $this->spanOf($first, 0) + ($beside === null ? 0.0 : $this->spanOf($beside, 0));
        $isShared = $beside === null && $isIsometric;
        $free = ($isShared ? $width * (1 - self::ISOMETRIC_SHARE) : $width)
            - 2 * self::ROOM * ($beside === null ? 1 : 2);
        $high = $this->spanOf($first, 1) + ($above === null ? 0.0 : $this->spanOf($above, 1));
        $room = $height - (2 * self::ROOM + self::NAME) * ($above === null ? 1 : 2);

        return Scale::within(min($free / max($wide, 1.0), $room / max($high, 1.0)));
    }

    /** @param  array{float, float, float, float}  $cell */
    private function scaleFor(Projection $view, array $cell): Scale
    {
        return Scale::within(min(
            max(5.0, $cell[2] - $cell[0] - 2 * self::ROOM) / max(1.0, $this->spanOf($view, 0)),
            max(5.0, $cell[3] - $cell[1] - 2 * self::ROOM - self::NAME) / max(1.0, $this->spanOf($view, 1)),
        ));
    }

    private function spanOf(Projection $view, int $axis): float
    {
        [$least, $most] = $this->ends($view, $axis);

        return $most - $least + $this->laid->run->stock->section->outsideDiameter;
    }

    /** @return array{float, float} least and greatest coordinate on paper, at full size */
    private function ends(Projection $view, int $axis): array
    {
        $places = array_map(static fn (Vector $point): float => $view->flat($point)[$axis], $this->outline);

        return [min($places), max($places)];
    }

    /**
     * @param  array{float, float, float, float}  $cell
     * @param  list<int>  $legs  that are dimensioned in it
     */
    private function view(Canvas $canvas, Projection $projection, Scale $of, array $cell, array $legs): void
    {
        $scale = $of->factor;
        $middle = fn (int $axis): float => array_sum($this->ends($projection, $axis)) / 2;
        $view = new ViewOnSheet($canvas, $projection, $scale, [
            ($cell[0] + $cell[2]) / 2 - $middle(0) * $scale,
            ($cell[1] + $cell[3] - self::NAME) / 2 - $middle(1) * $scale,
        ]);
        $canvas->text('title', [$cell[0] + 2.0, $cell[3] - 4.0], $projection->name, 2.0, colour: Canvas::SEA);
        $bodies = (new DrawnBodies($projection, self::CHORD / $scale))->run($this->laid);
        $view->lines(HiddenLines::of($bodies, $projection));
        $points = $this->laid->path->points(new Chord(self::CHORD / $scale));
        $view->centreLine([$this->laid->path->pointAt(0.0), ...$points]);
        $lines = array_map(
            static fn (array $leg): array => [$view->place($leg[0]), $view->place($leg[1])], $this->legs,
        );
        $this->start($view);
        $this->numbers($view, $cell, $lines);
        $dimension = new DimensionLine($canvas, $cell);
        $beside = $this->laid->run->stock->section->outsideDiameter / 2 * $scale + 4.5;
        $centre = [($cell[0] + $cell[2]) / 2, ($cell[1] + $cell[3]) / 2];
        foreach ($legs as $number) {
            if (isset($this->legs[$number])) {
                [$from, $to] = self::outwards($lines[$number], $centre);
                $dimension->draw(
                    $from, $to,
                    $this->laid->run->units->column($this->legs[$number][2]), $beside, $lines,
                );
            }
        }
    }

    /**
     * Returns a line from whichever end lets it have the middle of the view on its right, as dimensions are tried on
     * the left first.
     *
     * @param  array{array{float, float}, array{float, float}}  $line
     * @param  array{float, float}  $centre
     * @return array{array{float, float}, array{float, float}}
     */
    private static function outwards(array $line, array $centre): array
    {
        [$from, $to] = $line;
        $side = ($to[0] - $from[0]) * ($centre[1] - $from[1]) - ($to[1] - $from[1]) * ($centre[0] - $from[0]);

        return $side <= 0.0 ? [$from, $to] : [$to, $from];
    }

    private function start(ViewOnSheet $view): void
    {
        $view->canvas->dot('centre', $view->place($this->laid->path->pointAt(0.0)), 0.8, Canvas::SEA);
    }

    /**
     * @param  array{float, float, float, float}  $cell
     * @param  list<array{array{float, float}, array{float, float}}>  $lines
     */
    private function numbers(ViewOnSheet $view, array $cell, array $lines): void
    {
        $beside = $this->laid->run->stock->section->outsideDiameter / 2 * $view->scale + self::NUMBER;
        $labels = new Labels($view->canvas, $cell, $lines);
        foreach ($this->laid->bends as $index => $bend) {
            $corner = $view->place($bend->corner);
            $inside = $view->projection->flat($bend->out->minus($bend->in));
            $away = hypot(...$inside) < self::SEEN_END_ON ? M_PI / 4 : atan2(-$inside[1], -$inside[0]);
            $labels->balloon('bends', $corner, $away, (string) ($index + 1), $beside);
        }
    }
}
