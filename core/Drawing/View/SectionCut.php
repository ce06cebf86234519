<?php

declare(strict_types=1);

namespace Bowline\Drawing\View;

use Bowline\Body\Mesh;
use Bowline\Geometry\Vector;

/** A plane square to the view, at which bodies are cut: what is before it is left out. */
final class SectionCut
{
    /** By which the plane is moved off its place, mm: no corner of a body that was told in round numbers lies on it. */
    private const OFF = 1.37e-6;

    /** @var list<SectionFace> of the bodies that were cut */
    private array $faces = [];

    /** @param  float  $depth  of the plane, towards whoever looks, mm */
    public function __construct(
        private readonly Projection $projection,
        private readonly float $depth,
    ) {
    }

    /** @return list<SectionFace> where the bodies that were asked for so far are cut */
    public function faces(): array
    {
        return $this->faces;
    }

    /** Returns what of a body lies behind the plane; null where nothing does. */
    public function behind(DrawnBody $body): ?DrawnBody
    {
        $before = array_map($this->before(...), $body->mesh->vertices);
        if ($before === [] || min($before) > 0.0) {
            return null;
        }
        if (max($before) <= 0.0) {
            return $body;
        }
        [$mesh, $segments] = $this->divided($body->mesh, $before);
        $this->faces[] = new SectionFace($body->of, $segments, $body->isRun, $body->isClosed);
        $outlines = [];
        foreach ($body->outlines as $line) {
            array_push($outlines, ...$this->pieces($line));
        }

        return new DrawnBody(
            $body->of, $mesh, $outlines, $body->hasOutline, $body->isRun, $body->radius, isClosed: false,
        );
    }

    /** Returns how far a point is before the plane, mm; behind it that is negative. */
    private function before(Vector $point): float
    {
        return $point->dot($this->projection->towards) - $this->depth - self::OFF;
    }

    /**
     * @param  list<float>  $before  how far each vertex is before the plane
     * @return array{Mesh, list<array{array{float, float}, array{float, float}}>} what is behind it, and where it is cut
     */
    private function divided(Mesh $mesh, array $before): array
    {
        $vertices = $mesh->vertices;
        $count = count($vertices);
        /** @var array<int, int> $cuts numbers of new vertices, by the edge that they cut */
        $cuts = [];
        $cut = static function (int $a, int $b) use (&$cuts, &$vertices, $before, $count): int {
            $key = $a < $b ? $a * $count + $b : $b * $count + $a;
            if (! isset($cuts[$key])) {
                $part = $before[$a] / ($before[$a] - $before[$b]);
                $vertices[] = $vertices[$a]->plus($vertices[$b]->minus($vertices[$a])->times($part));
                $cuts[$key] = count($vertices) - 1;
            }

            return $cuts[$key];
        };
        $triangles = $segments = [];
        foreach ($mesh->triangles as $corners) {
            $kept = [];
            $on = [];
            foreach ($corners as $i => $a) {
                $b = $corners[($i + 1) % 3];
                if ($before[$a] <= 0.0) {
                    $kept[] = $a;
                }
                if (($before[$a] <= 0.0) !== ($before[$b] <= 0.0)) {
                    $kept[] = $on[] = $cut($a, $b);
                }
            }
            // Three corners, or four where two of a triangle are behind.
            [$first, $second, $third, $fourth] = [...$kept, null, null, null, null];
            if ($first !== null && $second !== null && $third !== null) {
                $triangles[] = [$first, $second, $third];
            }
            if ($first !== null && $third !== null && $fourth !== null) {
                $triangles[] = [$first, $third, $fourth];
            }
            if (count($on) === 2) {
                $segments[] = [$this->projection->flat($vertices[$on[0]]), $this->projection->flat($vertices[$on[1]])];
            }
        }

        return [new Mesh($vertices, $triangles), $segments];
    }

    /**
     * Returns the pieces of a line that are behind the plane.
     *
     * @param  list<Vector>  $line
     * @return list<list<Vector>>
     */
    private function pieces(array $line): array
    {
        $pieces = [];
        $piece = [];
        foreach ($line as $i => $point) {
            $isBehind = $this->before($point) <= 0.0;
            if ($i > 0 && $isBehind !== ($this->before($line[$i - 1]) <= 0.0)) {
                $part = $this->before($line[$i - 1]) / ($this->before($line[$i - 1]) - $this->before($point));
                $piece[] = $line[$i - 1]->plus($point->minus($line[$i - 1])->times($part));
                if (! $isBehind) {
                    $pieces[] = $piece;
                    $piece = [];
                }
            }
            if ($isBehind) {
                $piece[] = $point;
            }
        }

        return count($piece) > 1 ? [...$pieces, $piece] : $pieces;
    }
}
