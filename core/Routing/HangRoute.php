<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Curve;
use Bowline\Geometry\Path;
use Bowline\Geometry\Vector;
use Bowline\Job\Node;
use Bowline\Job\Run;
use Bowline\Job\Site;
use Bowline\Routing\Flexible\Catenary;

/** `hang`: a uniform flexible line between the two ends under gravity; axes and leads are ignored. */
final readonly class HangRoute implements FlexibleRoute
{
    /**
     * @param  float|null  $length  mm; null when the slack is given
     * @param  float  $slack  how much longer than the straight distance, as a part of it
     * @param  Vector  $up  unit
     */
    private function __construct(
        private ?float $length,
        private float $slack,
        public Vector $up,
    ) {
    }

    public static function read(Node $node, Site $site): self
    {
        $length = $node->find('length');
        $slack = $node->find('slack');
        if ($length !== null && $slack !== null) {
            throw $node->error('a hanging run has a length or a slack, not both');
        }

        return new self(
            $slack !== null ? null : $site->values->positive($length ?? $node->get('length'), 'the length'),
            $slack === null ? 0.0 : $site->values->notNegative($slack, 'the slack'),
            $site->up,
        );
    }

    public function stopCount(): int
    {
        return 0;
    }

    public function ownEnds(): ?array
    {
        return null;
    }

    public function lay(Run $run): LaidRun
    {
        [$from, $to] = [$run->from->at, $run->to->at];
        $catenary = $this->catenary($run);

        return LaidRun::curve($run, new Path([$catenary->curve ?? Curve::straight($from, $to)]));
    }

    /** Null when it is too short to hang. */
    public function catenary(Run $run): ?Catenary
    {
        $length = $this->wanted($run);

        return $length <= $run->from->at->distanceTo($run->to->at) + 1e-9 ? null : Catenary::between($run->from->at, $run->to->at, $this->up, $length);
    }

    public function shortage(LaidRun $laid): ?array
    {
        $distance = $laid->run->from->at->distanceTo($laid->run->to->at);
        $length = $this->wanted($laid->run);

        return $length <= $distance + 1e-9 ? [$length, $distance] : null;
    }

    private function wanted(Run $run): float
    {
        return $this->length ?? $run->from->at->distanceTo($run->to->at) * (1.0 + $this->slack);
    }
}
