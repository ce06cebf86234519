<?php

declare(strict_types=1);

namespace Bowline\Harness;

use Bowline\Job\Harness\Harness;

/** Compares what a tester has found joined with what is to be joined. */
final class ContinuityReport
{
    /**
     * @param  list<list<string>>  $measured  pins that are joined
     * @return list<array{kind: 'open'|'swapped'|'short', pins: list<string>, words: string}> none where all is right
     */
    public static function of(Harness $harness, array $measured): array
    {
        $netOf = $groupOf = [];
        $nets = Nets::of($harness);
        foreach ($nets as $number => $net) {
            foreach ($net->pins as $pin) {
                $netOf[$pin] = $number;
            }
        }
        foreach ($measured as $number => $group) {
            foreach ($group as $pin) {
                $groupOf[$pin] = $number;
            }
        }
        $swapped = self::swapped($nets, $netOf, $groupOf);
        $found = [];
        foreach ($swapped as [$one, $other, $isEither]) {
            // What is wrong with them is told; the rest is looked at as if they were put right.
            [$groupOf[$one], $groupOf[$other]] = [$groupOf[$other], $groupOf[$one]];
            $found[] = ['kind' => 'swapped', 'pins' => [$one, $other], 'words' => sprintf(
                '%s and %s are swapped%s.', $one, $other, $isEither ? ', here or at their other ends' : '',
            )];
        }
        foreach ($nets as $net) {
            $groups = [];
            foreach ($net->pins as $pin) {
                $groups[$groupOf[$pin] ?? -1][] = $pin;
            }
            usort($groups, static fn (array $one, array $other): int => count($other) <=> count($one));
            foreach (array_slice($groups, 1) as $apart) {
                $found[] = ['kind' => 'open', 'pins' => [$groups[0][0], ...$apart], 'words' => sprintf(
                    '%s %s not joined to %s.', implode(', ', $apart), count($apart) === 1 ? 'is' : 'are', $groups[0][0],
                )];
            }
        }
        $byGroup = [];
        foreach ($nets as $number => $net) {
            foreach ($net->pins as $pin) {
                $byGroup[$groupOf[$pin] ?? -1][$number] ??= $pin;
            }
        }
        unset($byGroup[-1]);
        foreach ($byGroup as $pins) {
            foreach (array_slice(array_values($pins), 1) as $pin) {
                $first = array_values($pins)[0];
                $found[] = [
                    'kind' => 'short', 'pins' => [$first, $pin],
                    'words' => sprintf('%s and %s are joined, and should not be.', $first, $pin),
                ];
            }
        }

        return $found;
    }

    /**
     * Returns pairs of pins of which each is joined to what the other should be joined to, and to nothing of its own.
     *
     * @param  list<Net>  $nets
     * @param  array<string, int>  $netOf
     * @param  array<string, int>  $groupOf
     * @return list<array{string, string, bool}> both pins, and whether it may as well be those at their other ends
     */
    private static function swapped(array $nets, array $netOf, array $groupOf): array
    {
        // For each pin, the net whose other pins it is joined to in place of those of its own.
        $elsewhere = [];
        foreach ($netOf as $pin => $net) {
            $others = static fn (int $number): array => array_values(array_filter(
                $nets[$number]->pins, static fn (string $one): bool => $one !== $pin,
            ));
            $own = array_filter(
                $others($net), static fn (string $one): bool => ($groupOf[$one] ?? -1) === ($groupOf[$pin] ?? -2),
            );
            if ($own !== [] || $others($net) === []) {
                continue;
            }
            foreach ($netOf as $other => $second) {
                if ($second !== $net && ($groupOf[$other] ?? -1) === ($groupOf[$pin] ?? -2)) {
                    $elsewhere[$pin] = $second;
                }
            }
        }
        /** @var array<string, array{string, string, bool}> $pairs by both nets: between them there is one swap */
        $pairs = [];
        foreach ($elsewhere as $pin => $net) {
            foreach ($elsewhere as $other => $second) {
                $isPair = $netOf[$other] === $net && $second === $netOf[$pin]
                    && self::isBeside(strval($pin), strval($other));
                $key = min($net, $second).' '.max($net, $second);
                if ($isPair && ! isset($pairs[$key])) {
                    $pairs[$key] = [strval($pin), strval($other), false];
                } elseif ($isPair && ! in_array(strval($pin), array_slice($pairs[$key], 0, 2), true)) {
                    $pairs[$key] = [$pairs[$key][0], $pairs[$key][1], true];
                }
            }
        }

        return array_values($pairs);
    }

    /** Whether two pins are of one connector: wires are swapped where they are plugged in side by side. */
    private static function isBeside(string $one, string $other): bool
    {
        $port = static fn (string $pin): string => implode('.', array_slice(explode('.', $pin), 0, 2));

        return $port($one) === $port($other);
    }
}
