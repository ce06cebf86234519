<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Editing\OpenEnds;
use Bowline\Job;
use Bowline\Job\FileItems;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\WaivedFinding;
use Bowline\Routing\LaidRun;
use Bowline\Routing\RouteBook;
use Bowline\Routing\Run;

/** Checks a laid run against all rules, and tries every suggested remedy before it is offered. */
final readonly class Judge
{
    /** Most remedies of one finding. */
    private const MOST_REMEDIES = 4;

    /**
     * Most corners laid to try remedies for one run: a run that breaks a rule at each of hundreds of corners gets
     * remedies for the worst, and for the others once these are cured.
     */
    private const MOST_WORK = 13_000;

    private const EACH_TRY = 20;

    /** @param  array<string, Rule>  $rules */
    private function __construct(
        private Job $job,
        private array $rules,
    ) {
    }

    public static function of(Job $job): self
    {
        return new self($job, Rules::all());
    }

    /** Returns a judge with the rules that are fast enough for a drag. */
    public static function whileDragging(Job $job): self
    {
        return new self($job, Rules::whileDragging());
    }

    /** @return list<Finding> the worst first */
    public function findings(LaidRun $laid): array
    {
        $findings = [];
        foreach ($this->rules as $rule) {
            array_push($findings, ...$rule->check($laid));
        }
        $findings = array_map(static fn (Finding $one): Finding => $one->waivedFor(WaivedFinding::reasonOf(
            $laid->run->waived, $one->rule, $one->subject->key(), $one->off(),
        )), $findings);
        usort($findings, static fn (Finding $a, Finding $b): int => [! $a->counts(), $a->span[0]]
            <=> [! $b->counts(), $b->span[0]]);

        return $findings;
    }

    /** @return list<Finding> the same, each with the remedies that cure it */
    public function findingsWithRemedies(LaidRun $laid): array
    {
        $findings = $this->findings($laid);
        $left = self::MOST_WORK;

        return array_map(function (Finding $finding) use ($laid, $findings, &$left): Finding {
            return $finding->withRemedies($this->remedies($finding, $laid, $findings, $left));
        }, $findings);
    }

    /**
     * @param  list<Finding>  $present
     * @param  int  $left  corners that may still be laid for trying, of all findings together
     * @return list<Remedy>
     */
    private function remedies(Finding $finding, LaidRun $laid, array $present, int &$left): array
    {
        $good = [];
        $tried = [];
        if ($left <= 0) {
            return [];
        }
        foreach ($this->rules[$finding->rule]->remedies($finding, $laid) as $remedy) {
            $key = json_encode($remedy->item, JSON_THROW_ON_ERROR);
            if (isset($tried[$key]) || ($remedy->way !== null && isset($tried[$remedy->way]))) {
                continue;
            }
            $tried[$key] = true;
            $left -= self::EACH_TRY + count($laid->vertices);
            if ($this->cures($remedy, $finding, $laid, $present)) {
                $good[] = $remedy;
                $tried[$remedy->way ?? $key] = true;
            }
            if (count($good) === self::MOST_REMEDIES || $left <= 0) {
                break;
            }
        }

        return $good;
    }

    /**
     * Whether a remedy cures a finding: there are fewer findings of its rule and no more of any other rule.
     *
     * @param  list<Finding>  $present
     */
    private function cures(Remedy $remedy, Finding $finding, LaidRun $laid, array $present): bool
    {
        try {
            $after = self::tally($this->findings($this->layWith($remedy, $laid)));
        } catch (JobError) {
            return false;
        }
        $before = self::tally($present);
        foreach ($after as $rule => $count) {
            if ($count > ($before[$rule] ?? 0)) {
                return false;
            }
        }

        return ($after[$finding->rule] ?? 0) < $before[$finding->rule];
    }

    /** @throws JobError */
    private function layWith(Remedy $remedy, LaidRun $laid): LaidRun
    {
        $site = $remedy->list === 'runs' ? $this->job->site : RouteBook::site(
            new Node(FileItems::replaced($this->job->source, $remedy->list, $remedy->item)),
        );
        // Its open end goes along, as it does when the remedy is taken.
        $source = $remedy->list === 'runs'
            ? OpenEnds::followed($remedy->item, $site, $laid)
            : $laid->run->source;
        $run = Run::read(new Node($source), $site);

        return $run->route->lay($run);
    }

    /**
     * @param  list<Finding>  $findings
     * @return array<string, int>
     */
    private static function tally(array $findings): array
    {
        return array_count_values(array_map(static fn (Finding $finding): string => $finding->rule, $findings));
    }
}
