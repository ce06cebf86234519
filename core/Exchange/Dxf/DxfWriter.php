<?php

declare(strict_types=1);

namespace Bowline\Exchange\Dxf;

use Bowline\Geometry\Arc;
use Bowline\Geometry\Curve;
use Bowline\Geometry\Line;
use Bowline\Geometry\SegmentVisitor;
use Bowline\Geometry\Vector;
use Bowline\Routing\LaidRun;

/**
 * Writes centrelines as DXF (AC1015): LINE, ARC and, for curves, SPLINE in space, millimetres; a layer for what
 * runs carry, or for the run where that is not told.
 *
 * @implements SegmentVisitor<list<array{int, string}>>
 */
final readonly class DxfWriter implements SegmentVisitor
{
    /** Decimals, enough to read the same run again to far below a micron. */
    private const DECIMALS = 10;

    /** Code of millimetres in INSUNITS. */
    private const MILLIMETRES = 4;

    /** Largest turn of a piece of a spline, radians: a cubic follows such an arc within 2e-8 of its radius. */
    private const SPLINE_TURN = 3 * M_PI / 180;

    private function __construct(private string $layer)
    {
    }

    /** @param  list<LaidRun>  $runs */
    public static function write(array $runs): string
    {
        $pairs = [
            [0, 'SECTION'],
            [2, 'HEADER'],
            [9, '$ACADVER'],
            [1, 'AC1015'],
            [9, '$INSUNITS'],
            [70, (string) self::MILLIMETRES],
            [0, 'ENDSEC'],
            [0, 'SECTION'],
            [2, 'ENTITIES'],
        ];
        foreach ($runs as $run) {
            foreach ($run->path->segments as $segment) {
                $layer = self::layer($run->run->service->name ?? $run->run->name);
                array_push($pairs, ...$segment->accept(new self($layer)));
            }
        }
        array_push($pairs, [0, 'ENDSEC'], [0, 'EOF']);

        return implode(
            '',
            array_map(static fn (array $pair): string => sprintf("%3d\r\n%s\r\n", $pair[0], $pair[1]), $pairs),
        );
    }

    public function line(Line $line): array
    {
        return [
            [0, 'LINE'],
            [100, 'AcDbEntity'],
            [8, $this->layer],
            [100, 'AcDbLine'],
            ...self::point(10, $line->from),
            ...self::point(11, $line->to),
        ];
    }

    public function arc(Arc $arc): array
    {
        $ocs = new Ocs($arc->normal);
        $angle = static fn (Vector $at): string => self::number(
            fmod(
                rad2deg(atan2($at->minus($arc->centre)->dot($ocs->y), $at->minus($arc->centre)->dot($ocs->x))) + 360.0,
                360.0,
            ),
        );

        return [
            [0, 'ARC'],
            [100, 'AcDbEntity'],
            [8, $this->layer],
            [100, 'AcDbCircle'],
            ...self::point(10, $ocs->toOwn($arc->centre)),
            [40, self::number($arc->radius)],
            ...self::point(210, $arc->normal),
            [100, 'AcDbArc'],
            [50, $angle($arc->from)],
            [51, $angle($arc->to)],
        ];
    }

    /**
     * Writes a cubic B-spline by developed length with double knots, so that it has the points and directions of the
     * curve at each knot: its control points are a third of the piece away from both ends.
     *
     * @return list<array{int, string}>
     */
    public function curve(Curve $curve): array
    {
        $places = self::splinePlaces($curve);
        $last = count($places) - 1;
        $knots = [$places[0], $places[0]];
        $controls = [$curve->start()];
        foreach ($places as $i => $place) {
            array_push($knots, $place, $place);
            [$at, $direction] = [$curve->pointAt($place), $curve->directionAt($place)];
            if ($i > 0) {
                $controls[] = $at->minus($direction->times(($place - $places[$i - 1]) / 3));
            }
            if ($i < $last) {
                $controls[] = $at->plus($direction->times(($places[$i + 1] - $place) / 3));
            }
        }
        $controls[] = $curve->end();
        array_push($knots, $places[$last], $places[$last]);
        $pairs = [
            [0, 'SPLINE'], [100, 'AcDbEntity'], [8, $this->layer], [100, 'AcDbSpline'], [70, '0'], [71, '3'],
            [72, (string) count($knots)], [73, (string) count($controls)], [74, '0'],
        ];
        foreach ($knots as $knot) {
            $pairs[] = [40, self::number($knot)];
        }
        foreach ($controls as $control) {
            array_push($pairs, ...self::point(10, $control));
        }

        return $pairs;
    }

    /** @return non-empty-list<float> developed lengths at points of the curve between which it turns little */
    private static function splinePlaces(Curve $curve): array
    {
        $places = [0.0];
        $turned = 0.0;
        $last = count($curve->points) - 1;
        for ($i = 1; $i < $last; $i++) {
            $turned += $curve->directions[$i - 1]->angleTo($curve->directions[$i]);
            if ($turned + $curve->directions[$i]->angleTo($curve->directions[$i + 1]) > self::SPLINE_TURN) {
                $places[] = $curve->along[$i];
                $turned = 0.0;
            }
        }

        return [...$places, $curve->along[$last]];
    }

    /** @return list<array{int, string}> */
    private static function point(int $code, Vector $point): array
    {
        return [
            [$code, self::number($point->x)],
            [$code + 10, self::number($point->y)],
            [$code + 20, self::number($point->z)],
        ];
    }

    private static function number(float $number): string
    {
        return number_format($number, self::DECIMALS, '.', '');
    }

    /** Returns the name of a layer: one line without the characters that the format reserves. */
    private static function layer(string $name): string
    {
        $plain = (string) preg_replace('/[\x00-\x1f<>\/\\\\":;?*|=`,]+/u', ' ', $name);

        return trim(mb_substr($plain, 0, 200)) === '' ? '0' : trim(mb_substr($plain, 0, 200));
    }
}
