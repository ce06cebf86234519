<?php

declare(strict_types=1);

namespace Bowline\Proposals;

use Bowline\Editing\Edit\InsertCorner;
use Bowline\Editing\Edit\ThroughClamp;
use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Job;
use Bowline\Job\FileValue;
use Bowline\Job\Node;
use Bowline\Job\Surrounding;
use Bowline\Routing\LaidRun;
use Bowline\Routing\RouteBook;
use Bowline\Routing\Run;
use Bowline\Routing\SupportSpans;
use stdClass;

/** Clamps where a run is supported too seldom: each on what it can stand on, and the run led through it as it lies. */
final readonly class Supports
{
    /** A length that begins no farther than this from where it was told is that, mm: as exact as numbers are sent. */
    private const SAME_PLACE = 0.01;

    /**
     * @param  list<stdClass>  $clamps  in the shape of the file
     * @param  stdClass  $run  led through them
     * @param  list<string>  $words  where each goes, and what it stands on
     */
    private function __construct(
        public array $clamps,
        public stdClass $run,
        public array $words,
    ) {
    }

    /**
     * Returns clamps for a length of a run that is supported too seldom.
     *
     * @param  float|null  $begins  where that begins, developed length in mm; null for all that are
     *
     * @throws EditError where there is no place for a clamp, or none is needed
     */
    public static function of(Job $job, Run $run, ?float $begins = null): self
    {
        $laid = $run->route->lay($run);
        $clamps = $words = [];
        $source = $run->source;
        foreach (SupportSpans::tooLong($laid) as [$from, $to, $allowed]) {
            if ($begins !== null && abs($from - $begins) > self::SAME_PLACE) {
                continue;
            }
            $od = $laid->stockAlong(($from + $to) / 2)->section->outsideDiameter;
            $places = (new SupportPlaces($laid, $job->site->surroundings, NewItem::clampWidth($od)))->between(
                $from, $to, $allowed->distance,
            );
            if ($places === []) {
                throw new EditError(sprintf(
                    'There is no straight for clamps between %s and %s that keeps them near enough.',
                    $run->units->say($from), $run->units->say($to),
                ));
            }
            foreach ($places as [$along, $host]) {
                $clamp = self::clamp($job, $clamps, $laid, $along, $host);
                $clamps[] = $clamp;
                $words[] = sprintf('At %s, %s', $run->units->say($along), $host === null
                    ? 'on nothing yet'
                    : sprintf('%s off %s', $run->units->say($host[2]), $host[0]->name));
                $source = self::through($job, $clamps, $source, $along);
            }
        }

        return $clamps === []
            ? throw new EditError(sprintf('%s is supported often enough.', $run->name))
            : new self($clamps, $source, $words);
    }

    /** @return list<array{list: 'runs'|'clamps', id: string, item: stdClass}> edits of the job, in one step */
    public function edits(): array
    {
        $id = static fn (stdClass $item): string => (new Node($item))->get('id')->text();

        return [
            ...array_map(static fn (stdClass $clamp): array => [
                'list' => 'clamps', 'id' => $id($clamp), 'item' => $clamp,
            ], $this->clamps),
            ['list' => 'runs', 'id' => $id($this->run), 'item' => $this->run],
        ];
    }

    /**
     * @param  list<stdClass>  $new  that come before it
     * @param  array{Surrounding, string, float}|null  $host
     */
    private static function clamp(Job $job, array $new, LaidRun $laid, float $along, ?array $host): stdClass
    {
        $clamp = (new NewItem(self::fileWith($job, $new)))->clampAt(
            $laid->path->pointAt($along), $laid->path->directionAt($along), $laid->stockAlong($along),
        );
        if ($host !== null) {
            [$thing, $face, $off] = $host;
            $own = $thing->pose->ownDirection($laid->path->directionAt($along));
            $clamp->at = FileValue::vector($thing->pose->ownPoint($laid->path->pointAt($along)));
            $clamp->axis = $own->axisName() ?? FileValue::vector($own);
            $clamp->on = $thing->id;
            $clamp->face = $face;
            $clamp->stand_off = FileValue::roundForFile($off);
        }

        return $clamp;
    }

    /**
     * Returns the run led through the last of some clamps, which is on it.
     *
     * @param  list<stdClass>  $clamps
     *
     * @throws EditError
     */
    private static function through(Job $job, array $clamps, stdClass $source, float $along): stdClass
    {
        $site = RouteBook::site(new Node(self::fileWith($job, $clamps)));
        $run = Run::read(new Node($source), $site);
        $laid = $run->route->lay($run);
        $clamp = $site->clamps[(new Node($clamps[count($clamps) - 1]))->get('id')->text()];
        $draft = RunDraft::of($laid);
        if ($run->route->corners() === null) {
            return $draft->apply(new ThroughClamp(null, $clamp))->run();
        }
        $vertex = $laid->vertexBehind($along) ?? throw new EditError('There is no straight for a clamp.');
        $draft->apply(new InsertCorner($vertex, $clamp->at));
        $index = $laid->vertices[$vertex]->stop ?? $draft->stops->count() - 1;
        $draft->stops->leadThrough($index, $clamp->id, $clamp->at, $clamp->axis, $clamp->width / 2);

        return $draft->run();
    }

    /** @param  list<stdClass>  $clamps */
    private static function fileWith(Job $job, array $clamps): stdClass
    {
        $file = clone $job->source;
        $told = array_map(static fn (Node $one): stdClass => $one->object(), (new Node($job->source))->list('clamps'));
        $file->clamps = [...$told, ...$clamps];

        return $file;
    }
}
