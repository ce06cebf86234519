<?php

declare(strict_types=1);

namespace Bowline\Job;

/** Several runs that are made as one closed body: one that carries the others, and those that stand on it. */
final readonly class JoinedBody
{
    /**
     * @param  non-empty-list<string>  $runs  ids, two at least
     * @param  float  $round  radius where they meet, mm; 0 for none
     * @param  array<string, float>  $rounds  radii where two of them meet that have one of their own (`pair`), mm
     * @param  bool  $isHollowFirst  whether the bores are joined sharp and the rounding thickens the wall
     * @param  float|null  $wall  of all of it, mm; null as those of its runs
     * @param  float|null  $leastWall  below which its wall is found too thin, mm; null for that of its runs
     */
    private function __construct(
        public string $id,
        public string $name,
        public array $runs,
        public float $round,
        public array $rounds,
        public bool $isHollowFirst,
        public ?float $wall,
        public ?float $leastWall,
    ) {
    }

    /** Returns the same in the other order of rounding and hollowing, or in this. */
    public function ordered(bool $isHollowFirst): self
    {
        return new self(
            $this->id, $this->name, $this->runs, $this->round, $this->rounds, $isHollowFirst, $this->wall,
            $this->leastWall,
        );
    }

    /** Whether any of its runs are rounded where they meet. */
    public function isRounded(): bool
    {
        return max([$this->round, ...array_values($this->rounds)]) > 0.0;
    }

    /** Returns the radius of the rounding where two of its runs meet, mm. */
    public function roundBetween(string $one, string $other): float
    {
        return $this->rounds[self::pair($one, $other)] ?? $this->round;
    }

    private static function pair(string $one, string $other): string
    {
        return $one < $other ? $one.'/'.$other : $other.'/'.$one;
    }

    /**
     * @param  list<string>  $runs  ids of those of the body
     * @return array<string, float>
     *
     * @throws JobError where one is told between others than two of its runs, or twice
     */
    private static function rounds(Node $node, array $runs, Values $values): array
    {
        $rounds = [];
        foreach ($node->list('rounds') as $round) {
            $between = $round->get('between');
            $ids = array_map(static fn (Node $one): string => $one->text(), $between->items());
            if (count($ids) !== 2 || $ids[0] === $ids[1] || array_diff($ids, $runs) !== []) {
                throw $between->error('a rounding of its own is between two runs of the body');
            }
            if (isset($rounds[self::pair(...$ids)])) {
                throw $between->error('it is told for these two already');
            }
            $rounds[self::pair(...$ids)] = $values->notNegative($round->get('round'), 'the rounding');
        }

        return $rounds;
    }

    /**
     * @param  Node  $job  with its runs
     * @return array<string, self> by id
     *
     * @throws JobError when one names a run that is not there or is in another body, or fewer than two
     */
    public static function all(Node $job, Values $values): array
    {
        $known = array_map(static fn (Node $run): string => $run->get('id')->text(), $job->list('runs'));
        $used = [];

        return Site::byId($job->list('bodies'), function (Node $node) use ($known, $values, &$used): self {
            $runs = [];
            foreach ($node->list('runs') as $run) {
                $id = $run->text();
                if (! in_array($id, $known, true)) {
                    throw $run->error(sprintf('there is no run “%s”', $id));
                }
                if (isset($used[$id])) {
                    throw $run->error(sprintf('“%s” is in a body already', $id));
                }
                $used[$id] = true;
                $runs[] = $id;
            }
            if (count($runs) < 2) {
                throw $node->get('runs')->error('a body of several runs has two at least');
            }
            $id = $node->get('id')->text();

            [$wall, $least] = [$node->find('wall'), $node->find('least_wall')];

            return new self(
                $id, $node->find('name')?->text() ?? $id, $runs,
                $values->notNegative($node->find('round'), 'the rounding', 0.0), self::rounds($node, $runs, $values),
                $node->find('order')?->value === 'hollow-first',
                $wall === null ? null : $values->positive($wall, 'the wall'),
                $least === null ? null : $values->positive($least, 'the least wall'),
            );
        });
    }
}
