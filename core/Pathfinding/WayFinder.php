<?php

declare(strict_types=1);

namespace Bowline\Pathfinding;

use Bowline\Geometry\Bounds;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\Clamp;
use Bowline\Job\ItemRef;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Words;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Run;
use Bowline\Rules\Finding;
use Bowline\Rules\Severity;
use Bowline\Solving\Solver;
use stdClass;

/** Finds ways for an errand: several that differ, the best first. */
final class WayFinder
{
    /** Searches for each way that is asked for: a search may come to one that is there already. */
    private const TRIES = 3;

    /** Ways that are none, one after another, before it is given up. */
    private const MOST_BROKEN = 6;

    /** How far off something is still told, mm. */
    private const REACH = 500.0;

    /** What of the cost of a way that is there another has to come below. */
    private const BETTER = 0.98;

    /** Detours that are tried to bring a way that falls to its length, and how close it has to come, mm. */
    private const LENGTH_TRIES = 8;

    private const LENGTH_MET = 0.01;

    private readonly Scene $scene;

    private readonly Costs $costs;

    /** What costs no less is not looked for. */
    private float $below = INF;

    private bool $isQuick = false;

    /** What kept the first way that was found from being valid, in words. */
    private ?string $broken = null;

    /** @var list<array{Bounds, float, float}> */
    private readonly array $guides;

    /** @var array<string, Passage> */
    private array $passages = [];

    /** @var array<string, int> how often an item was in the way, by its key */
    private array $inTheWay = [];

    /**
     * @param  list<string>  $ignored  keys of items that do not count
     * @param  list<LaidRun>  $comb  runs along which it rather goes
     */
    public function __construct(
        Scene $scene,
        private readonly Errand $errand,
        private readonly array $ignored = [],
        array $comb = [],
    ) {
        $this->guides = $scene->guides($errand);
        $this->scene = $errand->again === null ? $scene : $scene->withoutRun($errand->again->run->id);
        $this->costs = new Costs(
            $errand->weights, $errand->radius(), self::upAxis($scene->job->site->up),
            [...$this->guides, ...$scene->comb($errand, $comb)],
        );
    }

    /** @return int<0, 2> */
    private static function upAxis(Vector $up): int
    {
        return abs($up->x) > 0.5 ? 0 : (abs($up->y) > 0.5 ? 1 : 2);
    }

    /**
     * Returns ways that differ, the best first: each without a violation, and as far off all else as it has to be.
     *
     * @param  callable(): bool  $isOver  whether time is over, and what was found has to do
     * @param  array{string, string}  $names  the id and the name of the run
     * @param  CornerLine|null  $worse  a way that is there already: only cheaper ones are looked for
     * @param  bool  $isQuick  whether less work is done, and a dearer first way is taken
     * @return list<Way>
     */
    public function ways(
        int $most,
        array $names,
        callable $isOver,
        ?CornerLine $worse = null,
        bool $isQuick = false,
    ): array {
        $this->isQuick = $isQuick;
        $found = [];
        $seen = [];
        $costs = $this->costs;
        for ($try = 0; $try < self::TRIES * $most && count($found) < $most; $try++) {
            $line = $found !== [] && $isOver() ? null : $this->line($costs, $worse);
            if ($line === null) {
                break;
            }
            $isNew = array_filter($seen, fn (CornerLine $one): bool => $this->isSame($one, $line)) === [];
            $seen[] = $line;
            $way = $isNew ? $this->way($this->finished($line), $names) : null;
            $found = $way === null ? $found : [...$found, $way];
            // What breaks a rule wherever it goes is not looked for much longer.
            if ($found === [] && count($seen) >= self::MOST_BROKEN) {
                break;
            }
            $costs = $costs->avoiding($line->vertices);
        }
        usort($found, fn (Way $one, Way $other): int => $one->line->cost($this->costs) <=> $other->line->cost(
            $this->costs,
        ));

        return $found;
    }

    /** Returns a way with the fall and the length that are asked for; null where it cannot have them. */
    private function finished(CornerLine $line): ?CornerLine
    {
        [$fall, $length] = [$this->errand->fall, $this->errand->length];
        $finished = match (true) {
            $length === null => $fall === null ? $line : $this->fallen($line),
            $fall === null => $this->detour($line, $length),
            default => $this->fallenTo($line, $length),
        };
        if ($finished === null && $fall !== null && $this->fallen($line) === null) {
            $this->broken ??= sprintf('No way falls by %s mm a metre all along.', Words::number(1000 * $fall));
        }
        if ($finished === null && $length !== null) {
            $units = $this->scene->job->site->units;
            $this->broken ??= sprintf(
                $line->length() > $length
                    ? 'No way is as short as %s: the best is %s long.'
                    : 'There is no room for a detour to %s: the best way is %s long.',
                $units->say($length), $units->say($line->length()),
            );
        }

        return $finished;
    }

    /** Returns a way that falls all along; between clamps it does already. Null where it has not the height or room. */
    private function fallen(CornerLine $line): ?CornerLine
    {
        $fallen = $this->errand->through !== []
            ? $line
            : (new Fall($this->scene->job->site->up, $this->errand->fall ?? 0.0))->of($line, $this->errand->to->at);

        return $fallen !== null && $this->whole()->body($fallen) === null && $fallen->hasRoom(
            $this->errand->stock->bend->leastStraight, $this->whole()->from->straight, $this->whole()->to->straight,
        ) ? $fallen : null;
    }

    private function detour(CornerLine $line, float $length): ?CornerLine
    {
        return (new LengthDetour(
            $this->whole(), $this->costs, $this->errand->stock->bend->leastStraight,
            $this->errand->fall === null ? null : fn (CornerLine $one): bool => $this->fallen($one) !== null,
        ))->of($line, $length);
    }

    /** Returns a way that falls and has a length: what falling takes of it is added to the detour. */
    private function fallenTo(CornerLine $line, float $length): ?CornerLine
    {
        $wanted = $length;
        for ($try = 0; $try < self::LENGTH_TRIES; $try++) {
            $longer = $this->detour($line, $wanted);
            $fallen = $longer === null ? null : $this->fallen($longer);
            $missing = $length - ($fallen?->length() ?? $length);
            if (abs($missing) < self::LENGTH_MET) {
                return $fallen;
            }
            $wanted += $missing;
        }

        return null;
    }

    /** Returns the passage from end to end, without the clamps that it goes through. */
    private function whole(): Passage
    {
        $job = $this->scene->job;
        $clamps = array_map(static fn (Clamp $one): string => 'clamps/'.$one->id, $this->errand->through);

        return $this->passages['whole'] ??= Passage::between(
            $this->errand->mouth($this->errand->from, $job), $this->errand->mouth($this->errand->to, $job),
            fn (array $without): Obstacles => $this->scene->obstacles(
                $this->errand, [...$this->ignored, ...$clamps, ...$without],
            ),
        );
    }

    /** Returns the far mouth; as high as the first where all of the height between both is fallen by level legs. */
    private function farMouth(Mouth $from): Mouth
    {
        $to = $this->errand->mouth($this->errand->to, $this->scene->job);
        $up = $this->scene->job->site->up;
        $height = $to->at->minus($from->at)->dot($up);
        $isLow = abs($height) < 2 * $this->errand->radius() + $this->errand->stock->bend->leastStraight;
        $areLevel = max(abs($from->axis->dot($up)), abs($to->axis->dot($up))) < Tolerance::SAME_DIRECTION;

        return $this->errand->fall !== null && $this->errand->through === [] && $isLow && $areLevel ? new Mouth(
            $to->at->minus($up->times($height)), $to->axis, $to->straight, $to->own, $to->place,
        ) : $to;
    }

    /** Returns the number of the direction in which a way that falls does not go; null where it may go in all. */
    private function uphill(): ?int
    {
        if ($this->errand->fall === null) {
            return null;
        }
        $up = $this->scene->job->site->up;

        return 2 * self::upAxis($up) + ($this->errand->from->at->dot($up) >= $this->errand->to->at->dot($up) ? 0 : 1);
    }

    /**
     * Returns a way as a run, null where it is not valid: a search is about legs and bends, and rules about more.
     *
     * @param  array{string, string}  $names
     */
    private function way(?CornerLine $line, array $names): ?Way
    {
        if ($line === null || ! $line->keepsOffItself(2 * $this->errand->outside())) {
            return null;
        }
        $way = $this->valid($line, (new WayItem($this->scene, $this->errand))->of($line, ...$names));
        $before = $this->errand->again;
        $whole = $way === null || $before === null
            ? null
            : KeptParts::put($way->item, $before, $way->solved->laid);

        return $whole === null ? $way : $this->valid($line, $whole) ?? $way;
    }

    /** Returns a run as a way, null where it is not valid. */
    private function valid(CornerLine $line, stdClass $item): ?Way
    {
        try {
            $run = Run::read(new Node($item), $this->scene->job->site);
            $solved = (new Solver($this->scene->job))->preview($run);
        } catch (JobError) {
            return null;
        }
        $with = $this->scene->with($solved->laid);
        $broken = array_values(array_filter(
            $solved->findings, static fn (Finding $one): bool => $one->severity === Severity::Violation,
        ));
        $near = $with->clearances->of($run->id);
        if ($broken !== [] || $near !== []) {
            $this->broken ??= $broken !== [] ? $broken[0]->title.': '.$broken[0]->message : $near[0]->title().'.';

            return null;
        }

        return new Way(
            $line, $item, $solved, $with->clearances->nearest([ItemRef::run($run->id)], self::REACH),
            $this->scene->besideOthers($solved->laid),
        );
    }

    /** Whether two ways have the same corners but for less than the tube is thick. */
    private function isSame(CornerLine $one, CornerLine $other): bool
    {
        if (count($one->vertices) !== count($other->vertices)) {
            return false;
        }
        foreach ($one->vertices as $i => $vertex) {
            if ($vertex->distanceTo($other->vertices[$i]) > 2 * $this->errand->outside()) {
                return false;
            }
        }

        return true;
    }

    /** @return array<string, int> how often items were in the way, by their keys, the most often first */
    public function inTheWay(): array
    {
        arsort($this->inTheWay);

        return $this->inTheWay;
    }

    /** Returns why there is no way, in words. */
    public function reason(): string
    {
        return $this->broken ?? (new Blockers($this->scene, $this->errand))->reason(
            array_map(strval(...), array_keys($this->inTheWay())),
        )[0];
    }

    /** Returns the best way as corners, not looked at any closer; null where there is none. */
    public function corners(): ?CornerLine
    {
        $this->isQuick = true;

        return $this->line($this->costs, null);
    }

    /** Returns the best way through all clamps, whichever way it goes through each. */
    private function line(Costs $costs, ?CornerLine $worse): ?CornerLine
    {
        // Of a stretch between clamps it is not known what it may cost.
        $this->below = $worse === null || $this->errand->through !== [] ? INF : $worse->cost($costs) * self::BETTER;
        // By the side on which a clamp is left: the way so far and what it costs.
        $from = $this->errand->mouth($this->errand->from, $this->scene->job);
        $sofar = [[[], 0.0, $from, 'from']];
        foreach ($this->errand->through as $clamp) {
            $sofar = array_values(array_filter(array_map(
                fn (bool $isAlong): ?array => $this->through($sofar, $clamp, $isAlong, $costs), [true, false],
            )));
        }
        $best = $this->on($sofar, $this->farMouth($from), 'to', $costs);

        return $best === null ? null : (new CornerLine($best[0], $this->errand->radius()))->tidied();
    }

    /**
     * @param  list<array{list<Vector>, float, Mouth, string}>  $sofar
     * @return array{list<Vector>, float, Mouth, string}|null
     */
    private function through(array $sofar, Clamp $clamp, bool $isAlong, Costs $costs): ?array
    {
        $name = $clamp->id.($isAlong ? ' +' : ' -');
        $best = $this->on($sofar, $this->errand->side($clamp, ! $isAlong), $name, $costs);

        return $best === null ? null : [...$best, $this->errand->side($clamp, $isAlong), $name];
    }

    /**
     * @param  list<array{list<Vector>, float, Mouth, string}>  $sofar
     * @return array{non-empty-list<Vector>, float}|null
     */
    private function on(array $sofar, Mouth $to, string $name, Costs $costs): ?array
    {
        $best = null;
        foreach ($sofar as [$vertices, $cost, $from, $before]) {
            $passage = $this->passages[$before.' '.$name] ??= Passage::between(
                $from, $to, fn (array $without): Obstacles => $this->scene->obstacles(
                    $this->errand, [...$this->ignored, ...$without],
                ),
            );
            $search = new PassageSearch(
                $passage, $this->guides, $this->errand->radius(), $this->errand->stock->bend->leastStraight,
                $this->uphill(),
            );
            $line = $search->best($costs, ! $this->isQuick && $costs === $this->costs, $this->below);
            foreach (array_keys($search->blocking) as $number) {
                $key = $passage->obstacles->all[$number]->ref->key();
                $this->inTheWay[$key] = ($this->inTheWay[$key] ?? 0) + 1;
            }
            if ($line !== null && $this->errand->fall !== null && $this->errand->through !== []) {
                // Clamps stay where they are: what falls between two of them is taken from upright legs there.
                $line = (new Fall($this->scene->job->site->up, $this->errand->fall))->of($line, $to->at);
            }
            $all = $line === null ? INF : $cost + $line->cost($costs);
            if ($line !== null && ($best === null || $all < $best[1] - Tolerance::COINCIDENT)) {
                $best = [[...$vertices, ...$line->vertices], $all];
            }
        }

        return $best;
    }
}
