<?php

declare(strict_types=1);

namespace Bowline\Exchange\Dxf;

use Bowline\Geometry\Arc;
use Bowline\Geometry\Line;
use Bowline\Geometry\Segment;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\JobError;

/** Reads the lines and arcs of a DXF file: LINE, ARC, LWPOLYLINE and POLYLINE, in a plane or in space, in its units. */
final class DxfReader
{
    /** Millimetres of each unit of INSUNITS; without units, millimetres. */
    private const UNITS = [
        1 => 25.4,
        2 => 304.8,
        4 => 1.0,
        5 => 10.0,
        6 => 1000.0,
        8 => 2.54e-5,
        9 => 0.0254,
        10 => 914.4,
        13 => 1e-3,
        14 => 100.0,
    ];

    /** Most entities of a drawing of centrelines. */
    private const MAX_ENTITIES = 20000;

    /** Shorter pieces are ignored, mm. */
    private const NOTHING = 1e-9;

    private float $unit = 1.0;

    /** @var list<Segment> */
    private array $segments = [];

    /** @var array<int|string, int> entities passed over, by their kind */
    private array $passedOver = [];

    private function __construct()
    {
    }

    /**
     * @return array{list<Segment>, array<int|string, int>} the lines and arcs in mm, and what was passed over
     *
     * @throws JobError when it is no DXF
     */
    public static function read(string $text): array
    {
        $reader = new self;
        $reader->entities(self::pairs($text));

        return [$reader->segments, $reader->passedOver];
    }

    /**
     * @return list<array{int, string}>
     *
     * @throws JobError
     */
    private static function pairs(string $text): array
    {
        $lines = explode("\n", str_replace(["\r\n", "\r"], "\n", rtrim($text)));
        $pairs = [];
        for ($i = 0; $i + 1 < count($lines); $i += 2) {
            $code = trim($lines[$i]);
            if (preg_match('/^-?\d{1,4}$/', $code) !== 1) {
                throw JobError::at('', sprintf('this is no DXF text: line %d should be a group code', $i + 1));
            }
            $pairs[] = [(int) $code, trim($lines[$i + 1])];
        }
        $sections = array_filter($pairs, static fn (array $pair): bool => $pair === [0, 'SECTION']);

        return $sections === [] ? throw JobError::at('', 'this is no DXF text: it has no section') : $pairs;
    }

    /** @param  list<array{int, string}>  $pairs */
    private function entities(array $pairs): void
    {
        $section = '';
        $count = count($pairs);
        for ($i = 0; $i < $count; $i++) {
            [$code, $value] = $pairs[$i];
            if ($code === 0 && $value === 'SECTION') {
                $section = $pairs[$i + 1][1] ?? '';
            } elseif ($code === 0 && $value === 'ENDSEC') {
                $section = '';
            } elseif ($code === 9 && $value === '$INSUNITS') {
                $this->unit = self::UNITS[(int) ($pairs[$i + 1][1] ?? '4')] ?? 1.0;
            } elseif ($code === 0 && $section === 'ENTITIES') {
                $groups = [];
                while ($i + 1 < $count && $pairs[$i + 1][0] !== 0) {
                    $groups[] = $pairs[++$i];
                }
                $vertices = [];
                while ($value === 'POLYLINE' && ($pairs[$i + 1] ?? null) === [0, 'VERTEX']) {
                    $i++;
                    $vertex = [];
                    while ($i + 1 < $count && $pairs[$i + 1][0] !== 0) {
                        $vertex[] = $pairs[++$i];
                    }
                    $vertices[] = new Groups($vertex, $this->unit);
                }
                $this->entity($value, new Groups($groups, $this->unit), $vertices);
            }
        }
    }

    /** @param  list<Groups>  $vertices  of a POLYLINE */
    private function entity(string $kind, Groups $groups, array $vertices): void
    {
        if (count($this->segments) > self::MAX_ENTITIES) {
            throw JobError::at(
                '',
                sprintf('more than %d lines and arcs: these are no centrelines', self::MAX_ENTITIES),
            );
        }
        match ($kind) {
            'LINE' => $this->line($groups->point(10), $groups->point(11)),
            'ARC' => $this->arc($groups),
            'LWPOLYLINE' => $this->flatPolyline($groups->repeatedPoints(), $groups),
            'POLYLINE' => ($groups->integer(70) & 8) !== 0
                ? $this->spacePolyline(
                    array_map(static fn (Groups $vertex): Vector => $vertex->point(10), $vertices),
                    $groups,
                )
                : $this->flatPolyline(
                    array_map(
                        static fn (Groups $vertex): array => [$vertex->point(10), $vertex->number(42)],
                        $vertices,
                    ),
                    $groups,
                ),
            'SEQEND' => null,
            default => $this->passedOver[$kind] = ($this->passedOver[$kind] ?? 0) + 1,
        };
    }

    private function line(Vector $from, Vector $to): void
    {
        if ($from->distanceTo($to) > self::NOTHING) {
            $this->segments[] = new Line($from, $to);
        }
    }

    private function arc(Groups $groups): void
    {
        $ocs = new Ocs($groups->direction());
        $start = deg2rad($groups->number(50));
        $sweep = fmod(deg2rad($groups->number(51)) - $start + 4 * M_PI, 2 * M_PI);
        $this->turn($ocs, $groups->point(10), $groups->length(40), $start, $sweep);
    }

    /** Adds an arc about a centre in its OCS, from an angle through a sweep; a negative sweep is clockwise. */
    private function turn(Ocs $ocs, Vector $centre, float $radius, float $start, float $sweep): void
    {
        $at = static fn (float $angle): Vector => $ocs->toWorld(
            $centre->plus(new Vector($radius * cos($angle), $radius * sin($angle), 0.0)),
        );
        if ($radius * abs($sweep) > self::NOTHING) {
            $this->segments[] = new Arc(
                $at($start),
                $at($start + $sweep),
                $ocs->toWorld($centre),
                $ocs->z->times($sweep < 0 ? -1.0 : 1.0),
                $radius,
                abs($sweep),
            );
        }
    }

    /** @param  list<Vector>  $points */
    private function spacePolyline(array $points, Groups $groups): void
    {
        foreach ($this->neighbours($points, $groups) as [$from, $to]) {
            $this->line($from, $to);
        }
    }

    /** @param  list<array{Vector, float}>  $points  in the flat frame, each with the bulge of the piece after it */
    private function flatPolyline(array $points, Groups $groups): void
    {
        $ocs = new Ocs($groups->direction());
        $raised = new Vector(0.0, 0.0, $groups->length(38));
        foreach ($this->neighbours($points, $groups) as [[$from, $bulge], [$to]]) {
            [$from, $to] = [$from->plus($raised), $to->plus($raised)];
            if (abs($bulge) < Tolerance::SAFEGUARD) {
                $this->line($ocs->toWorld($from), $ocs->toWorld($to));

                continue;
            }
            // A bulge is the tangent of a quarter of the sweep, positive counter-clockwise.
            $sweep = 4 * atan($bulge);
            $chord = $to->minus($from);
            $toCentre = (new Vector(-$chord->y, $chord->x, 0.0))->times((1 - $bulge ** 2) / (4 * $bulge));
            $centre = $from->plus($chord->times(0.5))->plus($toCentre);
            $arm = $from->minus($centre);
            $this->turn($ocs, $centre, $arm->length(), atan2($arm->y, $arm->x), $sweep);
        }
    }

    /**
     * @template T
     *
     * @param  list<T>  $points
     * @return list<array{T, T}> each with the next; the last with the first when it is closed
     */
    private function neighbours(array $points, Groups $groups): array
    {
        $pairs = [];
        foreach (array_slice($points, 1) as $i => $next) {
            $pairs[] = [$points[$i], $next];
        }
        if (($groups->integer(70) & 1) !== 0 && count($points) > 2) {
            $pairs[] = [$points[count($points) - 1], $points[0]];
        }

        return $pairs;
    }
}
