<?php

declare(strict_types=1);

namespace Bowline\Drawing\Plan;

/**
 * Moves shapes.
 *
 * @implements PlanVisitor<PlanShape>
 */
final readonly class PlanShift implements PlanVisitor
{
    public function __construct(
        private float $x,
        private float $y,
    ) {
    }

    public function line(PlanLine $line): PlanLine
    {
        return new PlanLine($line->layer, $this->at($line->from), $this->at($line->to), $line->width, $line->colour);
    }

    public function circle(PlanCircle $circle): PlanCircle
    {
        return new PlanCircle(
            $circle->layer, $this->at($circle->at), $circle->radius, $circle->isFilled, $circle->colour,
        );
    }

    public function path(PlanPath $path): PlanPath
    {
        return new PlanPath(
            $path->layer, array_map($this->at(...), $path->points), $path->width, $path->colour, $path->fill,
            $path->isClosed, $path->dashes,
        );
    }

    public function text(PlanText $text): PlanText
    {
        return new PlanText(
            $text->layer, $this->at($text->at), $text->text, $text->height, $text->angle, $text->anchor, $text->colour,
            $text->isBold, $text->width,
        );
    }

    public function image(PlanImage $image): PlanImage
    {
        return new PlanImage($image->layer, $this->at($image->at), $image->width, $image->height, $image->jpeg);
    }

    /**
     * @param  array{float, float}  $point
     * @return array{float, float}
     */
    private function at(array $point): array
    {
        return [$point[0] + $this->x, $point[1] + $this->y];
    }
}
