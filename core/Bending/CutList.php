<?php

declare(strict_types=1);

namespace Bowline\Bending;

use Bowline\Geometry\Tolerance;
use Bowline\Job\RunEnd;
use Bowline\Job\TeeSize;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Spool;

/**
 * What a run, or a spool of it, with elbows or tees is made of, in order: pieces of pipe from weld to weld, and the
 * elbows, tees and ends between them. Each weld takes its root gap off the pipe beside it; two elbows that meet have no
 * pipe between.
 */
final readonly class CutList
{
    /** @param  list<CutPart>  $parts */
    private function __construct(public array $parts)
    {
    }

    /** @return self|null null where it has no elbow or tee, and is bent throughout */
    public static function of(LaidRun $laid): ?self
    {
        $isAtTee = self::isAtTee($laid, $laid->run->from) || self::isAtTee($laid, $laid->run->to);
        if (! $isAtTee && self::bought($laid) === []) {
            return null;
        }

        return new self(array_merge(...array_map(
            static fn (Spool $spool): array => self::parts($spool->laid), Spool::all($laid),
        )));
    }

    /** @return list<array{float, float, CutPart}> elbows and tees in order: from where to where, mm, and what it is */
    private static function bought(LaidRun $laid): array
    {
        $bought = [];
        foreach ($laid->bends as $bend) {
            if ($bend->elbow !== null) {
                $bought[] = [$bend->start, $bend->end(), new CutPart(
                    'elbow', $bend->elbow->words($bend->angle), null, $bend->angle, $bend->radius,
                )];
            }
        }
        $whole = $laid->part->run ?? $laid;
        foreach ($whole->run->tees as $tee) {
            $at = $tee->along - ($laid->part->from ?? 0.0);
            $size = TeeSize::of($whole->stockAlong($tee->along)->section, $tee->branch);
            if ($size !== null && $at > 0.0 && $at < $laid->length()) {
                $bought[] = [$at - $size->run, $at + $size->run, new CutPart('tee', $size->name, null)];
            }
        }
        usort($bought, static fn (array $one, array $other): int => $one[0] <=> $other[0]);

        return $bought;
    }

    /** Whether an end is welded to a bought tee in another run. */
    private static function isAtTee(LaidRun $laid, RunEnd $end): bool
    {
        return $end->branch?->tee($laid->run->stock->section) !== null;
    }

    /** @return list<CutPart> of one spool */
    private static function parts(LaidRun $laid): array
    {
        $gap = $laid->run->weldGap;
        [$parts, $at, $isWelded] = self::end($laid, $laid->run->from);
        foreach (self::bought($laid) as [$start, $end, $part]) {
            array_push($parts, ...self::pipe($laid, $at, $start, ($isWelded ? $gap : 0.0) + $gap));
            $parts[] = $part;
            $at = $end;
            $isWelded = true;
        }
        [$last, $taken, $isEndWelded] = self::end($laid, $laid->run->to);
        $gaps = ($isWelded ? $gap : 0.0) + ($isEndWelded ? $gap : 0.0);
        array_push($parts, ...self::pipe($laid, $at, $laid->length() - $taken, $gaps));

        return [...$parts, ...$last];
    }

    /** Returns the length of all pipe to cut, mm. */
    public function pipeLength(): float
    {
        return array_sum(array_map(static fn (CutPart $part): float => $part->length ?? 0.0, $this->parts));
    }

    /** @return array{list<CutPart>, float, bool} what is bought for an end, the length it takes, and whether by weld */
    private static function end(LaidRun $laid, RunEnd $end): array
    {
        $flange = $end->end->flange($laid->run->stock->section);
        $reducer = $end->end->reducer();
        $part = static fn (string $words): array => [new CutPart('end', $words, null)];

        return match (true) {
            $flange?->neck?->isHub() === true => [
                $part($flange->name ?? 'flange with a neck'), $flange->length(), true,
            ],
            // A plate slips over the pipe, which goes through it.
            $flange !== null => [$part($flange->name ?? 'flange'), 0.0, false],
            $reducer !== null => [$part('reducer'), $reducer->length, true],
            $end->end->cap() !== null => [$part('cap'), 0.0, true],
            default => [[], -$end->trim, self::isAtTee($laid, $end)],
        };
    }

    /** @return list<CutPart> none where nothing is left to cut */
    private static function pipe(LaidRun $laid, float $from, float $to, float $gaps): array
    {
        if ($to - $from - $gaps <= Tolerance::COINCIDENT) {
            return [];
        }
        $piece = Spool::part($laid, max(0.0, $from), min($laid->length(), $to));
        $table = BendTable::ofBends($piece);
        $stretched = $table->length - $table->cutLength;

        return [new CutPart('pipe', $laid->run->stock->name, $to - $from - $gaps - $stretched, bends: $table->rows)];
    }
}
