<?php

declare(strict_types=1);

namespace App\Revisions;

use App\Clearance\KeptClearances;
use App\Editing\JobFiles;
use App\Editing\KeptSolutions;
use App\Harness\RememberedPackings;
use App\Harness\SolvedHarnesses;
use App\Models\ClearanceWork;
use App\Models\Job;
use App\Models\Remark;
use Bowline\Exchange\JobBodies;
use Bowline\Job as CoreJob;
use Bowline\Job\Node;

/**
 * What keeps a job from being issued: violations that are neither cured nor waived, runs that are not worked out,
 * remarks that are not settled.
 */
final readonly class OpenPoints
{
    public function __construct(
        private JobFiles $files,
        private KeptSolutions $solutions,
        private RememberedPackings $packings,
        private KeptClearances $clearances,
    ) {
    }

    /** @return list<array{list: string|null, id: string|null, words: string}> each with the item that it is about */
    public function of(Job $job): array
    {
        $core = CoreJob::read($this->files->file($job));

        return [
            ...$this->ofRuns($job, $core), ...self::ofBodies($core), ...$this->ofHarnesses($job, $core),
            ...$this->ofClearances($job), ...self::ofRemarks($job),
        ];
    }

    /** @return list<array{list: string|null, id: string|null, words: string}> */
    private function ofRuns(Job $job, CoreJob $core): array
    {
        $points = [];
        foreach ($this->solutions->of($job, $core) as $id => $kept) {
            [$name, $id] = [$core->runs[$id]->name, $core->runs[$id]->id];
            if (! $kept->isWorkedOut) {
                $points[] = self::point('runs', $id, $name.' is not worked out yet');

                continue;
            }
            foreach ((new Node($kept->decoded()))->list('findings') as $finding) {
                $isOpen = $finding->get('severity')->value === 'violation' && $finding->find('waived')?->value === null;
                if ($isOpen) {
                    $points[] = self::point('runs', $id, $name.': '.$finding->get('title')->text());
                }
            }
        }

        return $points;
    }

    /** @return list<array{list: string|null, id: string|null, words: string}> */
    private static function ofBodies(CoreJob $core): array
    {
        $points = [];
        foreach (JobBodies::faults($core) as $body) {
            if ($body['fault'] !== null) {
                $points[] = self::point(null, null, sprintf('%s: %s', $body['id'], $body['fault']));
            }
        }

        return $points;
    }

    /** @return list<array{list: string|null, id: string|null, words: string}> */
    private function ofHarnesses(Job $job, CoreJob $core): array
    {
        $points = [];
        foreach (SolvedHarnesses::of($job, $core, $this->packings) as $harness) {
            foreach ($harness->findings as $finding) {
                if ($finding->counts()) {
                    $points[] = self::point('harnesses', $harness->laid->harness->id, $finding->title);
                }
            }
        }

        return $points;
    }

    /** @return list<array{list: string|null, id: string|null, words: string}> */
    private function ofClearances(Job $job): array
    {
        $found = $this->clearances->of($job);
        if ($found instanceof ClearanceWork) {
            return [self::point(null, null, in_array($found->state, ClearanceWork::UNDER_WAY, true)
                ? 'What is too near to each other is still being looked at'
                : 'What is too near to each other has not been looked at; have it looked at under Check')];
        }
        $points = [];
        // Kept ones are arrays as they were read from JSON.
        foreach ((new Node(json_decode(json_encode($found, JSON_THROW_ON_ERROR))))->items() as $one) {
            if ($one->get('severity')->value === 'violation') {
                $points[] = self::point(
                    $one->get('a')->get('list')->text(), $one->get('a')->get('id')->text(), $one->get('title')->text(),
                );
            }
        }

        return $points;
    }

    /** @return list<array{list: string|null, id: string|null, words: string}> */
    private static function ofRemarks(Job $job): array
    {
        $points = [];
        foreach (Remark::query()->where('job_id', $job->id)->whereNull('resolved_at')->orderBy('id')->get() as $one) {
            $points[] = self::point($one->list, $one->key, 'Remark not settled: '.$one->words);
        }

        return $points;
    }

    /** @return array{list: string|null, id: string|null, words: string} */
    private static function point(?string $list, ?string $id, string $words): array
    {
        return ['list' => $list, 'id' => $id, 'words' => $words];
    }
}
