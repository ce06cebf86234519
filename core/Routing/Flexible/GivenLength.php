<?php

declare(strict_types=1);

namespace Bowline\Routing\Flexible;

use Bowline\Job\Node;
use Bowline\Job\Run;
use Bowline\Job\Site;

/** How long a hanging or draped line is: told by its length, or by its slack over the straight between its ends. */
final readonly class GivenLength
{
    /**
     * @param  float|null  $length  mm; null when the slack is given
     * @param  float  $slack  how much longer than the straight distance, as a part of it
     */
    private function __construct(
        private ?float $length,
        private float $slack,
    ) {
    }

    public static function read(Node $node, Site $site): self
    {
        $length = $node->find('length');
        $slack = $node->find('slack');
        if ($length !== null && $slack !== null) {
            throw $node->error('such a run has a length or a slack, not both');
        }

        return new self(
            $slack !== null ? null : $site->values->positive($length ?? $node->get('length'), 'the length'),
            $slack === null ? 0.0 : $site->values->notNegative($slack, 'the slack'),
        );
    }

    /** In mm. */
    public function of(Run $run): float
    {
        return $this->length ?? self::distance($run) * (1.0 + $this->slack);
    }

    /** By its length, whatever it was told by. */
    public function asCut(Run $run): self
    {
        return new self($this->of($run), 0.0);
    }

    /** Between the two ends of a run, mm. */
    public static function distance(Run $run): float
    {
        return $run->from->at->distanceTo($run->to->at);
    }

    public function isShort(Run $run): bool
    {
        return $this->of($run) <= self::distance($run) + 1e-9;
    }
}
