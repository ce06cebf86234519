<?php

declare(strict_types=1);

namespace Bowline\Drawing\Plan;

/** A shape of a drawing. */
interface PlanShape
{
    /**
     * @template Answer
     *
     * @param  PlanVisitor<Answer>  $visitor
     * @return Answer
     */
    public function accept(PlanVisitor $visitor): mixed;
}
