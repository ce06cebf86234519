<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Curve;
use Bowline\Geometry\Path;
use Bowline\Geometry\Vector;
use Bowline\Job\Node;
use Bowline\Job\Run;
use Bowline\Job\Site;
use Bowline\Routing\Flexible\Bodies;
use Bowline\Routing\Flexible\Draping;
use Bowline\Routing\Flexible\GivenLength;
use Bowline\Routing\Flexible\Spline;

/** `drape`: a line let down between its two ends, which lies on the surroundings it meets; or as it was kept. */
final readonly class DrapeRoute implements FlexibleRoute
{
    /** Longer than it should be by more than this part, it is stretched over what it lies on. */
    private const STRETCHED = 1e-3;

    /** @param  list<Vector>  $kept  points of the shape it has been kept in; none when it lies as it falls */
    private function __construct(
        private GivenLength $length,
        public array $kept,
        private Vector $up,
        private Bodies $bodies,
    ) {
    }

    public static function read(Node $node, Site $site): self
    {
        $kept = array_map($site->values->vector(...), $node->list('kept'));
        if (count($kept) === 1) {
            throw $node->get('kept')->error('a kept shape has two points at least');
        }

        return new self(GivenLength::read($node, $site), $kept, $site->up, new Bodies($kept === [] ? $site->surroundings : []));
    }

    public function stopCount(): int
    {
        return 0;
    }

    public function ownEnds(): ?array
    {
        return null;
    }

    public function asCut(Run $run): self
    {
        return new self($this->length->asCut($run), $this->kept, $this->up, $this->bodies);
    }

    public function span(Run $run): array
    {
        return [GivenLength::distance($run), $this->length->of($run)];
    }

    public function lay(Run $run): LaidRun
    {
        [$from, $to] = [$run->from->at, $run->to->at];
        $curve = match (true) {
            $this->kept !== [] => Spline::through($this->kept, null, null),
            $this->length->isShort($run) => Curve::straight($from, $to),
            default => Draping::between($from, $to, $this->up, $this->length->of($run), $run->stock->section->outsideDiameter / 2, $run->stock->bend->leastRadius, $run->stock->bendingLength(), $this->bodies),
        };

        return LaidRun::curve($run, new Path([$curve]));
    }

    public function shortage(LaidRun $laid): ?array
    {
        $length = $this->length->of($laid->run);
        if ($this->kept !== []) {
            return null;
        }
        $spanned = $this->length->isShort($laid->run) ? GivenLength::distance($laid->run) : $laid->length();

        return $spanned >= $length * (1.0 + self::STRETCHED) || $this->length->isShort($laid->run) ? [$length, $spanned] : null;
    }
}
