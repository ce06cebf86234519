<?php

declare(strict_types=1);

namespace Bowline\Exchange\Plan;

use Bowline\Drawing\Plan\Plan;
use Bowline\Drawing\Plan\PlanCircle;
use Bowline\Drawing\Plan\PlanImage;
use Bowline\Drawing\Plan\PlanLine;
use Bowline\Drawing\Plan\PlanPath;
use Bowline\Drawing\Plan\PlanShape;
use Bowline\Drawing\Plan\PlanText;
use Bowline\Drawing\Plan\PlanVisitor;
use Bowline\Geometry\PositiveZero;
use Bowline\Geometry\Tolerance;

/**
 * Writes a drawing as SVG at full size: a unit of it is a millimetre.
 *
 * @implements PlanVisitor<string>
 */
final readonly class PlanSvg implements PlanVisitor
{
    private function __construct(private float $height)
    {
    }

    public static function write(Plan $plan): string
    {
        $writer = new self($plan->height);
        $number = self::number(...);

        return sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" width="%1$smm" height="%2$smm" viewBox="0 0 %1$s %2$s" '
                .'font-family="\'DejaVu Sans\', sans-serif"><title>%3$s</title>%4$s</svg>',
            $number($plan->width), $number($plan->height), self::escaped($plan->title),
            implode('', array_map(static fn (PlanShape $shape): string => $shape->accept($writer), $plan->shapes)),
        );
    }

    public function line(PlanLine $line): string
    {
        return sprintf(
            '<line x1="%s" y1="%s" x2="%s" y2="%s" stroke="%s" stroke-width="%s"/>', self::number($line->from[0]),
            self::number($this->height - $line->from[1]), self::number($line->to[0]),
            self::number($this->height - $line->to[1]), $line->colour, self::number($line->width),
        );
    }

    public function circle(PlanCircle $circle): string
    {
        return sprintf(
            '<circle cx="%s" cy="%s" r="%s" %s/>', self::number($circle->at[0]),
            self::number($this->height - $circle->at[1]), self::number($circle->radius),
            $circle->isFilled
                ? sprintf('fill="%s"', $circle->colour)
                : sprintf('fill="none" stroke="%s" stroke-width="0.5"', $circle->colour),
        );
    }

    public function path(PlanPath $path): string
    {
        $points = array_map(
            fn (array $at): string => self::number(round($at[0], 3)).','
                .self::number(round($this->height - $at[1], 3)),
            $path->points,
        );

        return sprintf(
            '<%s points="%s" fill="%s"%s/>', $path->isClosed ? 'polygon' : 'polyline', implode(' ', $points),
            $path->fill ?? 'none', $path->width <= 0.0 ? '' : sprintf(
                ' stroke="%s" stroke-width="%s" stroke-linejoin="round"%s', $path->colour, self::number($path->width),
                $path->dashes === []
                    ? ''
                    : sprintf(' stroke-dasharray="%s"', implode(' ', array_map(self::number(...), $path->dashes))),
            ),
        );
    }

    public function text(PlanText $text): string
    {
        [$x, $y] = [self::number($text->at[0]), self::number($this->height - $text->at[1])];

        return sprintf(
            '<text x="%s" y="%s" font-size="%s" text-anchor="%s" fill="%s"%s%s>%s</text>', $x, $y,
            self::number($text->height * PlanPdf::CAPITALS), $text->anchor, $text->colour,
            abs($text->angle) < Tolerance::NOTHING
                ? ''
                : sprintf(' transform="rotate(%s %s %s)"', self::number(-rad2deg($text->angle)), $x, $y),
            ($text->isBold ? ' font-weight="bold"' : '').($text->width === null ? '' : sprintf(
                ' textLength="%s" lengthAdjust="spacingAndGlyphs"', self::number(round($text->width, 3)),
            )),
            self::escaped($text->text),
        );
    }

    public function image(PlanImage $image): string
    {
        return sprintf(
            '<image x="%s" y="%s" width="%s" height="%s" href="data:image/jpeg;base64,%s"/>',
            self::number($image->at[0]), self::number($this->height - $image->at[1] - $image->height),
            self::number($image->width), self::number($image->height), base64_encode($image->jpeg),
        );
    }

    private static function escaped(string $text): string
    {
        return htmlspecialchars($text, ENT_XML1 | ENT_QUOTES, 'UTF-8');
    }

    private static function number(float $number): string
    {
        return (string) PositiveZero::of(round($number, 6));
    }
}
