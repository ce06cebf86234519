<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Body\Block\ChannelCut;
use Bowline\Body\Boundary\Solid;
use Bowline\Body\Junction\RoundedBody;
use Bowline\Body\MassProperties;
use Bowline\Body\RunBody;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\JoinedBody;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Run;
use Bowline\Routing\Spool;
use Bowline\Solving\SolvedRun;
use Bowline\Space\Progress;
use Generator;

/**
 * Writes what the body of a run weighs and holds (job-file.md, `mass`): mm³, mm², mm and kg.
 *
 * @phpstan-type Facts array{volume: float, surface: float, centre: list<float>|null, mass: float, contents: float}
 */
final class MassWriter
{
    /** Millimetres cubed of a cubic metre. */
    private const CUBIC_METRE = 1e9;

    /** Chord with which a body is weighed whose surface is found, mm. */
    public const FINE = 0.4;

    /** The same of a block whose channels are open to each other, as a part of their radius. */
    private const CHANNEL_CHORD = 0.02;

    /**
     * @param  string  $pointer  of the run in the job
     * @return array{
     *     id: string, volume: float, surface: float, centre: list<float>|null, mass: float, contents: float,
     *     spools: list<array<string, mixed>>,
     * }
     *
     * @throws JobError when its body may not be written
     */
    public static function write(SolvedRun $solved, string $pointer): array
    {
        $id = $solved->laid->run->id;
        if ($solved->laid->run->channel !== null) {
            return [
                'id' => $id, 'volume' => 0.0, 'surface' => 0.0, 'centre' => null, 'mass' => 0.0,
                'contents' => BlockBodies::space($solved->laid, $pointer), 'spools' => [],
            ];
        }
        $parts = Parts::of($solved, $pointer);
        $spools = $properties = [];
        foreach (Spool::all($solved->laid) as $number => $spool) {
            if (isset($parts[$number])) {
                $properties[] = $own = MassProperties::of($parts[$number]->solid);
                $spools[] = ['mark' => $spool->mark, ...self::facts($own, self::held($spool->laid), $spool->laid)];
            }
        }
        if ($properties === []) {
            return [
                'id' => $id, 'volume' => 0.0, 'surface' => 0.0, 'centre' => null, 'mass' => 0.0, 'contents' => 0.0,
                'spools' => [],
            ];
        }
        $whole = MassProperties::sum($properties);

        return [
            'id' => $id,
            'volume' => $whole->volume,
            'surface' => $whole->surface,
            'centre' => $whole->centre->withoutNegativeZeros(),
            'mass' => array_sum(array_column($spools, 'mass')),
            'contents' => array_sum(array_column($spools, 'contents')),
            'spools' => $spools,
        ];
    }

    /**
     * Returns what a body of several runs weighs and holds; its density is that of its first run.
     *
     * @return array{
     *     id: string, runs: list<string>, exact: bool, volume: float, surface: float, centre: list<float>, mass: float,
     *     contents: float,
     * }
     *
     * @throws JobError where its runs cannot be one body
     */
    public static function body(Job $job, JoinedBody $body, Progress $progress = new Progress): array
    {
        $made = JoinedBodies::made($job, $body);
        [$properties, $contents] = $made instanceof RoundedBody
            ? self::found($made, $progress)
            : [MassProperties::of($made->solid()), self::volumeOf($made->contents())];

        return [
            'id' => $body->id,
            'runs' => $body->runs,
            'exact' => ! $made instanceof RoundedBody,
            'volume' => $properties->volume,
            'surface' => $properties->surface,
            'centre' => $properties->centre->withoutNegativeZeros(),
            'mass' => $properties->volume * $job->runs[$body->runs[0]]->stock->density / self::CUBIC_METRE,
            'contents' => $contents ?? 0.0,
        ];
    }

    /** @return array{MassProperties, float|null} of a body whose surface is found, and the volume of its bores, mm³ */
    private static function found(RoundedBody $body, Progress $progress): array
    {
        $found = $contents = [];
        foreach ([self::FINE, self::FINE / 2] as $i => $chord) {
            $share = $progress->share($i, 2);
            $found[] = MassProperties::ofMesh($body->mesh($chord, $share->share(0, 2)));
            $contents[] = $body->contents($chord, $share->share(1, 2))?->smoothVolume();
        }

        return [
            MassProperties::between($found[0], $found[1]),
            $contents[0] === null || $contents[1] === null ? null : 2 * $contents[1] - $contents[0],
        ];
    }

    /**
     * Returns what a block weighs without its channels, and what these hold; its density is its own, or that of the
     * stock of its first channel.
     *
     * @param  non-empty-list<Run>  $channels  of one block
     * @return array{
     *     id: string, runs: list<string>, exact: bool, volume: float, surface: float, centre: list<float>, mass: float,
     *     contents: float,
     * }
     *
     * @throws JobError where it cannot be made
     */
    public static function block(Job $job, array $channels, Progress $progress = new Progress): array
    {
        $made = BlockBodies::made($job, $channels);
        $properties = $made->isExact()
            ? MassProperties::of($made->solid())
            : MassProperties::ofMesh($made->mesh(self::CHANNEL_CHORD * $made->leastReach(), $progress));

        return [
            'id' => $made->block->id,
            'runs' => array_map(static fn (Run $run): string => $run->id, $channels),
            'exact' => $made->isExact(),
            'volume' => $properties->volume,
            'surface' => $properties->surface,
            'centre' => $properties->centre->withoutNegativeZeros(),
            'mass' => $properties->volume * ($made->block->density ?? $channels[0]->stock->density) / self::CUBIC_METRE,
            'contents' => $made->isExact() && ! $made->hasGrooves()
                ? array_sum(array_map(
                    static fn (ChannelCut $cut): float => MassProperties::of($cut->space())->volume, $made->cuts,
                ))
                : $made->wholeVolume() - $properties->volume,
        ];
    }

    private static function volumeOf(?Solid $solid): ?float
    {
        return $solid === null ? null : MassProperties::of($solid)->volume;
    }

    /** Returns what the bores of a run hold, mm³. */
    private static function held(LaidRun $laid): float
    {
        return array_sum(array_map(
            static fn (Solid $bore): float => MassProperties::of($bore)->volume, RunBody::of($laid)->contents(),
        ));
    }

    /**
     * Returns the sums over runs, and the centre of gravity of them all, which weighs each by its mass.
     *
     * @param  iterable<string, SolvedRun>  $runs  by the pointer of each in the job
     * @param  list<Facts>  $bodies  of several runs, which are not among these
     * @return Facts
     *
     * @throws JobError when the body of one of them may not be written
     */
    public static function total(iterable $runs, array $bodies = []): array
    {
        $volume = $surface = $mass = $contents = 0.0;
        $moment = Vector::zero();
        $all = (static function () use ($runs, $bodies): Generator {
            foreach ($runs as $pointer => $solved) {
                yield self::write($solved, $pointer);
            }
            yield from $bodies;
        })();
        foreach ($all as $facts) {
            if ($facts['centre'] === null) {
                continue;
            }
            $volume += $facts['volume'];
            $surface += $facts['surface'];
            $mass += $facts['mass'];
            $contents += $facts['contents'];
            $moment = $moment->plus((new Vector(...$facts['centre']))->times($facts['mass']));
        }

        return [
            'volume' => $volume,
            'surface' => $surface,
            'centre' => $mass > 0.0 ? $moment->times(1.0 / $mass)->withoutNegativeZeros() : null,
            'mass' => $mass,
            'contents' => $contents,
        ];
    }

    /** @return Facts */
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
