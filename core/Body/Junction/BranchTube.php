<?php

declare(strict_types=1);

namespace Bowline\Body\Junction;

use Bowline\Body\EndBodies;
use Bowline\Body\EndBody;
use Bowline\Body\Stretch;
use Bowline\Body\Stretches;
use Bowline\Job\Branch;
use Bowline\Job\JobError;
use Bowline\Job\RunEnd;
use Bowline\Job\Section;
use Bowline\Routing\LaidRun;

/** A branch of a body of several runs, from the host outwards. */
final readonly class BranchTube
{
    /**
     * @param  non-empty-list<Stretch>  $stretches  from the centreline of the host
     * @param  PlacedSaddle  $outside  of its outside on that of the host
     * @param  PlacedSaddle|null  $bore  of its bore on that of the host; null where it is solid
     * @param  EndBody  $end  at its far end
     */
    private function __construct(
        public LaidRun $laid,
        public Section $section,
        public array $stretches,
        public PlacedSaddle $outside,
        public ?PlacedSaddle $bore,
        public EndBody $end,
    ) {
    }

    /**
     * @param  string  $pointer  of the body in the job
     *
     * @throws JobError where it cannot stand on its host
     */
    public static function of(LaidRun $laid, Section $host, string $pointer): self
    {
        $run = $laid->run;
        $isFrom = $run->from->branch !== null;
        [$near, $far] = $isFrom ? [$run->from, $run->to] : [$run->to, $run->from];
        $section = $run->stock->section;
        $path = $isFrom ? $laid->path : $laid->path->reversed();
        $stretches = Stretches::along($path, $run->section, $section->outsideDiameter / 2);
        $refuse = static fn (string $why): JobError => JobError::at($pointer, sprintf('%s %s', $run->name, $why));
        $branch = $near->branch;
        if ($branch === null || $near->axis === null || $stretches === []) {
            throw $refuse('does not stand on another run');
        }
        $outside = self::foot($near, $branch, $host->outsideDiameter, $section->outsideDiameter);
        $bore = $section->isSolid()
            ? null
            : self::foot($near, $branch, $host->insideDiameter(), $section->insideDiameter());
        if ($outside === null || ($bore === null && ! $section->isSolid())) {
            throw $refuse(sprintf('is wider than %s, or goes along it', $branch->name));
        }
        $straight = ($stretches[0]->straight ?? 0.0) - $outside->saddle->highest();
        if ($straight <= 0.0) {
            throw $refuse(sprintf('bends before it is clear of %s', $branch->name));
        }
        $last = count($stretches) - 1;

        return new self(
            $laid, $section, $stretches, $outside, $bore,
            EndBodies::of($far->end, $section, $last === 0 ? $straight / 2 : EndBodies::room($stretches, $last)),
        );
    }

    /** @return array{float, float} what its outside and its bore cover of the host, from where the axes meet, mm */
    public function span(): array
    {
        $spans = array_map(static fn (PlacedSaddle $foot): array => $foot->saddle->span(), $this->feet());

        return [min(array_column($spans, 0)), max(array_column($spans, 1))];
    }

    /** @return non-empty-list<float> of its outside and of its bore, radians round the host */
    public function halfAngles(): array
    {
        return array_map(static fn (PlacedSaddle $foot): float => $foot->saddle->halfAngle(), $this->feet());
    }

    /** @return non-empty-list<PlacedSaddle> of its outside and of its bore, where it has one */
    private function feet(): array
    {
        return $this->bore === null ? [$this->outside] : [$this->outside, $this->bore];
    }

    private static function foot(RunEnd $end, Branch $branch, float $hostDiameter, float $diameter): ?PlacedSaddle
    {
        return $end->axis === null || $diameter > $hostDiameter
            || $end->axis->cross($branch->along)->length() < PlacedSaddle::LEAST_SINE
            ? null
            : PlacedSaddle::of($branch->at, $branch->along, $end->axis, $hostDiameter / 2, $diameter / 2);
    }
}
