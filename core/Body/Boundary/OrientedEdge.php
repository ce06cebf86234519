<?php

declare(strict_types=1);

namespace Bowline\Body\Boundary;

/** An edge as a loop goes along it: with its curve, or against it. */
final readonly class OrientedEdge
{
    public function __construct(
        public Edge $edge,
        public bool $isForward,
    ) {
    }

    public function reversed(): self
    {
        return new self($this->edge, ! $this->isForward);
    }

    public function start(): Vertex
    {
        return $this->isForward ? $this->edge->start : $this->edge->end;
    }

    public function end(): Vertex
    {
        return $this->isForward ? $this->edge->end : $this->edge->start;
    }
}
