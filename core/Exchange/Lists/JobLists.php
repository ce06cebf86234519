<?php

declare(strict_types=1);

namespace Bowline\Exchange\Lists;

use Bowline\Exchange\ListTable;
use Bowline\Job;
use Bowline\Job\Stock;
use Bowline\Job\StockKind;
use Bowline\Job\Units;
use Bowline\Materials\BoughtPart;
use Bowline\Materials\BoughtParts;
use Bowline\Materials\Equipment;
use Bowline\Materials\Nesting\Bar;
use Bowline\Materials\Nesting\CuttingPlan;
use Bowline\Materials\Nesting\Nesting;
use Bowline\Materials\Nesting\Piece;
use Bowline\Materials\PartCount;
use Bowline\Materials\Welds;
use Bowline\Routing\ClampPassage;
use Bowline\Solving\SolvedRun;

/** The lists by which a job is bought, cut, welded and hung, each under its word. */
final readonly class JobLists
{
    public const TITLES = [
        'parts' => 'Bill of materials', 'parts-by-spool' => 'Bill of materials by spool', 'cutting' => 'Cut list',
        'welds' => 'Weld list', 'supports' => 'Support list', 'valves' => 'Valve list', 'hoses' => 'Hose order list',
    ];

    /** Width of a saw cut, and length of a bar of stock that tells none, mm. */
    public const KERF = 3.0;

    public const BAR = 6000.0;

    private Units $units;

    /** @param  list<SolvedRun>  $runs  that they are of */
    public function __construct(
        private Job $job,
        private array $runs,
        private float $kerf = self::KERF,
    ) {
        $this->units = $job->site->units;
    }

    /** Returns the list of a word; null where there is none. */
    public function of(string $word): ?ListTable
    {
        return match ($word) {
            'parts' => $this->parts(false),
            'parts-by-spool' => $this->parts(true),
            'cutting' => $this->cutting(),
            'welds' => $this->welds(),
            'supports' => $this->supports(),
            'valves' => $this->valves(),
            'hoses' => $this->hoses(),
            default => null,
        };
    }

    private function parts(bool $bySpool): ListTable
    {
        $parts = array_merge(...array_map(BoughtParts::of(...), $this->runs), ...[[]]);
        foreach ($bySpool ? [] : $this->job->site->fittings as $fitting) {
            $parts[] = new BoughtPart('', 'equipment', $fitting->name, 1);
        }
        $unit = $this->units->word();

        return new ListTable(
            [...$bySpool ? ['spool'] : [], 'kind', 'what', 'count', 'length_'.$unit, 'mass_kg'],
            array_map(fn (PartCount $one): array => [
                ...$bySpool ? [$one->part->spool] : [], $one->part->kind, $one->part->words,
                $one->part->length === null ? $one->count : null,
                $one->part->length === null ? null : $this->units->amount($one->length),
                $one->mass(),
            ], PartCount::all($parts, $bySpool)),
        );
    }

    /** Returns what is cut from which bar, and how much longer than the shortest plan it is at most. */
    private function cutting(): ListTable
    {
        $unit = $this->units->word();
        $rows = [];
        foreach ($this->plans() as [$stock, $plan]) {
            foreach ($plan->bars as $number => $bar) {
                $rows[] = [
                    $stock->name, $number + 1, $this->units->amount($bar->length), count($bar->pieces),
                    $this->words($bar), $this->units->amount($bar->offcut), null,
                ];
            }
            foreach ($plan->tooLong as $piece) {
                $rows[] = [
                    $stock->name, null, null, 1, sprintf('%s %s: longer than any bar', $piece->mark, $this->units->say(
                        $piece->length,
                    )), null, null,
                ];
            }
            if ($plan->bars !== []) {
                $rows[] = [
                    $stock->name.', in all', count($plan->bars), $this->units->amount($plan->length()),
                    array_sum(array_map(static fn (Bar $bar): int => count($bar->pieces), $plan->bars)),
                    sprintf('at least %s are needed', $this->units->say($plan->bound)),
                    $this->units->amount(array_sum(array_map(
                        static fn (Bar $bar): float => $bar->offcut, $plan->bars,
                    ))),
                    100.0 * $plan->gap(),
                ];
            }
        }

        return new ListTable([
            'stock', 'bar', 'bar_length_'.$unit, 'pieces', 'cut', 'offcut_'.$unit, 'over_least_percent',
        ], $rows);
    }

    /** @return list<array{Stock, CuttingPlan}> of stock that is bought in bars */
    private function plans(): array
    {
        $pieces = [];
        foreach ($this->runs as $run) {
            foreach (BoughtParts::pieces($run) as [$stock, $piece]) {
                $pieces[$stock->id][] = $piece;
            }
        }
        $plans = [];
        foreach ($this->job->site->stock as $id => $stock) {
            if (isset($pieces[$id]) && in_array($stock->kind, [StockKind::Tube, StockKind::Pipe], true)) {
                $bars = $stock->lengths === [] ? [self::BAR] : $stock->lengths;
                $plans[] = [$stock, Nesting::of($pieces[$id], $bars, $this->kerf)];
            }
        }

        return $plans;
    }

    private function words(Bar $bar): string
    {
        return implode(' + ', array_map(
            fn (Piece $piece): string => $piece->mark.' '.$this->units->column($piece->length), $bar->pieces,
        ));
    }

    private function welds(): ListTable
    {
        $unit = $this->units->word();
        $rows = [];
        foreach ($this->runs as $run) {
            foreach (Welds::of($run) as $weld) {
                $rows[] = [
                    $weld->mark, $run->laid->run->name, $weld->words, $this->units->amount($weld->along),
                    ...array_map($this->units->amount(...), $weld->at->toArray()),
                    $this->units->amount($weld->section->outsideDiameter), $this->units->amount($weld->section->wall),
                    $weld->isShop ? 'shop' : 'site',
                ];
            }
        }

        return new ListTable([
            'weld', 'run', 'what', 'along_'.$unit, 'x_'.$unit, 'y_'.$unit, 'z_'.$unit, 'od_'.$unit, 'wall_'.$unit,
            'made',
        ], $rows);
    }

    private function supports(): ListTable
    {
        $unit = $this->units->word();
        $rows = [];
        foreach ($this->runs as $run) {
            foreach (ClampPassage::of($run->laid) as $passage) {
                $rows[] = [
                    $passage->clamp->name, $run->laid->run->name,
                    $this->units->amount(($passage->span[0] + $passage->span[1]) / 2),
                    ...array_map($this->units->amount(...), $passage->clamp->at->toArray()),
                    $this->units->amount($passage->clamp->bore), $this->units->amount($passage->clamp->width),
                ];
            }
        }

        return new ListTable([
            'support', 'run', 'along_'.$unit, 'x_'.$unit, 'y_'.$unit, 'z_'.$unit, 'bore_'.$unit, 'width_'.$unit,
        ], $rows);
    }

    private function valves(): ListTable
    {
        $unit = $this->units->word();
        $rows = [];
        foreach ($this->job->site->fittings as $fitting) {
            $kind = Equipment::kindOf($this->job, $fitting->id);
            if ($kind !== null && str_contains($kind, 'valve')) {
                $rows[] = [
                    $fitting->name, str_replace('-', ' ', $kind),
                    implode(', ', Equipment::runsAt($this->runs, $fitting->id)),
                    ...array_map($this->units->amount(...), $fitting->pose->at->toArray()),
                ];
            }
        }

        return new ListTable(['valve', 'kind', 'runs', 'x_'.$unit, 'y_'.$unit, 'z_'.$unit], $rows);
    }

    private function hoses(): ListTable
    {
        $unit = $this->units->word();
        $rows = [];
        foreach ($this->runs as $run) {
            $said = $run->laid->run;
            if ($said->stock->kind === StockKind::Hose) {
                $rows[] = [
                    $said->id, $said->name, $said->stock->name, $this->units->amount($run->bendTable->cutLength),
                    $this->units->amount($run->bendTable->length), $said->from->end->type(), $said->to->end->type(),
                    $run->mass(),
                ];
            }
        }

        return new ListTable([
            'mark', 'name', 'stock', 'cut_length_'.$unit, 'length_'.$unit, 'start', 'end', 'mass_kg',
        ], $rows);
    }
}
