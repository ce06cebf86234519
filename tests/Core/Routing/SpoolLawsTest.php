<?php

declare(strict_types=1);

use Bowline\Bending\BendRow;
use Bowline\Bending\BendTable;
use Bowline\Body\MassProperties;
use Bowline\Body\RunBody;
use Bowline\Geometry\Path;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Spool;
use Tests\Jobs;

/*
 * What holds of the spools of every run, whatever its bends and joints: they add up to the run, follow its path, and
 * are bent as it is bent.
 */

/** A zigzag of legs of 200 to 400 that turn by right angles or less, with up to four welds on straights. */
function jointedZigzag(int $seed): stdClass
{
    mt_srand($seed);
    $directions = [[1, 0, 0], [0, 1, 0], [0.6, 0, 0.8], [0, 0, 1], [0.8, 0.6, 0]];
    $at = [0.0, 0.0, 0.0];
    $points = [];
    $last = -1;
    foreach (range(1, mt_rand(2, 6)) as $_) {
        do {
            $next = mt_rand(0, 4);
        } while ($next === $last);
        $last = $next;
        $length = mt_rand(200, 400);
        $at = array_map(static fn (float $a, float $d): float => round($a + $d * $length, 6), $at, $directions[$next]);
        $points[] = $at;
    }
    $end = array_pop($points);
    $file = Jobs::file(
        array_map(static fn (array $point): array => ['at' => $point], $points), ['at' => $end],
        ['from' => ['at' => [0, 0, 0]]],
    );
    $joints = [];
    // Bends of R 30 take at most 30 of each end of a leg of 200 and more: its middle is on a straight.
    foreach (range(1, count($points) + 1) as $leg) {
        if (mt_rand(0, 1) === 1) {
            $joints[] = ['at' => ['leg' => $leg, 'from_start' => 100], 'kind' => 'weld', 'gap' => mt_rand(0, 3)];
        }
    }
    if ($joints !== []) {
        $file->runs[0]->joints = Jobs::object(['joints' => $joints])->joints;
    }

    return $file;
}

/** The greatest distance between a spool and the part of the path that it is. */
function offPath(Path $path, Spool $spool): float
{
    $most = 0.0;
    foreach (range(0, 20) as $step) {
        $along = $step / 20 * $spool->laid->length();
        $most = max($most, $spool->laid->path->pointAt($along)->distanceTo($path->pointAt($spool->from + $along)));
    }

    return $most;
}

dataset('zigzags', range(1, 25));

it('is as long as its spools and the gaps between them', function (int $seed): void {
    $file = jointedZigzag($seed);
    $laid = Jobs::laid($file);
    $spools = Spool::all($laid);
    $gaps = array_sum(array_map(static fn (stdClass $joint): float => $joint->gap, $file->runs[0]->joints ?? []));

    expect($spools)->toHaveCount(count($file->runs[0]->joints ?? []) + 1)
        ->and(array_sum(array_map(static fn (Spool $one): float => $one->laid->length(), $spools)) + $gaps)
        ->toEqualWithDelta($laid->length(), 1e-8)
        ->and($spools[0]->from)->toBe(0.0)
        ->and($spools[array_key_last($spools)]->to)->toEqualWithDelta($laid->length(), 1e-9);
})->with('zigzags');

it('follows the path of its run from end to end', function (int $seed): void {
    $laid = Jobs::laid(jointedZigzag($seed));
    foreach (Spool::all($laid) as $spool) {
        expect(offPath($laid->path, $spool))->toBeLessThan(1e-8)
            ->and($spool->laid->vertices[0]->at->distanceTo($laid->path->pointAt($spool->from)))->toBeLessThan(1e-8)
            ->and($spool->laid->length())->toEqualWithDelta($spool->to - $spool->from, 1e-8);
    }
})->with('zigzags');

it('has every bend of the run in one of its spools, turned as in the run but for the first of each', function (
    int $seed,
): void {
    $laid = Jobs::laid(jointedZigzag($seed));
    $whole = BendTable::of($laid)->rows;
    $number = 0;
    foreach (Spool::all($laid) as $spool) {
        expect($spool->firstBend)->toBe($number);
        foreach (BendTable::of($spool->laid)->rows as $index => $row) {
            $same = $whole[$number++];
            expect([$row->angle, $row->radius, $row->arc])
                ->toEqualWithDelta([$same->angle, $same->radius, $same->arc], 1e-9)
                ->and($row->rotation)->toEqualWithDelta($index === 0 ? 0.0 : $same->rotation, 1e-9);
        }
    }
    expect($number)->toBe(count($whole));
})->with('zigzags');

it('has the bends of each spool at its own vertices, each where it is in the run', function (int $seed): void {
    $laid = Jobs::laid(jointedZigzag($seed));
    foreach (Spool::all($laid) as $spool) {
        $before = 0.0;
        foreach ($spool->laid->bends as $i => $bend) {
            $same = $laid->bends[$spool->firstBend + $i];
            expect($bend->vertex)->toBe($i + 1)
                ->and($bend->start)->toEqualWithDelta($same->start - $spool->from, 1e-9)
                ->and($bend->straight)->toEqualWithDelta($bend->start - $before, 1e-9);
            $before = $bend->end();
        }
    }
})->with('zigzags');

it('has in a part of a run the bends from its beginning to its end, those at its very ends, too', function (
    int $seed,
): void {
    $laid = Jobs::laid(jointedZigzag($seed));
    $bends = $laid->bends;
    foreach (array_keys($bends) as $first) {
        foreach (range($first, count($bends) - 1) as $last) {
            // From where a bend begins to where another ends, and from the straight before to that behind.
            [$from, $to] = [$bends[$first]->start, $bends[$last]->end()];
            foreach ([0.0, 5.0] as $more) {
                $part = Spool::part($laid, $from - $more, $to + $more);
                expect(count($part->bends))->toBe($last - $first + 1)
                    ->and($part->length())->toEqualWithDelta($to - $from + 2 * $more, 1e-8)
                    ->and($part->bends[0]->start)->toEqualWithDelta($more, 1e-8)
                    ->and($part->legs[0]->straight)->toEqualWithDelta($more, 1e-8)
                    ->and($part->legs[count($part->legs) - 1]->straight)->toEqualWithDelta($more, 1e-8);
            }
            if ($first < $last) {
                // From behind the first to before the last it has lost both.
                $within = Spool::part($laid, $bends[$first]->end(), $bends[$last]->start);
                expect($within->bends)->toHaveCount($last - $first - 1)
                    ->and($within->length())->toEqualWithDelta($bends[$last]->start - $bends[$first]->end(), 1e-8);
            }
        }
    }
})->with('zigzags');

it('has legs from corner to corner, with a bend at each end but the first and the last', function (int $seed): void {
    foreach (Spool::all(Jobs::laid(jointedZigzag($seed))) as $spool) {
        $legs = $spool->laid->legs;
        expect($legs)->toHaveCount(count($spool->laid->bends) + 1);
        foreach ($legs as $i => $leg) {
            [$from, $to] = [$spool->laid->vertices[$i]->at, $spool->laid->vertices[$i + 1]->at];
            $way = $to->minus($from);
            $straight = $way->length() - ($spool->laid->bends[$i - 1]->tangent ?? 0.0)
                - ($spool->laid->bends[$i]->tangent ?? 0.0);
            expect([$leg->fromVertex, $leg->toVertex, $leg->bendBefore, $leg->bendAfter])
                ->toBe([$i, $i + 1, $i === 0 ? null : $i - 1, $i === count($legs) - 1 ? null : $i])
                ->and($leg->middle->distanceTo($from))->toEqualWithDelta($way->length() / 2, 1e-9)
                ->and($leg->middle->distanceTo($to))->toEqualWithDelta($way->length() / 2, 1e-9)
                ->and($leg->length)->toEqualWithDelta($way->length(), 1e-9)
                ->and($leg->straight)->toEqualWithDelta($straight, 1e-9)
                ->and($leg->direction->distanceTo($way->unit()))->toBeLessThan(1e-9);
        }
    }
})->with('zigzags');

it('needs as much pipe as its straights and bends add up to', function (int $seed): void {
    foreach (Spool::all(Jobs::laid(jointedZigzag($seed))) as $spool) {
        $table = BendTable::of($spool->laid);
        $sum = array_sum(array_map(static fn (BendRow $row): float => $row->straight + $row->arc, $table->rows));
        expect($sum + $table->tail)->toEqualWithDelta($table->length, 1e-8);
    }
})->with('zigzags');

it('has the material and the surface of a tube of the length of each spool, and closes', function (int $seed): void {
    $laid = Jobs::laid(jointedZigzag($seed));
    $section = M_PI / 4 * (12 ** 2 - 9 ** 2);
    foreach (Spool::all($laid) as $spool) {
        $solid = RunBody::of($spool->laid)->solid() ?? throw new LogicException('a spool has a body');
        $mass = MassProperties::of($solid);
        // Pappus: the centre of the section is on the path, in bends as on straights.
        expect($solid->isClosed())->toBeTrue()
            ->and($mass->volume)->toEqualWithDelta($section * $spool->laid->length(), 1e-6)
            ->and($mass->surface)->toEqualWithDelta(M_PI * 21 * $spool->laid->length() + 2 * $section, 1e-6);
    }
})->with([1, 5, 9, 13, 17]);

it('is one spool, the run itself, without joints', function (): void {
    $laid = Jobs::laid(Jobs::file([['at' => [0, 0, 300]]], ['at' => [400, 0, 300]]));
    $spools = Spool::all($laid);
    expect($spools)->toHaveCount(1)
        ->and($spools[0]->laid)->toBeInstanceOf(LaidRun::class)->toBe($laid)
        ->and($spools[0]->mark)->toBe('run-1');
});
