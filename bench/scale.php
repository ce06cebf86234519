<?php

declare(strict_types=1);

/*
 * How many designers a node holds, simulated: php bench/scale.php [CORES] [SEED]. What people ask for who work at once
 * shares the processors evenly, as operating systems let it. Edits, questions and the like come as Poisson processes;
 * a drag asks for previews one at a time and pauses between them as the browser does. How long each computes is
 * measured (docs/scale.md), spread as a lognormal whose 95th percentile is 2.5 times its median. Prints the 95th
 * percentiles that edits and previews take, and the largest crowd for which both are as asked (250 and 120 ms).
 */

const ASKED = ['an edit' => 250.0, 'a preview' => 120.0];

/** By kind: how often somebody who works sends it, 1/s, and how long it computes, ms. */
const KINDS = [
    'an edit' => [4 / 60, 35.0],
    'what is new' => [5 / 60, 20.0],
    // Whether anything is new, from a file by nginx, and each twenty seconds who else is there.
    'a question' => [1.0, 0.3],
    'a presence' => [0.05, 7.3],
    'a job opened' => [1 / 600, 40.0],
    'a file taken away' => [1 / 900, 400.0],
];

/** How long a preview computes, ms; how long a drag is, and the mean time from one to the next, ms. */
const PREVIEW = 22.0;
const DRAG = 4000.0;
const BETWEEN_DRAGS = 30_000.0;

/** How long a drag pauses between an answer and the next question: as in resources/js/job/newest.ts. */
const LONGEST = 150.0;
const YIELDS = 8;
const LONGEST_YIELD = 500.0;

/** What an answer takes beyond the work: the way there and back, ms. */
const WAY = 3.0;

/** Of a lognormal whose 95th percentile is 2.5 times its median: ln 2.5 / 1.645. */
const SPREAD = 0.557;

/** ms */
const TIME = 120_000.0;

$cores = (int) ($argv[1] ?? 2);
mt_srand((int) ($argv[2] ?? 1));

/** What a crowd asks of a server: what is worked on, and what comes. */
final class Crowd
{
    /** @var array<int, array{string, float, float, float, int|null}> kind, begun, work, work left, its drag */
    private array $worked = [];

    /** @var SplPriorityQueue<float, array{string, int|null}> what comes: a kind or a drag that asks */
    private SplPriorityQueue $coming;

    /** @var array<int, array{float, float}> of each drag: when it ends, and the least that an answer waited */
    private array $drags = [];

    /** @var array<string, list<float>> how long answers took, by kind, ms */
    public array $taken = ['a preview' => []];

    private float $now = 0.0;

    private int $next = 0;

    public function __construct(private readonly int $people, private readonly int $cores)
    {
        $this->coming = new SplPriorityQueue;
        $this->coming->setExtractFlags(SplPriorityQueue::EXTR_BOTH);
    }

    public function run(): void
    {
        foreach (KINDS as $kind => [$rate]) {
            $this->taken[$kind] = [];
            $this->come(self::pause(1000.0 / ($rate * $this->people)), $kind);
        }
        for ($person = 0; $person < $this->people; $person++) {
            $this->come(self::pause(BETWEEN_DRAGS), 'a drag');
        }
        while ($this->now < TIME) {
            $done = $this->firstDone();
            /** @var array{data: array{string, int|null}, priority: float} $event */
            $event = $this->coming->top();
            $share = $this->share();
            $doneAt = $done === null ? INF : $this->now + $this->worked[$done][3] / $share;
            $until = min($doneAt, -$event['priority']);
            foreach ($this->worked as &$one) {
                $one[3] -= ($until - $this->now) * $share;
            }
            unset($one);
            $this->now = $until;
            if ($done !== null && $doneAt <= -$event['priority']) {
                $this->answer($done);
            } else {
                $this->coming->extract();
                $this->ask(...$event['data']);
            }
        }
    }

    /** Returns how much of a processor each has that is worked on. */
    private function share(): float
    {
        return $this->worked === [] ? 1.0 : min(1.0, $this->cores / count($this->worked));
    }

    private function firstDone(): ?int
    {
        $first = null;
        foreach ($this->worked as $id => [, , , $left]) {
            if ($first === null || $left < $this->worked[$first][3]) {
                $first = $id;
            }
        }

        return $first;
    }

    private function come(float $in, string $what, ?int $drag = null): void
    {
        $this->coming->insert([$what, $drag], -($this->now + $in));
    }

    private function ask(string $what, ?int $drag): void
    {
        if ($what === 'a drag') {
            $drag = $this->next++;
            $this->drags[$drag] = [$this->now + DRAG, INF];
        } elseif ($drag === null) {
            [$rate, $median] = KINDS[$what];
            $this->come(self::pause(1000.0 / ($rate * $this->people)), $what);
            $this->work($what, $median);

            return;
        }
        if ($this->now <= $this->drags[$drag][0]) {
            $this->work('a preview', PREVIEW, $drag);
        } else {
            $this->come(self::pause(BETWEEN_DRAGS), 'a drag');
        }
    }

    private function work(string $kind, float $median, ?int $drag = null): void
    {
        $normal = sqrt(-2 * log(self::uniform())) * cos(2 * M_PI * self::uniform());
        $work = $median * exp(SPREAD * $normal);
        $this->worked[$this->next++] = [$kind, $this->now, $work, $work, $drag];
    }

    private function answer(int $id): void
    {
        [$kind, $begun, $work, , $drag] = $this->worked[$id];
        unset($this->worked[$id]);
        $took = $this->now - $begun + WAY;
        $this->taken[$kind][] = $took;
        if ($drag !== null) {
            $waited = $took - $work;
            $this->drags[$drag][1] = min($this->drags[$drag][1], $waited);
            $this->come(
                min($took, LONGEST) + min(YIELDS * ($waited - $this->drags[$drag][1]), LONGEST_YIELD),
                'a preview', $drag,
            );
        }
    }

    /** Returns a time at random until the next of what comes so often on the average. */
    private static function pause(float $mean): float
    {
        return -log(self::uniform()) * $mean;
    }

    private static function uniform(): float
    {
        return (mt_rand() + 1) / (mt_getrandmax() + 2);
    }
}

/** @param  list<float>  $times */
function percentileOf(array $times): float
{
    sort($times);

    return $times[(int) floor(0.95 * (count($times) - 1))] ?? 0.0;
}

$most = 0;
foreach ([10, 20, 30, 40, 50, 60, 70, 80, 100, 120, 150, 200, 250, 300, 400, 500, 600, 700, 800] as $people) {
    $crowd = new Crowd($people, $cores);
    $crowd->run();
    $isIn = true;
    $line = sprintf('%4d people at work', $people);
    foreach (ASKED as $kind => $asked) {
        $percentile = percentileOf($crowd->taken[$kind]);
        $isIn = $isIn && $percentile <= $asked;
        $line .= sprintf(', %s %6.0f ms', $kind, $percentile);
    }
    // Of the time from one drag to the next, so much is dragged.
    $line .= sprintf(
        ', %.1f previews in each second of a drag',
        count($crowd->taken['a preview']) / ($people * TIME / 1000 * DRAG / (BETWEEN_DRAGS + DRAG)),
    );
    echo $line, $isIn ? '' : '   too slow', "\n";
    if (! $isIn) {
        break;
    }
    $most = $people;
}
printf("%d processors hold %d people at work at the same time.\n", $cores, $most);
