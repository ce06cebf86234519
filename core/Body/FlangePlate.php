<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Geometry\Chord;
use Bowline\Geometry\Vector;
use Bowline\Job\End\Flange;
use Bowline\Job\Section;

/**
 * The plate of a flange, joined to the wall of its tube: back, rim, face and bolt holes. The holes straddle the upright
 * through the centre, as is usual. Holes that cannot be drilled are left out here and reported by `flange-fit`.
 */
final readonly class FlangePlate
{
    private int $holes;

    public function __construct(
        private Flange $flange,
        Section $section,
    ) {
        $drillable = $flange->rimLeft() > 0.0
            && $flange->clearOf($section->outsideDiameter) > 0.0
            && $flange->betweenHoles() > 0.0;
        $this->holes = $drillable ? $flange->holeCount : 0;
    }

    /**
     * @param  Frame  $facing  at the middle of the face, looking away from the run
     * @param  list<int>  $outer  ring of the tube where it meets the back, round that direction
     * @param  list<int>  $bore  ring of the bore at the face; empty when the section is solid
     */
    public function join(MeshBuilder $builder, Chord $chord, Frame $facing, array $outer, array $bore): void
    {
        $plate = Frame::upright($facing->at, $facing->along);
        $backward = $facing->along->times(-1.0);
        $depth = $builder->at($outer[0])->minus($facing->at)->dot($backward);
        $back = $plate->movedTo($facing->at->plus($backward->times($depth)));

        $perHole = max(1, $this->holes);
        $sides = $perHole * (int) ceil($chord->sides($this->flange->outsideDiameter / 2) / $perHole);
        $first = M_PI / $perHole;
        $rimBack = $builder->ring($back, $this->flange->outsideDiameter / 2, $sides, $first);
        $rimFace = $builder->ring($plate, $this->flange->outsideDiameter / 2, $sides, $first);
        $builder->wall($rimBack, $rimFace);

        $holesBack = $holesFace = [];
        $holeSides = $chord->sides($this->flange->holeDiameter / 2);
        for ($k = 0; $k < $this->holes; $k++) {
            $angle = $first + 2 * M_PI * $k / $this->holes;
            $drill = fn (Frame $side): array => $builder->ring(
                $side->movedTo($side->polar($this->flange->boltCircle / 2, $angle)),
                $this->flange->holeDiameter / 2,
                $holeSides,
                $angle + M_PI,
            );
            $holesBack[] = $holeBack = $drill($back);
            $holesFace[] = $holeFace = $drill($plate);
            $builder->wall($holeFace, $holeBack);
        }

        $this->face($builder, $back, $outer, $rimBack, $holesBack, false);
        if ($bore === []) {
            // A solid section is seen end on at the face, as a disc of its diameter.
            $bore = array_map(
                static fn (int $vertex): int => $builder->vertex(
                    $builder->at($vertex)->plus($facing->along->times($depth)),
                ),
                $outer,
            );
            $builder->disc($bore, $facing->at);
        }
        $this->face($builder, $plate, $bore, $rimFace, $holesFace, true);
    }

    /**
     * Adds one side of the plate, cut from hole to hole into pieces without holes.
     *
     * @param  list<int>  $inner
     * @param  list<int>  $rim
     * @param  list<list<int>>  $holes  each begins at its innermost vertex
     * @param  bool  $forward  whether it faces along the axis of the frame
     */
    private function face(
        MeshBuilder $builder,
        Frame $frame,
        array $inner,
        array $rim,
        array $holes,
        bool $forward,
    ): void {
        $cuts = max(1, count($holes));
        $inner = self::from($builder, $frame, $inner, $cuts);
        for ($k = 0; $k < $cuts; $k++) {
            $next = ($k + 1) % $cuts;
            $outline = [
                ...self::stretch($rim, intdiv($k * count($rim), $cuts), intdiv(($k + 1) * count($rim), $cuts)),
                ...$holes === []
                    ? []
                    : array_reverse(array_slice($holes[$next], 0, intdiv(count($holes[$next]), 2) + 1)),
                ...array_reverse(self::stretch($inner['ring'], $inner['cuts'][$k], $inner['cuts'][$k + 1])),
                ...$holes === []
                    ? []
                    : [$holes[$k][0], ...array_reverse(array_slice($holes[$k], intdiv(count($holes[$k]), 2)))],
            ];
            $flat = array_map(static function (int $vertex) use ($builder, $frame): array {
                $offset = $builder->at($vertex)->minus($frame->at);

                return [$offset->dot($frame->first), $offset->dot($frame->second)];
            }, $outline);
            foreach (EarClipping::triangles($flat) as [$a, $b, $c]) {
                $forward
                    ? $builder->triangle($outline[$a], $outline[$b], $outline[$c])
                    : $builder->triangle($outline[$a], $outline[$c], $outline[$b]);
            }
        }
    }

    /**
     * Returns the ring beginning at the vertex nearest to the first hole, and the vertices where the cuts to the holes
     * begin.
     *
     * @param  list<int>  $ring
     * @return array{ring: list<int>, cuts: list<int>}
     */
    private static function from(MeshBuilder $builder, Frame $frame, array $ring, int $cuts): array
    {
        $count = count($ring);
        $nearest = static function (float $angle) use ($builder, $frame, $ring): int {
            $direction = $frame->polar(1.0, $angle)->minus($frame->at);
            $best = 0;
            foreach ($ring as $i => $vertex) {
                $offset = static fn (int $other): Vector => $builder->at($other)->minus($frame->at);
                if ($offset($vertex)->dot($direction) > $offset($ring[$best])->dot($direction)) {
                    $best = $i;
                }
            }

            return $best;
        };
        $first = $nearest(M_PI / $cuts);
        $places = [];
        for ($k = 0; $k < $cuts; $k++) {
            $places[] = ($nearest(M_PI / $cuts + 2 * M_PI * $k / $cuts) - $first + $count) % $count;
        }

        return [
            'ring' => [...array_slice($ring, $first), ...array_slice($ring, 0, $first)],
            'cuts' => [...$places, $count],
        ];
    }

    /**
     * @param  list<int>  $ring
     * @return list<int> its vertices from one place to another, both included, round past its end
     */
    private static function stretch(array $ring, int $from, int $to): array
    {
        $stretch = [];
        for ($i = $from; $i <= $to; $i++) {
            $stretch[] = $ring[$i % count($ring)];
        }

        return $stretch;
    }
}
