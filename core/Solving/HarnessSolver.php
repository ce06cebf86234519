<?php

declare(strict_types=1);

namespace Bowline\Solving;

use Bowline\Harness\Bundles;
use Bowline\Harness\BundleSpan;
use Bowline\Harness\FoundMovements;
use Bowline\Harness\FoundPackings;
use Bowline\Harness\LaidHarness;
use Bowline\Harness\Movements;
use Bowline\Harness\Packings;
use Bowline\Job;
use Bowline\Job\Harness\Harness;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\WaivedFinding;
use Bowline\Routing\LaidRun;
use Bowline\Rules\Harness\HarnessFinding;
use Bowline\Rules\Harness\HarnessRule;
use Bowline\Rules\Harness\HarnessRules;
use Bowline\Rules\Remedy;
use stdClass;

/** Solves the harnesses of a job: ways and lengths of wires, bundles, and what is found, with tried remedies. */
final readonly class HarnessSolver
{
    /** Most findings for which remedies are tried. */
    private const MOST_CURED = 24;

    private Bundles $bundles;

    public function __construct(
        private Job $job,
        private Packings $packings = new FoundPackings,
        private Movements $movements = new FoundMovements,
    ) {
        $this->bundles = new Bundles($packings);
    }

    /** @return list<SolvedHarness> without remedies */
    public function all(): array
    {
        return array_map($this->solved(...), array_values($this->job->harnesses));
    }

    /** Returns the harness without remedies of what is found, each of which takes as long to try as to solve anew. */
    public function solved(Harness $harness): SolvedHarness
    {
        $laid = LaidHarness::of($harness, self::trunks($this->job, $harness));
        $bundles = $this->bundles->of($laid);

        return new SolvedHarness(
            $laid, $bundles, $this->findings($laid, $bundles), $this->packings->areFound(),
        );
    }

    /** Returns the ways of the wires of a harness and what is found of those, in a quarter of the time. */
    public function wires(Harness $harness): SolvedHarness
    {
        $laid = LaidHarness::of($harness, self::trunks($this->job, $harness));

        return new SolvedHarness($laid, [], $this->found(HarnessRules::ofWires(), $laid, []));
    }

    /** Returns a solved harness with the remedies of its first findings. */
    public function cured(SolvedHarness $solved): SolvedHarness
    {
        $cured = [];
        foreach ($solved->findings as $i => $finding) {
            $cured[] = $i < self::MOST_CURED
                ? $finding->withRemedies($this->remedies($finding, $solved->laid, $solved->findings))
                : $finding;
        }

        return new SolvedHarness($solved->laid, $solved->bundles, $cured, $solved->arePacked);
    }

    /** @return array<string, LaidRun> by id */
    private static function trunks(Job $job, Harness $harness): array
    {
        $trunks = [];
        foreach ($harness->trunks as $id) {
            $run = $job->runs[$id];
            $trunks[$id] = $run->route->lay($run);
        }

        return $trunks;
    }

    /**
     * @param  array<string, list<BundleSpan>>  $bundles
     * @return list<HarnessFinding> violations that are not waived first
     */
    private function findings(LaidHarness $laid, array $bundles): array
    {
        return $this->found(HarnessRules::all($this->movements), $laid, $bundles);
    }

    /**
     * @param  array<string, HarnessRule>  $rules
     * @param  array<string, list<BundleSpan>>  $bundles
     * @return list<HarnessFinding> violations that are not waived first
     */
    private function found(array $rules, LaidHarness $laid, array $bundles): array
    {
        $findings = [];
        foreach ($rules as $rule) {
            array_push($findings, ...$rule->check($laid, $bundles, $this->job->site->units));
        }
        $findings = array_map(static fn (HarnessFinding $one): HarnessFinding => $one->waivedFor(
            WaivedFinding::reasonOf($laid->harness->waived, $one->rule, $one->key(), $one->off()),
        ), $findings);
        usort($findings, static fn (HarnessFinding $one, HarnessFinding $other): int => ! $one->counts()
            <=> ! $other->counts());

        return $findings;
    }

    /**
     * @param  list<HarnessFinding>  $present
     * @return list<Remedy> those by which the finding goes and no other comes
     */
    private function remedies(HarnessFinding $finding, LaidHarness $laid, array $present): array
    {
        $good = [];
        $rule = HarnessRules::all($this->movements)[$finding->rule];
        foreach ($rule->remedies($finding, $laid, $this->job->site->units, $this->job) as $remedy) {
            if ($remedy->way !== null && in_array($remedy->way, array_column($good, 'way'), true)) {
                continue;
            }
            try {
                $after = $this->findingsWith($remedy, $laid);
            } catch (JobError) {
                continue;
            }
            $left = count(array_filter($after, $finding->isAbout(...)));
            if ($left < count(array_filter($present, $finding->isAbout(...))) && count($after) < count($present)) {
                $good[] = $remedy;
            }
        }

        return $good;
    }

    /**
     * @return list<HarnessFinding> of the harness with an item of the job as a remedy has it
     *
     * @throws JobError
     */
    private function findingsWith(Remedy $remedy, LaidHarness $laid): array
    {
        $file = clone $this->job->source;
        $file->{$remedy->list} = array_map(
            static fn (Node $node): stdClass => $node->get('id')->value === $remedy->item->id
                ? $remedy->item
                : $node->object(),
            (new Node($file))->list($remedy->list),
        );
        $id = $laid->harness->id;
        if ($remedy->list === 'harnesses') {
            // No remedy of a harness changes which runs are its trunks: they are where they were, and move as they did.
            $job = $this->job->withHarnesses($file);
            $after = $laid->with($job->harnesses[$id]);
            $other = new self($job, $this->packings, $this->movements);
        } else {
            $job = Job::read($file);
            $after = LaidHarness::of($job->harnesses[$id], self::trunks($job, $job->harnesses[$id]));
            $other = new self($job, $this->packings);
        }

        return $other->findings($after, $this->bundles->of($after));
    }
}
