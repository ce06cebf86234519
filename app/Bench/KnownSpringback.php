<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\MeasuredBendRow;
use Bowline\Shop\BendProgram;
use Bowline\Shop\BendStep;
use Bowline\Shop\Learned;
use Bowline\Shop\MeasuredBend;
use Bowline\Shop\SpringbackModel;

/** What is known of how each stock springs back on each bender, by the radius of the die, from measured bends. */
final class KnownSpringback
{
    /** Most bends of one bender and stock that are taken into account, the newest. */
    private const MOST = 400;

    /** Dies whose radii differ by less are one, mm. */
    private const SAME_RADIUS = 0.5;

    /** @param  list<MeasuredBend>  $bends */
    public function keep(string $bender, string $stock, array $bends): void
    {
        foreach ($bends as $bend) {
            MeasuredBendRow::query()->create([
                'bender' => $bender, 'stock' => $stock, 'radius' => $bend->radius, 'set' => $bend->set,
                'got' => $bend->got, 'feed' => $bend->feed, 'lost' => $bend->lost, 'measured_at' => now(),
            ]);
        }
    }

    /** Returns a program corrected by all that is known; the same where nothing is. */
    public function corrected(BendProgram $program, string $bender, string $stock): BendProgram
    {
        $bends = self::of($bender, $stock);
        if ($bends === []) {
            return $program;
        }

        return $program->corrected(
            static fn (BendStep $step): SpringbackModel => self::model($bends, $step->radius),
            Learned::nothing()->with($bends)->slip,
        );
    }

    /**
     * Returns what is known, one row for each bender, stock and die.
     *
     * @return list<array<string, mixed>> schema/api.json, `knownSpringback`
     */
    public function all(?string $bender = null, ?string $stock = null): array
    {
        $pairs = MeasuredBendRow::query()->select('bender', 'stock')->distinct()
            ->when($bender !== null, static fn ($query) => $query->where('bender', $bender))
            ->when($stock !== null, static fn ($query) => $query->where('stock', $stock))
            ->orderBy('bender')->orderBy('stock')->get();
        $all = [];
        foreach ($pairs as $pair) {
            // What is told is of the same bends as what is corrected by.
            $byDie = collect(self::of($pair->bender, $pair->stock))
                ->groupBy(static fn (MeasuredBend $bend): string => (string) round($bend->radius, 1))
                ->sortKeys(SORT_NUMERIC);
            foreach ($byDie as $bends) {
                $radius = $bends->firstOrFail()->radius;
                $model = self::model(array_values($bends->all()), $radius);
                $all[] = [
                    'bender' => $pair->bender, 'stock' => $pair->stock, 'radius' => $radius,
                    'bends' => $bends->count(), 'springback' => 100.0 * $model->mean[0],
                    'opening' => rad2deg($model->mean[1]), 'uncertainty' => rad2deg($model->uncertainty(M_PI / 2)),
                    'set_for_90' => rad2deg($model->set(M_PI / 2)),
                ];
            }
        }

        return $all;
    }

    /** Forgets what is known of a stock on a bender: of another batch, or of a bender that was mended. */
    public function forget(string $bender, string $stock): void
    {
        MeasuredBendRow::query()->where('bender', $bender)->where('stock', $stock)->delete();
    }

    /** @param  list<MeasuredBend>  $bends */
    private static function model(array $bends, float $radius): SpringbackModel
    {
        return Learned::nothing()->with(array_values(array_filter(
            $bends, static fn (MeasuredBend $bend): bool => abs($bend->radius - $radius) <= self::SAME_RADIUS,
        )))->springback;
    }

    /** @return list<MeasuredBend> */
    private static function of(string $bender, string $stock): array
    {
        return array_values(MeasuredBendRow::query()->where('bender', $bender)->where('stock', $stock)
            ->orderByDesc('id')->limit(self::MOST)->get()->map(self::bend(...))->all());
    }

    private static function bend(MeasuredBendRow $row): MeasuredBend
    {
        return new MeasuredBend($row->radius, $row->set, $row->got, $row->feed, $row->lost);
    }
}
