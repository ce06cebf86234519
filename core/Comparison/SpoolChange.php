<?php

declare(strict_types=1);

namespace Bowline\Comparison;

use Bowline\Routing\Spool;

/** What has become of a spool of a run. */
final readonly class SpoolChange
{
    /**
     * @param  string  $mark  "feed-2"
     * @param  string|null  $was  mark of the spool before that it is compared with; null where there was none
     */
    private function __construct(
        public string $mark,
        public SpoolWork $work,
        public ?string $was,
    ) {
    }

    /**
     * Returns what is to be done for each spool of a run. One that is made as another was is kept, whatever its number.
     *
     * @param  list<Spool>  $before
     * @param  list<Spool>  $after
     * @param  list<Opening>  $openingsBefore  in the run, in order along it
     * @param  list<Opening>  $openingsAfter
     * @return list<self>
     */
    public static function all(array $before, array $after, array $openingsBefore, array $openingsAfter): array
    {
        $old = [];
        foreach ($before as $spool) {
            $old[$spool->mark] = new MadePart($spool->laid, Opening::within($openingsBefore, $spool));
        }
        $parts = array_map(
            static fn (Spool $spool): MadePart => new MadePart($spool->laid, Opening::within($openingsAfter, $spool)),
            $after,
        );
        $changes = [];
        // Those that have kept their number first, so that of two alike each keeps its own.
        foreach ([true, false] as $isSameNumber) {
            foreach ($after as $i => $spool) {
                foreach (isset($changes[$i]) ? [] : $old as $mark => $part) {
                    if (($mark === $spool->mark) === $isSameNumber && $part->isSame($parts[$i])) {
                        $changes[$i] = new self($spool->mark, SpoolWork::Keep, $mark);
                        unset($old[$mark]);
                        break;
                    }
                }
            }
        }
        foreach ($after as $i => $spool) {
            $changes[$i] ??= self::anew($spool->mark, $parts[$i], $old[$spool->mark] ?? null);
        }
        ksort($changes);

        return array_values($changes);
    }

    private static function anew(string $mark, MadePart $part, ?MadePart $before): self
    {
        return $before === null
            ? new self($mark, SpoolWork::Make, null)
            : new self($mark, $before->isOfSameMaterial($part) ? SpoolWork::Bend : SpoolWork::Make, $mark);
    }
}
