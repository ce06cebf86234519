<?php

declare(strict_types=1);

namespace Tests;

use Bowline\Body\Junction\RoundedBody;
use Bowline\Job;
use Bowline\Job\JobError;
use stdClass;

/** Bodies of random runs that meet: branches on a pipe and on one another, legs that begin as one, runs that cross. */
final class RandomJunctions
{
    /** @throws JobError where they cannot be one body */
    public static function made(int $seed): RoundedBody
    {
        $file = self::file($seed);

        return RoundedBody::of(Job::read($file)->bodies['tee'], Tees::laid($file), '/bodies/0');
    }

    public static function file(int $seed): stdClass
    {
        mt_srand($seed);
        $tube = [mt_rand(16, 58), 2];
        $file = match (mt_rand(0, 4)) {
            0 => Tees::file([self::branch(200)], [], [60, 3], $tube),
            // Beside or opposite each other.
            1 => Tees::file([self::branch(mt_rand(160, 240)), self::branch(200)], [], [60, 3], $tube),
            // One on the other.
            2 => Tees::file([Tees::branch(200, [0, 0, 1]), [
                'from' => ['on' => ['run' => 'b1', 'length' => mt_rand(70, 90)], 'axis' => [0, 1, 0]],
                'to' => ['at' => [200, 150, $at = mt_rand(70, 90)]],
                'route' => ['kind' => 'corners', 'stops' => [['at' => [200, 90, $at]]]],
            ]], [], [60, 3], [$tube[0] / 2, 2]),
            // Through the pipe, beside its middle.
            3 => Tees::file([[
                'from' => ['at' => [mt_rand(150, 250), $beside = mt_rand(-15, 15), -150]],
                'to' => ['at' => [mt_rand(150, 250), $beside + mt_rand(-5, 5), 150]],
            ]], [], [60, 3], $tube),
            default => self::legs($tube),
        };
        // The branch on the branch goes where it stands.
        foreach ($file->runs as $run) {
            if (($run->from->on->run ?? '') === 'b1') {
                $run->route->stops[0]->at[2] = $run->to->at[2] = $run->from->on->length;
            }
        }
        $isHollowFirst = mt_rand(0, 1) === 1;
        $file->bodies[0] = Jobs::object([
            ...(array) $file->bodies[0], 'round' => mt_rand(0, 100) / 10, 'wall' => mt_rand(10, 35) / 10,
            'order' => $isHollowFirst ? 'hollow-first' : 'round-first',
        ]);

        return $file;
    }

    /** Returns a branch that leans by up to 50° along the pipe, at any turn about it. */
    private static function branch(float $at): array
    {
        $lean = deg2rad(mt_rand(40, 140));
        $turn = deg2rad(mt_rand(0, 359));

        return Tees::branch($at, [cos($lean), sin($lean) * cos($turn), sin($lean) * sin($turn)]);
    }

    /** Returns two or three legs that begin as one and bend apart. */
    private static function legs(array $tube): stdClass
    {
        $ends = [[220, 0, 260], [-mt_rand(150, 260), mt_rand(-90, 90), 280], [mt_rand(-60, 60), -220, 260]];
        $file = Tees::file(array_map(static fn (array $end): array => [
            'from' => ['at' => [0, 0, 0], 'axis' => [0, 0, 1], 'lead' => 70], 'to' => ['at' => $end],
        ], array_slice($ends, 0, mt_rand(2, 3))), [], [60, 3], $tube);
        array_shift($file->runs);
        $file->bodies[0]->runs = array_slice($file->bodies[0]->runs, 1);
        $file->stock[1]->bend->radius = mt_rand(60, 90);

        return $file;
    }
}
