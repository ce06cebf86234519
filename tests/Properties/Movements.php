<?php

declare(strict_types=1);

namespace Tests\Properties;

use Bowline\Routing\FollowsShape;
use stdClass;
use Tests\Jobs;

/**
 * Hanging cables and sprung hoses on things that move anyhow: what is told of the movement against a look at many more
 * positions.
 */
final class Movements implements Property
{
    /** Positions looked at in turn, of a cable and of a hose. */
    private const LOOKS = [1600, 240];

    /** Hoses that come this near to being pulled straight kink without end, and are told as kinked. */
    private const TAUT = 0.98;

    public function __construct(private readonly bool $isHanging)
    {
    }

    public function limits(): array
    {
        return [
            'looser than tightest, share' => 5e-3,
            'slacker than tautest, share' => 1e-5,
            'tauter than tautest, share' => 5e-3,
        ];
    }

    public function differences(int $seed): array
    {
        $laid = Jobs::laid($this->job($seed));
        $sweep = $laid->sweep();
        $route = $laid->run->route;
        assert($sweep !== null && $laid->run->from->movement !== null);
        $cut = $laid->run->withRoute($route->asCut($laid->run));
        $rest = max(0.0, min(1.0, $laid->run->from->movement->placedPart()));
        $looks = self::LOOKS[$this->isHanging ? 0 : 1];
        [$tightest, $tautest] = [INF, 0.0];
        foreach ([1, -1] as $way) {
            $before = $laid;
            for ($i = 0; ($part = $rest + $way * $i / $looks) >= 0.0 && $part <= 1.0; $i++) {
                $run = $cut->moved($part);
                $before =
                    $run->route instanceof FollowsShape ? $run->route->layAfter($run, $before) : $run->route->lay($run);
                $tightest = min($tightest, $before->path->leastRadius() ?? INF);
                [$span, $length] = $run->route->span($run) ?? [0.0, 1.0];
                $tautest = max($tautest, $span / $length);
            }
        }
        $told = $sweep->tautest()->taut ?? 0.0;
        $found = [
            'slacker than tautest, share' => max(0.0, 1.0 - $told / $tautest),
            'tauter than tautest, share' => max(0.0, $told / $tautest - 1.0),
        ];

        return $tautest > self::TAUT && ! $this->isHanging
            ? $found
            : $found + [
                'looser than tightest, share' => is_finite($tightest)
                    ? max(0.0, $sweep->tightest()->leastRadius() / $tightest - 1.0)
                    : 0.0,
            ];
    }

    private function job(int $seed): stdClass
    {
        mt_srand($seed);
        $v = static fn (float $size): array => [$size * Jobs::random(), $size * Jobs::random(), $size * Jobs::random()];

        return Jobs::decoded([
            'format' => 'bowline-job', 'version' => 2, 'values' => new stdClass,
            'stock' => [
                [
                    'id' => 'h',
                    'kind' => 'hose',
                    'section' => ['shape' => 'round', 'od' => 4],
                    'bend' => ['radius' => 60, 'min_radius' => 4, 'min_straight' => 0],
                    'density' => 1500,
                ],
            ],
            'fittings' => [
                [
                    'id' => 'arm',
                    'ports' => [['id' => 'a', 'at' => $v(300), 'axis' => $v(1)]],
                    'moves' => $seed % 2 === 0
                            ? [
                                'swing' => [
                                    'at' => $v(300),
                                    'axis' => $v(1),
                                    'from' => -mt_rand(20, 160),
                                    'to' => mt_rand(10, 160),
                                ],
                            ]
                            : ['to' => ['at' => $v(300), 'turn' => ['about' => $v(1), 'by' => mt_rand(0, 180)]]],
                ],
                ['id' => 'block', 'ports' => [['id' => 'p', 'at' => $v(300), 'axis' => $v(1)]]],
            ],
            'runs' => [
                [
                    'id' => 'r',
                    'stock' => 'h',
                    'from' => ['port' => 'arm.a'],
                    'to' => ['port' => 'block.p'],
                    'route' => $this->isHanging
                        ? ['kind' => 'hang', 'length' => mt_rand(1100, 1600)]
                        : ['kind' => 'spring', 'length' => mt_rand(1000, 1700)],
                ],
            ],
        ]);
    }
}
