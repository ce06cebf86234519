<?php

declare(strict_types=1);

namespace App\Settling;

use App\Models\Settling;
use Bowline\Geometry\Vector;
use Bowline\Routing\Flexible\SettlingStopped;
use Bowline\Routing\Flexible\Watch;

/** Stores the progress of a run that settles, for windows that show it, and stops it when it is no longer wanted. */
final class SettlingWatch implements Watch
{
    /** Least time between two writes, seconds. */
    private const PAUSE = 0.15;

    private float $told = 0.0;

    public function __construct(private readonly Settling $settling)
    {
    }

    /**
     * Receives the same from another machine.
     *
     * @param  array<string, mixed>  $told  `part` and `points`
     */
    public function told(array $told): void
    {
        $part = $told['part'] ?? null;
        $points = [];
        foreach (is_array($told['points'] ?? null) ? $told['points'] : [] as $point) {
            [$x, $y, $z] = is_array($point) && count($point) === 3 ? array_values($point) : [0.0, 0.0, 0.0];
            if (is_numeric($x) && is_numeric($y) && is_numeric($z)) {
                $points[] = new Vector((float) $x, (float) $y, (float) $z);
            }
        }
        $this->settles(is_numeric($part) ? (float) $part : 0.0, static fn (): array => $points);
    }

    public function settles(float $part, callable $points): void
    {
        if (microtime(true) - $this->told < self::PAUSE) {
            return;
        }
        $this->told = microtime(true);
        $rows = Settling::query()
            ->whereKey($this->settling->id)
            ->where('from', $this->settling->from)
            ->where('state', '!=', 'stopped')
            ->where('state', '!=', 'failed')
            ->toBase()
            ->update([
                'state' => 'settling',
                'part' => $part,
                'points' => json_encode(
                    array_map(
                        static fn (Vector $point): array => array_map(
                            static fn (float $one): float => round($one, 1),
                            $point->toArray(),
                        ),
                        $points(),
                    ),
                    JSON_THROW_ON_ERROR,
                ),
            ]);
        if ($rows === 0) {
            throw new SettlingStopped;
        }
    }
}
