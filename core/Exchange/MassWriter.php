<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Body\Boundary\Solid;
use Bowline\Body\MassProperties;
use Bowline\Body\RunBody;
use Bowline\Job\JobError;
use Bowline\Routing\LaidRun;
use Bowline\Solving\SolvedRun;

/** Writes what the body of a run weighs and holds (job-file.md, `mass`): mm³, mm², mm and kg. */
final class MassWriter
{
    /** Millimetres cubed of a cubic metre. */
    private const CUBIC_METRE = 1e9;

    /**
     * @param  string  $pointer  of the run in the job
     * @return array<string, mixed>
     *
     * @throws JobError when its body may not be written
     */
    public static function write(SolvedRun $solved, string $pointer): array
    {
        $parts = array_map(
            static fn (Part $part): MassProperties => MassProperties::of($part->solid), Parts::of($solved, $pointer),
        );
        $contents = array_sum(array_map(
            static fn (Solid $bore): float => MassProperties::of($bore)->volume,
            RunBody::of($solved->laid)->contents(),
        ));
        $id = $solved->laid->run->id;
        if ($parts === []) {
            return [
                'id' => $id, 'volume' => 0.0, 'surface' => 0.0, 'centre' => null, 'mass' => 0.0, 'contents' => 0.0,
                'spools' => [],
            ];
        }
        $facts = self::facts(MassProperties::sum($parts), $contents, $solved->laid);

        return ['id' => $id, ...$facts, 'spools' => [['mark' => $id.'-1', ...$facts]]];
    }

    /** @return array<string, mixed> */
    private static function facts(MassProperties $properties, float $contents, LaidRun $laid): array
    {
        return [
            'volume' => $properties->volume,
            'surface' => $properties->surface,
            'centre' => $properties->centre->withoutNegativeZeros(),
            'mass' => self::mass($properties, $laid),
            'contents' => $contents,
        ];
    }

    /**
     * Returns the mass in kg: the volume by the density. Where the maker gives the mass of a metre, that is taken for
     * the run and the density for what its ends add.
     */
    private static function mass(MassProperties $properties, LaidRun $laid): float
    {
        $stock = $laid->run->stock;
        $plain = $stock->section->area() * $laid->length();

        return $stock->massPerMetre * $laid->length() / 1000
            + ($properties->volume - $plain) * $stock->density / self::CUBIC_METRE;
    }
}
