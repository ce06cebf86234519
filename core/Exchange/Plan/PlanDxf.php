<?php

declare(strict_types=1);

namespace Bowline\Exchange\Plan;

use Bowline\Drawing\Plan\Plan;
use Bowline\Drawing\Plan\PlanCircle;
use Bowline\Drawing\Plan\PlanImage;
use Bowline\Drawing\Plan\PlanLine;
use Bowline\Drawing\Plan\PlanPath;
use Bowline\Drawing\Plan\PlanShift;
use Bowline\Drawing\Plan\PlanText;
use Bowline\Drawing\Plan\PlanVisitor;
use Bowline\Geometry\PositiveZero;

/**
 * Writes a drawing as DXF (AC1015) at full size: LINE, CIRCLE and TEXT, millimetres, on the layers of its shapes.
 *
 * @implements PlanVisitor<list<array{int, string}>>
 */
final readonly class PlanDxf implements PlanVisitor
{
    /** Code of millimetres in INSUNITS. */
    private const MILLIMETRES = 4;

    /** Between one page and the next, mm. */
    private const APART = 20.0;

    /**
     * Writes pages side by side.
     *
     * @param  non-empty-list<Plan>  $plans
     */
    public static function pages(array $plans): string
    {
        $shapes = [];
        $x = 0.0;
        foreach ($plans as $plan) {
            $shift = new PlanShift($x, 0.0);
            foreach ($plan->shapes as $shape) {
                $shapes[] = $shape->accept($shift);
            }
            $x += $plan->width + self::APART;
        }

        return self::write(new Plan($plans[0]->title, $x - self::APART, $plans[0]->height, $shapes));
    }

    public static function write(Plan $plan): string
    {
        $writer = new self;
        $pairs = [
            [0, 'SECTION'], [2, 'HEADER'], [9, '$ACADVER'], [1, 'AC1015'], [9, '$INSUNITS'],
            [70, (string) self::MILLIMETRES], [0, 'ENDSEC'], [0, 'SECTION'], [2, 'ENTITIES'],
        ];
        foreach ($plan->shapes as $shape) {
            array_push($pairs, ...$shape->accept($writer));
        }
        array_push($pairs, [0, 'ENDSEC'], [0, 'EOF']);

        return implode('', array_map(
            static fn (array $pair): string => sprintf("%3d\r\n%s\r\n", $pair[0], $pair[1]), $pairs,
        ));
    }

    public function line(PlanLine $line): array
    {
        return [
            [0, 'LINE'], [100, 'AcDbEntity'], [8, $line->layer], [100, 'AcDbLine'], ...self::point(10, $line->from),
            ...self::point(11, $line->to),
        ];
    }

    public function circle(PlanCircle $circle): array
    {
        return [
            [0, 'CIRCLE'], [100, 'AcDbEntity'], [8, $circle->layer], [100, 'AcDbCircle'],
            ...self::point(10, $circle->at), [40, self::number($circle->radius)],
        ];
    }

    public function path(PlanPath $path): array
    {
        $pairs = [
            [0, 'LWPOLYLINE'], [100, 'AcDbEntity'], [8, $path->layer], [100, 'AcDbPolyline'],
            [90, (string) count($path->points)], [70, $path->isClosed ? '1' : '0'],
        ];
        foreach ($path->points as $at) {
            array_push($pairs, [10, self::number($at[0])], [20, self::number($at[1])]);
        }

        return $pairs;
    }

    public function text(PlanText $text): array
    {
        $anchor = ['start' => '0', 'middle' => '1', 'end' => '2'][$text->anchor];

        return [
            [0, 'TEXT'], [100, 'AcDbEntity'], [8, $text->layer], [100, 'AcDbText'], ...self::point(10, $text->at),
            [40, self::number($text->height)], [1, self::inDxf($text->text)],
            [50, self::number(rad2deg($text->angle))], [72, $anchor], ...self::point(11, $text->at),
            [100, 'AcDbText'],
        ];
    }

    /** Returns nothing: a DXF file holds no pixels, only names of other files that have them. */
    public function image(PlanImage $image): array
    {
        return [];
    }

    /** Returns a text as AC1015 has it: what is not ASCII by its code point. */
    private static function inDxf(string $text): string
    {
        return preg_replace_callback(
            '/[^\x20-\x7e]/u', static fn (array $found): string => sprintf('\\U+%04X', mb_ord($found[0])), $text,
        ) ?? '';
    }

    /**
     * @param  array{float, float}  $at
     * @return list<array{int, string}>
     */
    private static function point(int $code, array $at): array
    {
        return [[$code, self::number($at[0])], [$code + 10, self::number($at[1])], [$code + 20, '0.0']];
    }

    private static function number(float $number): string
    {
        return sprintf('%.6F', PositiveZero::of($number));
    }
}
