<?php

declare(strict_types=1);

namespace Bowline\Pathfinding;

/** One stretch of a way, from mouth to mouth, and how far out of both it is free. Millimetres. */
final readonly class Passage
{
    /** Farthest that it is looked out of a mouth, mm. */
    private const FAR = 20_000.0;

    private function __construct(
        public Mouth $from,
        public Mouth $to,
        public float $fromClear,
        public float $toClear,
        public float $fromFree,
        public float $toFree,
        public Obstacles $obstacles,
    ) {
    }

    /**
     * @param  callable(list<string>): Obstacles  $obstacles  without items, by their keys
     */
    public static function between(Mouth $from, Mouth $to, callable $obstacles): self
    {
        $all = $obstacles([]);
        [$fromClear, $toClear] = [$from->clearLength($all), $to->clearLength($all)];
        if ($fromClear === null || $toClear === null) {
            $all = $obstacles([...$fromClear === null ? $from->own : [], ...$toClear === null ? $to->own : []]);
        }
        [$fromClear, $toClear] = [$fromClear ?? 0.0, $toClear ?? 0.0];

        return new self(
            $from->withStraight(max($from->straight, $fromClear)), $to->withStraight(max($to->straight, $toClear)),
            $fromClear, $toClear, self::free($from, $fromClear, $all), self::free($to, $toClear, $all), $all,
        );
    }

    private static function free(Mouth $mouth, float $clear, Obstacles $obstacles): float
    {
        $own = $obstacles->onStraight($mouth->at, $mouth->out($clear), $mouth->own) === null ? $clear : 0.0;

        return $own < $clear ? 0.0 : $clear + $obstacles->freeLength($mouth->out($clear), $mouth->axis, self::FAR);
    }

    /** @return array<int, true> numbers of bodies that close a mouth, before any bend */
    public function closing(): array
    {
        $found = [];
        foreach ([[$this->from, $this->fromClear], [$this->to, $this->toClear]] as [$mouth, $clear]) {
            $found[] = $this->obstacles->onStraight($mouth->at, $mouth->out($clear), $mouth->own);
            $found[] = $this->obstacles->onStraight($mouth->out($clear), $mouth->out($mouth->straight));
        }

        return array_fill_keys(array_filter($found, is_int(...)), true);
    }

    /** Returns the first body that a line is too near to, null where it is clear of all. */
    public function body(CornerLine $line): ?int
    {
        return $line->body($this->obstacles, [$this->fromClear, $this->from->own], [$this->toClear, $this->to->own]);
    }
}
