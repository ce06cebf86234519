<?php

declare(strict_types=1);

namespace Bowline\Drawing\View;

use Bowline\Geometry\Vector;

/**
 * The lines of bodies in a projection, divided where something comes before them. Lines are looked at in steps, and
 * where one goes behind something between two of them, that place is found by halving.
 */
final class HiddenLines
{
    /** Cosine of the turn between two faces beyond which there is an edge between them: 25°. */
    private const EDGE = 0.906;

    /** Halvings of a step, which leave a hundredth of it. */
    private const HALVINGS = 7;

    /**
     * An outline lies at the very edge of its own triangles: what comes before it by less than this share of the radius
     * is its own tube.
     */
    private const OUTLINE_SLACK = 0.3;

    /** Steps over the longer side of the view, at least. */
    private const STEPS = 260;

    /** What hides a line is nearer than it by more than this share of the view: its own triangles are as near. */
    private const SLACK = 2e-4;

    private float $step;

    private float $slack;

    private TriangleGrid $grid;

    /**
     * @param  list<DrawnBody>  $bodies
     * @param  list<SectionFace>  $faces  at which bodies are cut, before all of them
     */
    private function __construct(
        private readonly array $bodies,
        private readonly Projection $projection,
        private readonly array $faces,
    ) {
        $this->grid = new TriangleGrid($bodies, $projection);
        $extent = 1.0;
        foreach ($bodies as $body) {
            foreach ([0, 1] as $axis) {
                $places = array_column($this->grid->projected($body->mesh), $axis);
                $extent = $places === [] ? $extent : max($extent, max($places) - min($places));
            }
        }
        $this->step = $extent / self::STEPS;
        $this->slack = $extent * self::SLACK;
    }

    /**
     * @param  list<DrawnBody>  $bodies  with their outlines in this projection
     * @param  list<SectionFace>  $faces  at which bodies are cut, before all of them
     * @return list<ViewLine>
     */
    public static function of(array $bodies, Projection $projection, array $faces = []): array
    {
        $view = new self($bodies, $projection, $faces);
        $lines = [];
        foreach ($view->bodies as $body) {
            foreach ($view->edges($body) as $line) {
                array_push($lines, ...$view->divided($body, $line, $view->slack));
            }
            foreach ($body->outlines as $line) {
                array_push($lines, ...$view->divided(
                    $body, $line, max($view->slack, self::OUTLINE_SLACK * $body->radius),
                ));
            }
        }

        return $lines;
    }

    /**
     * Returns the sharp edges of a body, and its outline where it is not known exactly, in chains. Plain floats, for
     * speed.
     *
     * @return list<list<Vector>>
     */
    private function edges(DrawnBody $body): array
    {
        $mesh = $body->mesh;
        $flat = $this->grid->projected($mesh);
        $count = count($flat);
        /** @var array<int, array{float, float, float}> $open normal of the one triangle met so far, by edge */
        $open = [];
        $edges = [];
        foreach ($mesh->triangles as [$a, $b, $c]) {
            [[$ax, $ay, $ad], [$bx, $by, $bd], [$cx, $cy, $cd]] = [$flat[$a], $flat[$b], $flat[$c]];
            $x = ($by - $ay) * ($cd - $ad) - ($bd - $ad) * ($cy - $ay);
            $y = ($bd - $ad) * ($cx - $ax) - ($bx - $ax) * ($cd - $ad);
            $d = ($bx - $ax) * ($cy - $ay) - ($by - $ay) * ($cx - $ax);
            $length = sqrt($x * $x + $y * $y + $d * $d);
            if ($length > 0.0) {
                [$x, $y, $d] = [$x / $length, $y / $length, $d / $length];
            }
            foreach ([[$a, $b], [$b, $c], [$c, $a]] as [$from, $to]) {
                $key = $from < $to ? $from * $count + $to : $to * $count + $from;
                if (! isset($open[$key])) {
                    $open[$key] = [$x, $y, $d];

                    continue;
                }
                [$otherX, $otherY, $otherD] = $open[$key];
                unset($open[$key]);
                if ($x * $otherX + $y * $otherY + $d * $otherD < self::EDGE) {
                    $edges[] = [$from, $to];
                } elseif (($d > 0.0) !== ($otherD > 0.0) && ! self::isKnown($body, $from, $to)) {
                    $edges[] = [$from, $to];
                }
            }
        }
        foreach (array_keys($open) as $key) {
            $edges[] = [intdiv($key, $count), $key % $count];
        }

        return array_map(
            static fn (array $chain): array => array_map(static fn (int $i): Vector => $mesh->vertices[$i], $chain),
            self::chains($edges),
        );
    }

    /** Whether the outline at an edge is known exactly. */
    private static function isKnown(DrawnBody $body, int $from, int $to): bool
    {
        return $body->hasOutline !== null
            && ($body->hasOutline)($body->mesh->vertices[$from]->plus($body->mesh->vertices[$to])->times(0.5));
    }

    /**
     * Joins edges that meet into lines.
     *
     * @param  list<array{int, int}>  $edges
     * @return list<list<int>>
     */
    private static function chains(array $edges): array
    {
        $at = [];
        foreach ($edges as $number => [$from, $to]) {
            $at[$from][$number] = $to;
            $at[$to][$number] = $from;
        }
        $chains = [];
        $isUsed = [];
        foreach ($edges as $number => [$from, $to]) {
            if (isset($isUsed[$number])) {
                continue;
            }
            $isUsed[$number] = true;
            $chain = [$from, $to];
            // On from its end, then from its start, as long as one edge goes on and no more.
            foreach ([0, 1] as $turn) {
                $chain = array_reverse($chain);
                while (true) {
                    $end = $chain[count($chain) - 1];
                    $next = array_diff_key($at[$end], $isUsed);
                    if (count($at[$end]) !== 2 || $next === []) {
                        break;
                    }
                    $edge = array_key_first($next);
                    $isUsed[$edge] = true;
                    $chain[] = $next[$edge];
                }
            }
            $chains[] = $chain;
        }

        return $chains;
    }

    /**
     * @param  list<Vector>  $line
     * @param  float  $slack  by which something has to be before it, mm
     * @return list<ViewLine>
     */
    private function divided(DrawnBody $body, array $line, float $slack): array
    {
        $lines = [];
        $points = [];
        $was = null;
        for ($i = 1, $count = count($line); $i < $count; $i++) {
            [$from, $to] = [$line[$i - 1], $line[$i]];
            $steps = max(1, (int) ceil($from->distanceTo($to) * $this->share($from, $to) / $this->step));
            for ($k = 0; $k < $steps; $k++) {
                $start = $from->plus($to->minus($from)->times($k / $steps));
                $end = $from->plus($to->minus($from)->times(($k + 1) / $steps));
                // Ends of edges lie on other faces too: the middle of each step tells.
                $is = $this->isHidden($start->plus($end)->times(0.5), $slack);
                if ($was === null) {
                    [$was, $points] = [$is, [$this->projection->flat($start)]];
                } elseif ($is !== $was) {
                    $before = $start->minus($end->minus($start)->times(0.5));
                    $place = $this->projection->flat($this->change(
                        $before, $start->plus($end)->times(0.5), $was, $slack,
                    ));
                    $lines[] = new ViewLine($body->of, [...$points, $place], $was, $body->isRun);
                    [$was, $points] = [$is, [$place]];
                }
            }
            $points[] = $this->projection->flat($to);
        }
        if ($was !== null) {
            $lines[] = new ViewLine($body->of, $points, $was, $body->isRun);
        }

        return $lines;
    }

    /** Returns where between two places a line goes behind something, or comes out. */
    private function change(Vector $from, Vector $to, bool $isHiddenFirst, float $slack): Vector
    {
        for ($i = 0; $i < self::HALVINGS; $i++) {
            $middle = $from->plus($to)->times(0.5);
            if ($this->isHidden($middle, $slack) === $isHiddenFirst) {
                $from = $middle;
            } else {
                $to = $middle;
            }
        }

        return $from->plus($to)->times(0.5);
    }

    private function share(Vector $from, Vector $to): float
    {
        return $this->projection->share($to->minus($from)->unit());
    }

    private function isHidden(Vector $at, float $slack): bool
    {
        [$x, $y] = $this->projection->flat($at);
        foreach ($this->faces as $face) {
            if ($face->holds($x, $y)) {
                return true;
            }
        }

        return $this->grid->isBefore($x, $y, $at->dot($this->projection->towards), $slack);
    }
}
