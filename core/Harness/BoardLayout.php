<?php

declare(strict_types=1);

namespace Bowline\Harness;

use Bowline\Routing\LaidRun;

/**
 * Lays a harness flat. Each trunk is one straight; what branches off it is turned to the first of some angles at which
 * it neither crosses nor covers what lies already. What finds no room so, and what is longer than the board, is broken
 * off and goes on elsewhere, with the same letter at both ends of the break. So nothing ever crosses, whatever the
 * harness.
 */
final class BoardLayout
{
    /** Angles that are tried for a branch against its trunk, and for what goes on behind the end of one, degrees. */
    private const BRANCH = [90, -90, 60, -60, 120, -120, 45, -45, 135, -135, 75, -75, 30, -30, 150, -150, 20, -20];

    private const ON = [0, 45, -45, 90, -90, 30, -30, 60, -60, 120, -120, 15, -15];

    /** Longest way to a pin that is not drawn, mm. */
    private const NO_LEAD = BoardSpace::APART / 4;

    /** Between parts that are laid by themselves, mm. */
    private const GAP = 60.0;

    /** Length of a break that is drawn beside its place, mm. */
    private const STUB = 12.0;

    /** @var array<int, array{int, array{float, float}, float}> nodes on it: part, place and direction of travel */
    private array $placed = [];

    /** @var array<string, true> lengths of trunk that do, by their keys */
    private array $laid = [];

    /** What lies in the part that is being laid. */
    private BoardSpace $space;

    /** @var list<BoardMark> of that part */
    private array $marks = [];

    /** @var list<BoardTurn> of that part */
    private array $turns = [];

    /**
     * @var list<array{int|null, BoardChain, string|null}> parts to begin: the node, null for what is cut off of a trunk
     *     or leads to a pin, what goes on, and its break
     */
    private array $open = [];

    /**
     * @var list<array{int, array{float, float}, float, float}> nodes to go on from: where, the direction of travel, and
     *     that of the trunk on which it came there, from its start to its end
     */
    private array $front = [];

    private int $breaks = 0;

    /** @var list<array{BoardSpace, list<BoardMark>, list<BoardTurn>, float, float}> parts laid, and where each goes */
    private array $parts = [];

    /** Side to which the next branch is turned: 1 or −1. */
    private int $side = 1;

    /** @var array<int, list<array{string, float}>> ways to pins from each node: port and length */
    private array $leads = [];

    /** @var array<int, list<string>> ports at each node, and splices */
    private array $ends = [];

    /** @var array<int, list<string>> */
    private array $splices = [];

    /**
     * @param  array<string, list<BundleSpan>>  $bundles
     * @param  array<string, float>  $angles  against the trunk that it leaves, degrees, by what is turned
     */
    private function __construct(
        private readonly LaidHarness $harness,
        private readonly array $bundles,
        private readonly float $longest,
        private readonly array $angles,
    ) {
        $this->space = new BoardSpace;
    }

    /**
     * @param  array<string, list<BundleSpan>>  $bundles  of each trunk
     * @param  float  $longest  straight that the board has room for, mm
     * @param  array<string, float>  $angles  that are told, degrees, by what is turned (`Harness::$angles`)
     */
    public static function of(LaidHarness $harness, array $bundles, float $longest = INF, array $angles = []): Board
    {
        return (new self($harness, $bundles, $longest, $angles))->board();
    }

    private function board(): Board
    {
        $this->findEnds();
        [$width, $top] = [0.0, 0.0];
        foreach ($this->beginnings() as [$node, $chain]) {
            $this->open[] = [$node, $chain, null];
            while ($this->open !== []) {
                [$from, $first, $break] = array_shift($this->open);
                if ($from !== null && isset($this->laid[self::key($first)])) {
                    // Meanwhile it was laid from its other end, as can be where trunks close a ring.
                    $this->withdraw($break);

                    continue;
                }
                [$this->space, $this->marks, $this->turns, $this->front] = [new BoardSpace, [], [], []];
                $this->part($from, $first, $break);
                [$low, $high] = $this->space->extent();
                $low[1] -= self::STUB;
                $high[1] += self::STUB;
                [$x, $y] = [-$low[0], $top + ($this->parts === [] ? 0.0 : self::GAP) - $low[1]];
                $this->parts[] = [$this->space, $this->marks, $this->turns, $x, $y];
                $width = max($width, $high[0] - $low[0]);
                $top = $y + $high[1];
            }
        }

        $segments = $marks = $turns = [];
        foreach ($this->parts as [$space, $marked, $turned, $x, $y]) {
            foreach ($space->segments as $segment) {
                $segments[] = $segment->moved($x, $y);
            }
            foreach ($marked as $mark) {
                $marks[] = $mark->moved($x, $y);
            }
            foreach ($turned as $turn) {
                $turns[] = $turn->moved($x, $y);
            }
        }

        return new Board($segments, $marks, $turns, $width, $top);
    }

    private function findEnds(): void
    {
        foreach ($this->harness->wires as $wire) {
            foreach ([$wire->wire->from, $wire->wire->to] as $terminal) {
                $leadOff = $this->harness->backbone->leadOff($terminal);
                if ($leadOff === null || $wire->leadOffs === null) {
                    continue;
                }
                if ($terminal->splice !== null) {
                    $this->splices[$leadOff->node][] = $terminal->splice->name;
                } elseif ($terminal->port !== null && $leadOff->length > self::NO_LEAD) {
                    $this->leads[$leadOff->node][] = [$terminal->port->name, $leadOff->length];
                } elseif ($terminal->port !== null) {
                    $this->ends[$leadOff->node][] = $terminal->port->name;
                }
            }
        }
        $this->ends = array_map(static fn (array $names): array => array_values(array_unique($names)), $this->ends);
        $this->splices = array_map(
            static fn (array $names): array => array_values(array_unique($names)), $this->splices,
        );
        foreach ($this->leads as $node => $leads) {
            $this->leads[$node] = array_values(array_column($leads, null, 0));
        }
    }

    /** @return iterable<array{int, BoardChain}> where parts that hang on nothing begin: the longest trunk first */
    private function beginnings(): iterable
    {
        $trunks = $this->harness->trunks();
        usort($trunks, static fn (LaidRun $one, LaidRun $other): int => $other->length() <=> $one->length());
        foreach ($trunks as $trunk) {
            foreach ($this->harness->backbone->edges() as $node => $edges) {
                foreach ($edges as $edge) {
                    $isStart = $edge->run === $trunk->run->id && $edge->from === 0.0;
                    if ($isStart && ! isset($this->laid[self::keyOf($edge)])) {
                        yield [$node, $this->chain($node, $edge)];
                    }
                }
            }
        }
    }

    /** Returns what goes on along the trunk of an edge, as far as that goes and is not laid yet. */
    private function chain(int $node, BackboneEdge $edge): BoardChain
    {
        $pieces = [[$edge->from, $edge->until, $edge->to]];
        $isForward = $edge->until > $edge->from;
        for ($at = $edge; $at !== null;) {
            $next = null;
            foreach ($this->harness->backbone->edges()[$at->to] ?? [] as $one) {
                if ($one->run === $edge->run && $one->from === $at->until
                    && ($one->until > $one->from) === $isForward && ! isset($this->laid[self::keyOf($one)])) {
                    $next = $one;
                }
            }
            if ($next !== null) {
                $pieces[] = [$next->from, $next->until, $next->to];
            }
            $at = $next;
        }

        return new BoardChain($edge->run, $pieces);
    }

    /** Lays a part by itself, from where it begins, along x. */
    private function part(?int $node, BoardChain $first, ?string $break): void
    {
        $start = [0.0, 0.0];
        if ($break !== null) {
            $this->marks[] = new BoardMark('break', $break, $start, M_PI);
        }
        if ($node !== null && ! isset($this->placed[$node])) {
            $this->place($node, $start, M_PI, 0.0, $first->isForward() ? 0.0 : M_PI);
        }
        $this->lay($first, $start, 0.0);
        while ($this->front !== []) {
            [$at, $place, $travel, $along] = array_shift($this->front);
            foreach ($this->chainsFrom($at) as $chain) {
                $this->branch($chain, $at, $place, $travel, $along);
            }
        }
    }

    /**
     * @param  array{float, float}  $at
     * @param  float  $along  direction of the trunk on which it was come to, from its start to its end
     */
    private function place(int $node, array $at, float $outward, float $travel, float $along): void
    {
        $this->placed[$node] = [count($this->parts), $at, $travel];
        $this->front[] = [$node, $at, $travel, $along];
        foreach ($this->ends[$node] ?? [] as $port) {
            $this->marks[] = new BoardMark('connector', $port, $at, $outward);
        }
        foreach ($this->splices[$node] ?? [] as $splice) {
            $this->marks[] = new BoardMark('splice', $splice, $at, $outward);
        }
    }

    /** @return list<BoardChain> what is not laid yet from a node */
    private function chainsFrom(int $node): array
    {
        $chains = [];
        foreach ($this->harness->backbone->edges()[$node] ?? [] as $edge) {
            if (! isset($this->laid[self::keyOf($edge)])) {
                $chains[] = $this->chain($node, $edge);
            }
        }
        foreach ($this->leads[$node] ?? [] as [$port, $length]) {
            $chains[] = new BoardChain(null, [[0.0, $length, null]], $port);
        }

        return $chains;
    }

    /**
     * @param  array{float, float}  $place
     * @param  float  $along  direction of the trunk that it leaves, from its start to its end
     */
    private function branch(BoardChain $chain, int $node, array $place, float $travel, float $along): void
    {
        if ($chain->run !== null && isset($this->laid[self::key($chain)])) {
            return;
        }
        $goesOn = $this->space->goesOn($place, $travel);
        $told = $chain->run === null ? null : $this->angles[$chain->angleKey()] ?? $this->angles[$chain->run] ?? null;
        $side = $this->side;
        $angles = [
            ...$told === null ? [] : [$along + deg2rad($told)],
            ...array_map(
                static fn (int $one): float => $travel + deg2rad($one * $side), $goesOn ? self::BRANCH : self::ON,
            ),
        ];
        [$cut] = $chain->cutAt($this->longest);
        $inWay = null;
        foreach ($angles as $i => $angle) {
            $found = $this->space->inWay($place, $angle, $cut->length(), $this->diameter($chain));
            if ($told !== null && $i === 0) {
                $inWay = $found;
            }
            if ($found === null) {
                $this->side = $goesOn ? -$this->side : $this->side;
                if ($chain->run !== null) {
                    $this->turns[] = new BoardTurn(
                        $chain->run, $chain->isForward(), $place, $along, BoardSpace::turn($angle - $along), $inWay,
                    );
                }
                $this->lay($chain, $place, $angle);

                return;
            }
        }
        // No room: a short piece with a letter here, and all of it elsewhere.
        $letter = $this->letter();
        $this->marks[] = new BoardMark('break', $letter, $place, $travel + M_PI_2);
        $this->open[] = [$chain->run === null ? null : $node, $chain, $letter];
    }

    /** @param  array{float, float}  $place */
    private function lay(BoardChain $whole, array $place, float $angle): void
    {
        // What is cut off is laid later, and by nothing else.
        foreach ($whole->run === null ? [] : $whole->pieces as [$from, $to]) {
            $this->laid[$whole->run.' '.min($from, $to)] = true;
        }
        [$chain, $rest] = $whole->cutAt($this->longest);
        foreach ($chain->pieces as [$from, $to, $node]) {
            $length = abs($to - $from);
            $end = [$place[0] + $length * cos($angle), $place[1] + $length * sin($angle)];
            $this->space->segments[] = new BoardSegment(
                $chain->run, $from, $to, $place, $end, $this->diameterAt($chain->run, ($from + $to) / 2),
            );
            if ($chain->port !== null && $rest === null) {
                $this->marks[] = new BoardMark('connector', $chain->port, $end, $angle);
            }
            if ($node !== null && isset($this->placed[$node])) {
                // It comes back to what lies elsewhere: the same letter stands there.
                $letter = $this->letter();
                $this->marks[] = new BoardMark('break', $letter, $end, $angle);
                $this->rejoin($node, $letter);
            } elseif ($node !== null) {
                $this->place($node, $end, $angle, $angle, $chain->isForward() ? $angle : $angle + M_PI);
            }
            $place = $end;
        }
        if ($rest !== null) {
            $letter = $this->letter();
            $this->marks[] = new BoardMark('break', $letter, $place, $angle);
            $this->open[] = [null, $rest, $letter];
        }
    }

    /** Puts the letter of a break at a node that lies on the board already. */
    private function rejoin(int $node, string $letter): void
    {
        [$part, $place, $travel] = $this->placed[$node];
        $mark = new BoardMark('break', $letter, $place, $travel + M_PI_2);
        if (isset($this->parts[$part])) {
            $this->parts[$part][1][] = $mark;
        } else {
            $this->marks[] = $mark;
        }
    }

    /** Takes the mark of a break away, behind which there is nothing to lay. */
    private function withdraw(?string $letter): void
    {
        foreach ($this->parts as $number => [, $marks]) {
            $this->parts[$number][1] = array_values(array_filter(
                $marks, static fn (BoardMark $mark): bool => $mark->kind !== 'break' || $mark->name !== $letter,
            ));
        }
    }

    /** Returns the letters of the next break: A to Z, then AA, AB … */
    private function letter(): string
    {
        $number = ++$this->breaks;
        $letters = '';
        while ($number > 0) {
            $letters = chr(65 + ($number - 1) % 26).$letters;
            $number = intdiv($number - 1, 26);
        }

        return $letters;
    }

    private function diameter(BoardChain $chain): float
    {
        return max(array_map(
            fn (array $piece): float => $this->diameterAt($chain->run, ($piece[0] + $piece[1]) / 2), $chain->pieces,
        ));
    }

    private function diameterAt(?string $run, float $along): float
    {
        foreach ($this->bundles[$run ?? ''] ?? [] as $span) {
            if ($along >= $span->from && $along <= $span->to) {
                return $span->diameter;
            }
        }

        return 0.0;
    }

    private static function key(BoardChain $chain): string
    {
        return $chain->run.' '.min($chain->pieces[0][0], $chain->pieces[0][1]);
    }

    private static function keyOf(BackboneEdge $edge): string
    {
        return ShortestWays::key($edge);
    }
}
