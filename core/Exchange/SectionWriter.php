<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Geometry\Chord;
use Bowline\Geometry\Outline;
use Bowline\Geometry\OutlinePiece;
use Bowline\Job\FileValue;
use Bowline\Job\Section;
use Bowline\Proposals\Defaults;

/** Writes a section for whoever draws and edits it (schema/api.json, `stocks`). */
final class SectionWriter
{
    /** Chords of a drawing of it stand off by this share of its size. */
    private const CHORD = 2e-3;

    /**
     * @return array{
     *     extent: list<float>, outlines: list<list<list<float>>>, shapes: array<string, mixed>, hole: list<mixed>,
     * }
     */
    public static function write(Section $section): array
    {
        $chord = new Chord(self::CHORD * $section->outsideDiameter);

        return [
            'extent' => [
                $section->extent(1.0, 0.0) + $section->extent(-1.0, 0.0),
                $section->extent(0.0, 1.0) + $section->extent(0.0, -1.0),
            ],
            'outlines' => array_map(
                static fn (Outline $outline): array => self::points($outline, $chord),
                [$section->outside(), ...$section->bores()],
            ),
            'shapes' => Defaults::shapes($section),
            'hole' => Defaults::hole($section),
        ];
    }

    /** @return list<list<float>> */
    private static function points(Outline $outline, Chord $chord): array
    {
        return array_merge(...array_map(static function (OutlinePiece $piece) use ($chord): array {
            $count = $piece->centre === null ? 1 : $chord->pieces($piece->radius(), abs($piece->sweep));

            return array_map(
                static fn (int $i): array => array_map(FileValue::roundForFile(...), $piece->pointAt($i / $count)),
                range(0, $count - 1),
            );
        }, $outline->pieces));
    }
}
