<?php

declare(strict_types=1);

namespace Bowline\Body\Cut;

use Bowline\Body\Boundary\Face;

/** A short way of a plane through a face. */
final readonly class CutSegment
{
    public function __construct(
        public Face $face,
        public CutNode $from,
        public CutNode $to,
    ) {
    }

    public function reversed(): self
    {
        return new self($this->face, $this->to, $this->from);
    }
}
