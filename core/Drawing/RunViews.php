<?php

declare(strict_types=1);

namespace Bowline\Drawing;

use Bowline\Geometry\Chord;
use Bowline\Geometry\Vector;
use Bowline\Routing\LaidRun;

/** A run from three sides and at an angle, with numbered bends, as one SVG for the bend sheet. */
final class RunViews
{
    /** Chord tolerance as a share of the extent: 0.03 mm of 90 mm of paper. */
    private const CHORD = 3e-4;

    private const GAP = 4.0;

    /** Thickness of a frame, mm. */
    private const LINE = 0.15;

    /**
     * @param  float  $width  of the whole picture, mm of paper
     * @param  float  $height  the same
     */
    public static function svg(LaidRun $laid, float $width, float $height): string
    {
        // The outermost frames are inset by their line width.
        $cell = [($width - self::GAP) / 2 - self::LINE, ($height - self::GAP) / 2 - self::LINE];
        $views = [
            ['From above', new Vector(1.0, 0.0, 0.0), new Vector(0.0, 1.0, 0.0)],
            ['At an angle', (new Vector(1.0, -1.0, 0.0))->unit(), (new Vector(-0.5, -0.5, 1.2))->unit()],
            ['From the front', new Vector(1.0, 0.0, 0.0), new Vector(0.0, 0.0, 1.0)],
            ['From the right', new Vector(0.0, 1.0, 0.0), new Vector(0.0, 0.0, 1.0)],
        ];
        $points = self::points($laid);
        $flat = array_map(static fn (array $view): array => array_map(
            static fn (Vector $point): array => [$point->dot($view[1]), -$point->dot($view[2])], $points,
        ), $views);
        // All views have one scale, so that lengths can be compared.
        $scale = min(array_map(static fn (array $view): float => self::scale($view, $cell), $flat));
        $drawn = '';
        foreach ($views as $index => [$title, $right, $up]) {
            $place = [
                self::LINE + ($index % 2) * ($cell[0] + self::GAP),
                self::LINE + intdiv($index, 2) * ($cell[1] + self::GAP),
            ];
            $drawn .= self::view($title, $laid, $flat[$index], $right, $up, $place, $cell, $scale);
        }

        return sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" width="%1$smm" height="%2$smm" viewBox="0 0 %1$s %2$s">%3$s</svg>',
            self::number($width), self::number($height), $drawn,
        );
    }

    /**
     * @param  list<array{float, float}>  $flat
     * @param  array{float, float}  $place
     * @param  array{float, float}  $cell
     */
    private static function view(
        string $title,
        LaidRun $laid,
        array $flat,
        Vector $right,
        Vector $up,
        array $place,
        array $cell,
        float $scale,
    ): string {
        [$left, $top] = self::corner($flat);
        [$wide, $high] = self::extent($flat);
        $x = $place[0] + ($cell[0] - $wide * $scale) / 2;
        $y = $place[1] + 2.0 + ($cell[1] - $high * $scale) / 2;
        $origin = [$x - $left * $scale, $y - $top * $scale];
        $path = implode(
            ' ',
            array_map(static fn (array $point): string => implode(',', self::placed($point, $origin, $scale)), $flat),
        );
        $od = max(0.5, $laid->run->stock->section->outsideDiameter * $scale);
        $drawn = sprintf(
            '<rect x="%s" y="%s" width="%s" height="%s" fill="none" stroke="#b9ad8c" stroke-width="%s"/><text '.
            'x="%s" y="%s" font-size="2.8" font-family="dejavusans, sans-serif" fill="#15242c">%s</text>',
            self::number($place[0]),
            self::number($place[1]),
            self::number($cell[0]),
            self::number($cell[1]),
            self::number(self::LINE),
            self::number($place[0] + 1.2), self::number($place[1] + 3.6), $title,
        );
        $drawn .= sprintf(
            '<polyline points="%s" fill="none" stroke="#c9d5d6" stroke-width="%s" stroke-linejoin="round"/>',
            $path,
            self::number($od),
        );
        $drawn .= sprintf('<polyline points="%s" fill="none" stroke="#0e4254" stroke-width="0.25"/>', $path);
        [$startX, $startY] = self::placed($flat[0] ?? [0.0, 0.0], $origin, $scale);
        $drawn .= sprintf('<circle cx="%s" cy="%s" r="0.9" fill="#0e4254"/>', $startX, $startY);
        foreach ($laid->bends as $index => $bend) {
            [$bx, $by] = self::placed([$bend->corner->dot($right), -$bend->corner->dot($up)], $origin, $scale);
            $drawn .= sprintf(
                '<circle cx="%1$s" cy="%2$s" r="1.9" fill="#fffdf7" stroke="#a8741a" stroke-width="0.2"/><text '.
                'x="%1$s" y="%3$s" font-size="2.4" font-family="dejavusans, sans-serif" text-anchor="middle" '.
                'fill="#15242c">%4$d</text>',
                $bx, $by, self::number($by + 0.85), $index + 1,
            );
        }

        return $drawn;
    }

    /**
     * @param  array{float, float}  $point
     * @param  array{float, float}  $origin
     * @return array{float, float}
     */
    private static function placed(array $point, array $origin, float $scale): array
    {
        return [round($origin[0] + $point[0] * $scale, 3), round($origin[1] + $point[1] * $scale, 3)];
    }

    /** @return non-empty-list<Vector> */
    private static function points(LaidRun $laid): array
    {
        $path = $laid->path;
        // A rough extent first, since the chord tolerance depends on it.
        $rough = array_map(
            static fn (Vector $point): array => $point->toArray(),
            $path->points(new Chord(max(1.0, $path->length / 100))),
        );
        $extent = max(
            1.0,
            ...array_map(static fn (int $axis): float => self::span(array_column($rough, $axis)), [0, 1, 2]),
        );

        return [$laid->run->from->at, ...$path->points(new Chord($extent * self::CHORD))];
    }

    /**
     * @param  list<array{float, float}>  $flat
     * @param  array{float, float}  $cell
     */
    private static function scale(array $flat, array $cell): float
    {
        [$wide, $high] = self::extent($flat);

        return min(($cell[0] - 10.0) / max($wide, 1.0), ($cell[1] - 13.0) / max($high, 1.0));
    }

    /**
     * @param  list<array{float, float}>  $flat
     * @return array{float, float}
     */
    private static function extent(array $flat): array
    {
        return [self::span(array_column($flat, 0)), self::span(array_column($flat, 1))];
    }

    /** @param  list<float>  $numbers */
    private static function span(array $numbers): float
    {
        return $numbers === [] ? 0.0 : max($numbers) - min($numbers);
    }

    /**
     * @param  list<array{float, float}>  $flat
     * @return array{float, float}
     */
    private static function corner(array $flat): array
    {
        return [min([INF, ...array_column($flat, 0)]), min([INF, ...array_column($flat, 1)])];
    }

    private static function number(float $number): string
    {
        return rtrim(rtrim(number_format($number, 3, '.', ''), '0'), '.');
    }
}
