<?php

declare(strict_types=1);

namespace Bowline\Drawing;

use Bowline\Geometry\Chord;
use Bowline\Geometry\Pose;
use Bowline\Geometry\Vector;
use Bowline\Job\Site;
use Bowline\Routing\LaidRun;

/** A small picture of a job as SVG: surroundings and runs, seen from the front, right and above. */
final class JobPicture
{
    private const WIDTH = 240.0;

    private const HEIGHT = 150.0;

    private const MARGIN = 10.0;

    /** Chord tolerance as a share of the length of a segment, and the least in mm. */
    private const CHORD = 2e-4;

    private const FINEST = 0.1;

    /** @var list<array{float, list<array{float, float}>, string}> depth, points, style */
    private array $shapes = [];

    private function __construct(
        private readonly Vector $right,
        private readonly Vector $up,
        private readonly Vector $away,
    ) {
    }

    /** @param  list<LaidRun>  $runs */
    public static function write(Site $site, array $runs): string
    {
        $away = (new Vector(-0.62, 1.0, -0.72))->unit();
        $right = $away->cross(new Vector(0.0, 0.0, 1.0))->unit();
        $picture = new self($right, $right->cross($away), $away);
        foreach ($site->surroundings as $thing) {
            $picture->box(
                $thing->pose,
                $thing->shape->middle(),
                $thing->shape->halfExtent(),
                'fill="#e3dcc9" fill-opacity=".35" stroke="#b5aa90"',
            );
        }
        foreach ($site->fittings as $fitting) {
            foreach ($fitting->solids as $solid) {
                $picture->box(
                    $solid->pose->within($fitting->pose),
                    Vector::zero(),
                    $solid->shape->halfExtent(),
                    'fill="#ccd4cf" stroke="#5d6f70"',
                );
            }
        }
        foreach ($runs as $run) {
            $picture->run($run);
        }

        return $picture->svg();
    }

    private function box(Pose $pose, Vector $middle, Vector $half, string $style): void
    {
        foreach ([[0, 1, 2], [1, 2, 0], [2, 0, 1]] as [$n, $a, $b]) {
            foreach ([1.0, -1.0] as $side) {
                $normal = $pose->direction(self::along($n, $side));
                if ($normal->dot($this->away) >= 0.0) {
                    continue;
                }
                $corners = [];
                foreach ([[1, 1], [1, -1], [-1, -1], [-1, 1]] as [$i, $j]) {
                    $own = self::scaled(
                        self::along($n, $side)->plus(self::along($a, $i))->plus(self::along($b, $j)),
                        $half,
                    );
                    $corners[] = $pose->point($own->plus($middle));
                }
                $this->shape($corners, $style.' stroke-width=".6" stroke-linejoin="round"');
            }
        }
    }

    private function run(LaidRun $run): void
    {
        $points = $run->path->points(new Chord(max(self::FINEST, $run->path->length * self::CHORD)));
        if ($points !== []) {
            $this->shape(
                $points,
                'fill="none" stroke="#0e4254" stroke-width="1.6" stroke-linejoin="round" stroke-linecap="round"',
                -1e9,
            );
        }
    }

    /** @param  non-empty-list<Vector>  $points */
    private function shape(array $points, string $style, ?float $depth = null): void
    {
        $this->shapes[] = [
            $depth ??
            array_sum(array_map(fn (Vector $point): float => $point->dot($this->away), $points)) / count($points),
            array_map(fn (Vector $point): array => [$point->dot($this->right), -$point->dot($this->up)], $points),
            $style,
        ];
    }

    private function svg(): string
    {
        $xs = $ys = [];
        foreach ($this->shapes as [, $points]) {
            array_push($xs, ...array_column($points, 0));
            array_push($ys, ...array_column($points, 1));
        }
        if ($xs === [] || $ys === []) {
            $xs = $ys = [0.0];
        }
        $scale = min(
            (self::WIDTH - 2 * self::MARGIN) / max(1.0, max($xs) - min($xs)),
            (self::HEIGHT - 2 * self::MARGIN) / max(1.0, max($ys) - min($ys)),
        );
        [$middleX, $middleY] = [(max($xs) + min($xs)) / 2, (max($ys) + min($ys)) / 2];
        usort($this->shapes, static fn (array $a, array $b): int => $b[0] <=> $a[0]);
        $drawn = '';
        foreach ($this->shapes as [, $points, $style]) {
            $drawn .= sprintf(
                '<%s points="%s" %s/>', str_contains($style, 'fill="none"') ? 'polyline' : 'polygon',
                implode(
                    ' ',
                    array_map(
                        static fn (array $point): string => sprintf(
                            '%.1f,%.1f',
                            self::WIDTH / 2 + ($point[0] - $middleX) * $scale,
                            self::HEIGHT / 2 + ($point[1] - $middleY) * $scale,
                        ),
                        $points,
                    ),
                ),
                $style,
            );
        }

        return sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 %g %g">%s</svg>',
            self::WIDTH,
            self::HEIGHT,
            $drawn,
        );
    }

    private static function along(int $axis, float $amount): Vector
    {
        return new Vector($axis === 0 ? $amount : 0.0, $axis === 1 ? $amount : 0.0, $axis === 2 ? $amount : 0.0);
    }

    private static function scaled(Vector $vector, Vector $by): Vector
    {
        return new Vector($vector->x * $by->x, $vector->y * $by->y, $vector->z * $by->z);
    }
}
