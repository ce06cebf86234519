<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Editing\KeptSolution;
use App\Models\Job;
use App\Models\Revision;
use Bowline\Bending\Benders;
use Bowline\Exchange\HarnessWriter;
use Bowline\Exchange\JobBodies;
use Bowline\Exchange\PlaceWriter;
use Bowline\Exchange\SectionWriter;
use Bowline\Exchange\SolutionWriter;
use Bowline\Geometry\Tolerance;
use Bowline\Job\AllowedSpacing;
use Bowline\Job as CoreJob;
use Bowline\Job\Service;
use Bowline\Job\Stock;
use Bowline\Proposals\Defaults;
use Bowline\Solving\SolvedHarness;
use Illuminate\Http\Request;
use stdClass;

/** The whole state of a job (schema/api.json, `jobState`). */
final class JobResource extends StateResource
{
    /**
     * @param  stdClass  $file  the job file
     * @param  CoreJob  $core  the same, read
     * @param  array<string, KeptSolution>  $solutions  of all its runs, by id
     * @param  list<SolvedHarness>  $harnesses
     */
    public function __construct(
        Job $job,
        private readonly stdClass $file,
        private readonly CoreJob $core,
        private readonly array $solutions,
        private readonly array $harnesses,
    ) {
        parent::__construct($job, $solutions);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $file = clone $this->file;
        // Windows request triangles separately.
        unset($file->meshes);

        return [
            'id' => $this->resource->id,
            ...parent::toArray($request),
            // Includes undone steps, in order.
            'steps' => StepResource::collection(
                $this->resource->steps()->orderBy('number')->get(StepResource::COLUMNS),
            )->resolve($request),
            'job' => $file,
            'values' => (object) $this->core->site->values->all(),
            'places' => PlaceWriter::write($this->core->site),
            'sets' => $this->sets(),
            'bodies' => JobBodies::faults($this->core),
            'harnesses' => array_map(HarnessWriter::write(...), $this->harnesses),
            'harnesses_at' => $this->resource->revision,
            'frozen' => $this->frozen(),
            'benders' => ['own' => Benders::said($this->core), 'new' => Benders::SHIPPED[0]],
            'services' => Service::said($this->core->source),
            'stocks' => (object) array_map(self::stock(...), $this->core->site->stock),
            'keep_outs' => PlaceWriter::keepOuts($this->core->guides),
            'defaults' => Defaults::all(),
            'limits' => ['reversal' => round(rad2deg(Tolerance::REVERSAL), 6)],
        ];
    }

    /** @return array<string, mixed>|null the revision that it is, where it is one */
    private function frozen(): ?array
    {
        $revision = $this->resource->is_frozen
            ? Revision::query()->where('frozen_id', $this->resource->id)->first()
            : null;

        return $revision === null ? null : [
            'job' => $revision->job_id, 'number' => $revision->number, 'name' => $revision->name,
            'by' => $revision->issued_by, 'issued_at' => $revision->issued_at?->toIso8601String(),
        ];
    }

    /** @return array<string, mixed> what follows of a stock from what is said of it, lengths in mm */
    private static function stock(Stock $stock): array
    {
        $spacing = AllowedSpacing::of($stock);

        return [
            'moving_radius' => $stock->movingRadius,
            'mass' => $stock->massPerMetre,
            'hollow_wall' => Defaults::wall($stock->section),
            'bore' => $stock->section->isSolid() || ! $stock->section->isRound
                ? null
                : $stock->section->insideDiameter(),
            'od' => $stock->section->outsideDiameter,
            'groove_depth' => Defaults::grooveDepth($stock->section),
            'area' => $stock->section->area(),
            'support_spacing' => $spacing?->distance,
            'support_source' => $spacing?->source,
            ...SectionWriter::write($stock->section),
        ];
    }

    /** @return list<array<string, mixed>> */
    private function sets(): array
    {
        $waiting = array_keys(
            array_filter($this->solutions, static fn (KeptSolution $one): bool => ! $one->isWorkedOut),
        );

        return SolutionWriter::sets(
            $this->core,
            array_map(static fn (KeptSolution $one): float => $one->length, $this->solutions),
            array_map(strval(...), $waiting),
        );
    }
}
