<?php

declare(strict_types=1);

namespace Bowline\Materials;

/** A row of a bill of materials: how many of something bought, or how much of a stock. */
final readonly class PartCount
{
    /** @param  float  $length  of stock, mm; 0 of what is counted */
    private function __construct(
        public BoughtPart $part,
        public int $count,
        public float $length,
    ) {
    }

    /**
     * Counts what is the same, in the order of a list: stock first, equipment last.
     *
     * @param  list<BoughtPart>  $parts
     * @param  bool  $bySpool  whether what is for different spools is counted apart
     * @return list<self>
     */
    public static function all(array $parts, bool $bySpool = false): array
    {
        $counts = [];
        foreach ($parts as $part) {
            $key = ($bySpool ? $part->spool : '')."\n".$part->kind."\n".$part->words;
            $before = $counts[$key] ?? new self($part, 0, 0.0);
            $counts[$key] = new self(
                $before->part, $before->count + $part->count, $before->length + ($part->length ?? 0.0),
            );
        }
        $order = static fn (self $one): array => [
            $bySpool ? $one->part->spool : '', $one->part->rank(), $one->part->words,
        ];
        usort($counts, static fn (self $one, self $other): int => $order($one) <=> $order($other));

        return $counts;
    }

    /** Returns the mass of stock, kg; null of what is counted. */
    public function mass(): ?float
    {
        return $this->part->massPerMetre === null ? null : $this->part->massPerMetre * $this->length * 1e-3;
    }
}
