<?php

declare(strict_types=1);

namespace Bowline\Comparison;

use Bowline\Bending\BendTable;
use Bowline\Geometry\RigidFit;
use Bowline\Geometry\Vector;
use Bowline\Job\RunEnd;
use Bowline\Job\Stock;
use Bowline\Routing\Bend;
use Bowline\Routing\LaidRun;

/** A run, or a spool of it, as the thing that a shop makes, wherever it lies. */
final readonly class MadePart
{
    /** Places along a curve by which its shape is compared. */
    private const PLACES = 60;

    /** How far two curves of one shape are apart at most, mm: how closely flexible runs are solved, with room. */
    private const SAME_CURVE = 0.02;

    /** @param  list<Opening>  $openings  in it, in order */
    public function __construct(
        public LaidRun $laid,
        private array $openings = [],
    ) {
    }

    /** Whether it is cut from the same, bent from the same and has the same at its ends. */
    public function isOfSameMaterial(self $other): bool
    {
        return self::isSameStock($this->laid->run->stock, $other->laid->run->stock)
            && self::isSameStock($this->laid->run->lastStock(), $other->laid->run->lastStock())
            && $this->elbows() === $other->elbows()
            && $this->hasSameEnd($other, 'from') && $this->hasSameEnd($other, 'to');
    }

    /** Whether one can be put in the place of the other as it comes from the shop. */
    public function isSame(self $other): bool
    {
        return $this->isOfSameMaterial($other) && $this->hasSameLengths($other) && $this->hasSameSides($other);
    }

    /** Whether its centre line has the same shape. A hose of the same length is the same part in any shape. */
    public function hasSameShape(self $other): bool
    {
        if ($this->laid->path->curves() === [] && $other->laid->path->curves() === []) {
            return $this->hasSameLengths($other);
        }
        [$points, $others] = [$this->places(), $other->places()];

        return $this->hasSameLengths($other)
            && RigidFit::of($points, $others)->worst($points, $others) <= self::SAME_CURVE;
    }

    private function hasSameLengths(self $other): bool
    {
        [$one, $two] = [BendTable::ofBends($this->laid), BendTable::ofBends($other->laid)];
        if (count($one->rows) !== count($two->rows) || ! Alike::lengths($one->length, $two->length)
            || ! Alike::lengths($one->tail, $two->tail)) {
            return false;
        }
        foreach ($one->rows as $i => $row) {
            if (! BendMatching::isSame($row, $two->rows[$i], $i === 0)) {
                return false;
            }
        }

        return true;
    }

    /** Whether bolt holes, branches, and a section that is not round, stand to the bends as they do in another. */
    private function hasSameSides(self $other): bool
    {
        if (count($this->openings) !== count($other->openings)) {
            return false;
        }
        foreach ($this->openings as $i => $opening) {
            if (! $opening->isLike($other->openings[$i], $this->laid, $other->laid)) {
                return false;
            }
        }

        $others = $other->sides();

        return ! in_array(false, array_map(self::isTurnedAlike(...), $this->sides(), $others), true);
    }

    /** @return list<array{float, int}> turns to the bends, radians, and in how many turns each looks the same */
    private function sides(): array
    {
        $sides = [];
        $up = $this->laid->run->section->up;
        foreach (['from' => 0.0, 'to' => $this->laid->length()] as $which => $along) {
            $stock = $which === 'from' ? $this->laid->run->stock : $this->laid->run->lastStock();
            $end = $which === 'from' ? $this->laid->run->from : $this->laid->run->to;
            $holes = $end->end->flange($stock->section)?->holes;
            $turn = PartFrame::turnOf($this->laid, $along, $up->uprightOf($this->laid->path->directionAt($along)));
            $sides[] = [$holes === null ? 0.0 : $turn, $holes === null ? 1 : $holes->count];
            $sides[] = [$stock->section->isRound ? 0.0 : $turn, 1];
        }

        return $sides;
    }

    /**
     * @param  array{float, int}  $one
     * @param  array{float, int}  $other
     */
    private static function isTurnedAlike(array $one, array $other): bool
    {
        return $one[1] === $other[1] && Alike::angles($one[0] * $one[1], $other[0] * $one[1]);
    }

    /** @param  'from'|'to'  $which */
    private function hasSameEnd(self $other, string $which): bool
    {
        [$one, $two] = [$this->end($which), $other->end($which)];
        $stock = $this->laid->stockAtEnd($which);
        $otherStock = $other->laid->stockAtEnd($which);

        return Alike::values($one->end->flange($stock->section), $two->end->flange($otherStock->section))
            && Alike::values($one->end->cap(), $two->end->cap())
            && Alike::values($one->end->reducer(), $two->end->reducer())
            && Alike::values($one->end->collar(), $two->end->collar())
            && $one->end->plugThickness($stock->section->wall) === $two->end->plugThickness($otherStock->section->wall)
            && Alike::lengths($one->trim, $two->trim);
    }

    /** @param  'from'|'to'  $which */
    private function end(string $which): RunEnd
    {
        return $which === 'from' ? $this->laid->run->from : $this->laid->run->to;
    }

    private static function isSameStock(Stock $one, Stock $other): bool
    {
        return $one->kind === $other->kind && $one->density === $other->density
            && Alike::values($one->section, $other->section);
    }

    /** @return list<string|null> as which each bend is bought */
    private function elbows(): array
    {
        $kinds = array_map(static fn (Bend $bend): ?string => $bend->elbow?->value, $this->laid->bends);

        return array_filter($kinds, static fn (?string $kind): bool => $kind !== null) === [] ? [] : $kinds;
    }

    /** @return non-empty-list<Vector> */
    private function places(): array
    {
        return array_map(
            fn (int $i): Vector => $this->laid->pointAt($this->laid->length() * $i / self::PLACES),
            range(0, self::PLACES),
        );
    }
}
