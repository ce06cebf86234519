<?php

declare(strict_types=1);

namespace Tests;

use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdits;
use Bowline\Exchange\SolutionWriter;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\JobFile;
use Bowline\Job\Node;
use Bowline\Routing\LaidRun;
use Bowline\Solving\SolvedRun;
use Bowline\Solving\Solver;
use stdClass;

/** Small jobs to test with: tube 12 × 1.5, radius 30, least 24, from a pump that points up to wherever. */
final class Jobs
{
    /**
     * @param  list<array<string, mixed>>  $stops
     * @param  array<string, mixed>  $more  over the run, or with "stock." over the stock's bend practice
     */
    public static function file(array $stops, array $to, array $more = []): stdClass
    {
        $run = [
            'id' => 'run',
            'stock' => 't12',
            'from' => ['port' => 'pump.out'],
            'to' => $to,
            'route' => ['kind' => 'corners', 'stops' => $stops],
        ];
        $bend = ['radius' => 30, 'min_radius' => 24, 'min_straight' => 20];
        $section = ['shape' => 'round', 'od' => 12, 'wall' => 1.5];
        foreach ($more as $key => $value) {
            match (true) {
                str_starts_with($key, 'stock.') => $bend[substr($key, 6)] = $value,
                $key === 'section' => $section = $value,
                $key === 'clamps' => null,
                default => $run[$key] = $value,
            };
        }

        return self::decoded([
            'format' => 'bowline-job', 'version' => 1, 'values' => ['riser' => 120],
            'stock' => [['id' => 't12', 'kind' => 'tube', 'section' => $section, 'bend' => $bend, 'density' => 7980]],
            'fittings' => [
                [
                    'id' => 'pump',
                    'pose' => ['at' => [0, 0, 0]],
                    'ports' => [['id' => 'out', 'at' => [0, 0, 50], 'axis' => [0, 0, 1]]],
                ],
            ],
            'clamps' => $more['clamps'] ?? [],
            'runs' => [$run],
        ]);
    }

    /** @param  array<string, mixed>  $job */
    public static function decoded(array $job): stdClass
    {
        return JobFile::decode(json_encode($job, JSON_THROW_ON_ERROR));
    }

    /** @param  array<mixed>  $said */
    public static function object(array $said): stdClass
    {
        return json_decode(json_encode($said, JSON_THROW_ON_ERROR), false, 64, JSON_THROW_ON_ERROR);
    }

    /**
     * A run of a job, the first where none is said, after an edit as it comes from outside.
     *
     * @param  array<string, mixed>  $edit
     */
    public static function edited(stdClass $file, array $edit, int $index = 0): stdClass
    {
        $job = Job::read($file);
        $run = $job->runs[$file->runs[$index]->id];

        return RunEdits::apply(
            RunDraft::of($run->route->lay($run)),
            new Node(self::object($edit)),
            $job->site,
        )->run();
    }

    public static function solve(stdClass $file, int $run = 0): SolvedRun
    {
        return (new Solver(Job::read($file)))->all()[$run];
    }

    public static function laid(stdClass $file, int $run = 0): LaidRun
    {
        return self::solve($file, $run)->laid;
    }

    /** @return list<string> the rules that found something */
    public static function broken(stdClass $file): array
    {
        return array_map(static fn ($finding): string => $finding->rule, self::solve($file)->findings);
    }

    /** @return array<string, mixed> as the command line writes it */
    public static function written(stdClass $file, int $run = 0): array
    {
        return json_decode(
            json_encode(SolutionWriter::run(self::solve($file, $run)), JSON_THROW_ON_ERROR),
            true,
            512,
            JSON_THROW_ON_ERROR,
        );
    }

    /** A run through random points, every leg long enough for its bends. */
    public static function wandering(int $seed, int $corners, float $leg = 260.0): stdClass
    {
        mt_srand($seed);
        $at = new Vector(0, 0, 200);
        $stops = [['at' => $at->toArray()]];
        $direction = new Vector(0, 0, 1);
        for ($i = 0; $i < $corners; $i++) {
            do {
                $next = (new Vector(self::random(), self::random(), self::random()))->unit();
            } while ($next->dot($direction) < -0.7 || $next->dot($direction) > 0.95);
            $direction = $next;
            $at = $at->plus($direction->times($leg + 100 * abs(self::random())));
            $stops[] = ['at' => $at->toArray()];
        }
        $to = array_pop($stops);

        return self::file($stops, $to, ['stock.min_straight' => 0]);
    }

    /** In [-1, 1]. */
    public static function random(): float
    {
        return mt_rand() / mt_getrandmax() * 2 - 1;
    }
}
