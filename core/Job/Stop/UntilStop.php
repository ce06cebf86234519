<?php

declare(strict_types=1);

namespace Bowline\Job\Stop;

use Bowline\Geometry\Vector;
use Bowline\Job\CornerRadius;
use Bowline\Job\Tie\Tie;

/** `along` with `until`: the previous vertex moved along a line until it is level with a place. */
final readonly class UntilStop implements Stop
{
    use NoClamp;

    /**
     * @param  Vector  $along  unit direction; the move may go against it
     * @param  list<Tie>  $ties
     */
    public function __construct(
        private Vector $along,
        private Vector $place,
        private ?CornerRadius $corner,
        private array $ties,
    ) {
    }

    public function vertices(Vector $last): array
    {
        return [$last->plus($this->along->times($this->place->minus($last)->dot($this->along)))];
    }

    public function corner(): ?CornerRadius
    {
        return $this->corner;
    }

    public function ties(): array
    {
        return $this->ties;
    }
}
