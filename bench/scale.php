<?php

declare(strict_types=1);

/*
 * How many designers a node holds, simulated: php bench/scale.php [CORES] [SEED]. Requests of people who work at once
 * come as Poisson processes, and wait in one queue for as many processors as there are; how long each computes are the
 * medians of docs/speed.md, spread as a lognormal whose 95th percentile is 2.5 times its median. Prints the 95th
 * percentiles that edits and previews take, and the largest crowd for which both are as asked (250 and 120 ms).
 * docs/scale.md says what follows.
 */

const ASKED = ['an edit' => 250.0, 'a preview' => 120.0];

/** By kind: how often somebody who works sends it, 1/s, and how long it computes, ms. */
const KINDS = [
    // Two drags of four seconds a minute: as many as were asked in that time of a server that holds them.
    'a preview' => [68 / 60, 25.0],
    'what is nearest' => [32 / 60, 23.0],
    'an edit' => [4 / 60, 45.0],
    'a job read again' => [5 / 60, 45.0],
    // Whether anything is new (public/live.php), and each five seconds who else is there.
    'a question' => [1.0, 0.8],
    'a presence' => [0.2, 7.3],
    'a job opened' => [1 / 600, 112.5],
    'a file taken away' => [1 / 900, 400.0],
];

/** Of a lognormal whose 95th percentile is 2.5 times its median: ln 2.5 / 1.645. */
const SPREAD = 0.557;

const SECONDS = 120.0;

$cores = (int) ($argv[1] ?? 2);
mt_srand((int) ($argv[2] ?? 1));

function uniformNumber(): float
{
    return (mt_rand() + 1) / (mt_getrandmax() + 2);
}

/**
 * Returns how long requests of each kind take with so many people, ms.
 *
 * @return array<string, list<float>>
 */
function requestTimes(int $people, int $cores): array
{
    $arrivals = [];
    foreach (KINDS as $kind => [$rate, $median]) {
        for ($at = 0.0; ($at -= log(uniformNumber()) / ($rate * $people)) < SECONDS;) {
            $normal = sqrt(-2 * log(uniformNumber())) * cos(2 * M_PI * uniformNumber());
            $arrivals[] = [$at, $kind, $median / 1000 * exp(SPREAD * $normal)];
        }
    }
    usort($arrivals, static fn (array $one, array $other): int => $one[0] <=> $other[0]);
    $free = array_fill(0, $cores, 0.0);
    $taken = array_fill_keys(array_keys(KINDS), []);
    foreach ($arrivals as [$at, $kind, $work]) {
        $next = (int) array_search(min($free), $free, true);
        $free[$next] = max($at, $free[$next]) + $work;
        $taken[$kind][] = 1000 * ($free[$next] - $at);
    }

    return $taken;
}

/** @param  list<float>  $times */
function percentileOf(array $times): float
{
    sort($times);

    return $times[(int) floor(0.95 * (count($times) - 1))] ?? 0.0;
}

$most = 0;
foreach ([5, 10, 15, 20, 25, 30, 35, 40, 45, 50, 60, 80, 100, 150, 200, 300, 400] as $people) {
    $taken = requestTimes($people, $cores);
    $isIn = true;
    $line = sprintf('%4d people at work', $people);
    foreach (ASKED as $kind => $asked) {
        $percentile = percentileOf($taken[$kind]);
        $isIn = $isIn && $percentile <= $asked;
        $line .= sprintf(', %s %6.0f ms', $kind, $percentile);
    }
    echo $line, $isIn ? '' : '   too slow', "\n";
    if (! $isIn) {
        break;
    }
    $most = $people;
}
printf("%d processors hold %d people at work at the same time.\n", $cores, $most);
