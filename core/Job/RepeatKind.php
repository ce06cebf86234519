<?php

declare(strict_types=1);

namespace Bowline\Job;

/** What comes again and again along a run. */
enum RepeatKind: string
{
    case Clip = 'clip';
    case Tie = 'tie';
    case Rib = 'rib';
    case Ring = 'ring';
    case Mark = 'mark';

    /** @return array{float, float} usual width along the run and height over it, mm */
    public function usualSize(): array
    {
        return match ($this) {
            self::Clip => [12.0, 4.0],
            self::Tie => [5.0, 1.5],
            self::Rib => [3.0, 5.0],
            self::Ring => [8.0, 3.0],
            // Printed: as thick as paint, so that it is seen.
            self::Mark => [10.0, 0.1],
        };
    }

    /** Returns how many there are in words: "1 clip", "8 clips". */
    public function words(int $count): string
    {
        return sprintf('%d %s%s', $count, $this->value, $count === 1 ? '' : 's');
    }
}
