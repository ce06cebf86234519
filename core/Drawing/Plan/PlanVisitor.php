<?php

declare(strict_types=1);

namespace Bowline\Drawing\Plan;

/**
 * What is done with a shape of a drawing by its kind.
 *
 * @template Answer
 */
interface PlanVisitor
{
    /** @return Answer */
    public function line(PlanLine $line): mixed;

    /** @return Answer */
    public function circle(PlanCircle $circle): mixed;

    /** @return Answer */
    public function path(PlanPath $path): mixed;

    /** @return Answer */
    public function text(PlanText $text): mixed;

    /** @return Answer */
    public function image(PlanImage $image): mixed;
}
