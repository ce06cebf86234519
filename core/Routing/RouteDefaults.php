<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Vector;

/** The answers of a flexible run whose length follows its shape; each kind of route overrides those that differ. */
trait RouteDefaults
{
    public function stopCount(): int
    {
        return 0;
    }

    public function ownEnds(): ?array
    {
        return null;
    }

    public function span(Run $run): ?array
    {
        return null;
    }

    public function shortage(LaidRun $laid): ?Shortage
    {
        return null;
    }

    public function asCut(Run $run): self
    {
        return $this;
    }

    public function inReach(Run $run): self
    {
        return $this;
    }

    public function sweepSteps(): ?int
    {
        return 16;
    }

    public function isLimp(): bool
    {
        return false;
    }

    public function carriesTwist(): bool
    {
        return true;
    }

    public function goesThroughClamps(): bool
    {
        return true;
    }

    public function windingDepth(): int
    {
        return 0;
    }

    public function gravity(): ?Vector
    {
        return null;
    }

    public function facts(Run $run, bool $isFull): ?RouteFacts
    {
        return null;
    }

    public function lengthRange(Run $run): ?array
    {
        return null;
    }

    public function corners(): ?CornersRoute
    {
        return null;
    }

    public function smooth(): ?FlowRoute
    {
        return null;
    }

    public function sprung(): ?SpringRoute
    {
        return null;
    }

    public function settling(): ?SettlingRoute
    {
        return null;
    }
}
