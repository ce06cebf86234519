<?php

declare(strict_types=1);

namespace Bowline\Routing\Flexible;

use Bowline\Geometry\Path;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Run;
use Bowline\Routing\Shortage;

/**
 * The length of a hanging or draped line, given as a length or as slack over the straight between its ends, and the
 * clamps it passes.
 */
final readonly class GivenLength
{
    /**
     * @param  float|null  $length  mm; null when the slack is given
     * @param  float  $slack  how much longer than the straight distance, as a part of it
     */
    private function __construct(
        private ?float $length,
        private float $slack,
        public Gates $gates,
    ) {
    }

    /** @throws JobError */
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
            Gates::read($node, $site, false),
        );
    }

    /** Returns the length, mm. */
    public function of(Run $run): float
    {
        return $this->length ?? $this->distance($run) * (1.0 + $this->slack);
    }

    /** Returns the same with the length fixed in mm, however it was given. */
    public function asCut(Run $run): self
    {
        return new self($this->of($run), 0.0, $this->gates);
    }

    /** Returns the straight distance between the ends of a run, through the clamps, mm. */
    public function distance(Run $run): float
    {
        return $this->gates->distance($run);
    }

    /** Returns by how much it does not reach; null when it does. */
    public function shortage(Run $run): ?Shortage
    {
        return $this->gates->shortage($run, $this->of($run));
    }

    /**
     * Returns each span between two clamps as a run of its own, with its length.
     *
     * @return non-empty-list<array{Run, float}>
     */
    public function spans(Run $run): array
    {
        return $this->gates->spans($run, $this->of($run));
    }

    /**
     * Lays each span between two clamps as a run of its own.
     *
     * @param  callable(Run, self): Path  $lay  lays a span with its given length
     */
    public function lay(Run $run, callable $lay): LaidRun
    {
        return $this->gates->lay(
            $run,
            $this->of($run),
            static fn (Run $span, float $length): Path => $lay($span, new self($length, 0.0, Gates::none(false))),
        );
    }
}
