<?php

declare(strict_types=1);

namespace Bowline\Job;

/** How far things have to be apart, by the classes of what they carry, and which of it is waived. Millimetres. */
final readonly class ClearanceTable
{
    /**
     * @param  float  $usual  where no row is about them
     * @param  list<array{list<string>, float, string|null}>  $rows  one class, which keeps that off everything, or two;
     *     distance; why
     * @param  list<Waiver>  $waivers
     */
    private function __construct(
        private float $usual,
        private array $rows,
        public array $waivers,
    ) {
    }

    /** @throws JobError */
    public static function read(Node $job, Values $values): self
    {
        $node = $job->find('clearances');
        $rows = array_map(static fn (Node $row): array => [
            self::classes($row->get('classes')), $values->notNegative($row->get('distance'), 'the distance'),
            $row->find('why')?->text(),
        ], $node?->list('between') ?? []);
        $known = [];
        foreach ($rows as $i => [$classes]) {
            sort($classes);
            $key = implode("\n", $classes);
            if (isset($known[$key])) {
                throw JobError::at('/clearances/between/'.$i.'/classes', sprintf(
                    'there is a row for %s already', implode(' and ', $classes),
                ));
            }
            $known[$key] = true;
        }

        return new self(
            $values->notNegative($node?->find('usual'), 'the usual distance'), $rows,
            array_map(static fn (Node $one): Waiver => Waiver::read($one, $values), $job->list('waivers')),
        );
    }

    /**
     * @return list<string>
     *
     * @throws JobError
     */
    private static function classes(Node $node): array
    {
        $classes = array_map(static fn (Node $one): string => $one->text(), $node->items());

        return count($classes) === 1 || count($classes) === 2
            ? $classes
            : throw $node->error('a row is about one class, or about two');
    }

    /**
     * Returns how far things of two classes have to be apart, mm, and why: by the row about both, else by the greatest
     * of those about one, else as usual.
     *
     * @return array{float, string|null}
     */
    public function between(?string $one, ?string $other): array
    {
        $wanted = [$one, $other];
        sort($wanted);
        $best = null;
        foreach ($this->rows as [$classes, $distance, $why]) {
            sort($classes);
            if ($classes === $wanted) {
                return [$distance, $why];
            }
            $isAbout = count($classes) === 1 && in_array($classes[0], $wanted, true);
            if ($isAbout && ($best === null || $distance > $best[0])) {
                $best = [$distance, $why];
            }
        }

        return $best ?? [$this->usual, null];
    }

    /** Returns the greatest distance that anything has to keep off anything, mm. */
    public function most(): float
    {
        return max([$this->usual, ...array_column($this->rows, 1)]);
    }

    /** Returns the waiver of what two things lack; null where there is none, or it has become worse. */
    public function waived(ItemRef $one, ItemRef $other, float $distance): ?Waiver
    {
        foreach ($this->waivers as $waiver) {
            if ($waiver->covers($one, $other, $distance)) {
                return $waiver;
            }
        }

        return null;
    }
}
