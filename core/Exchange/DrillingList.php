<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Body\Block\BlockBody;
use Bowline\Body\Block\Drilling;
use Bowline\Body\Block\Roof;
use Bowline\Job;
use Bowline\Job\JobError;

/** Lists what is drilled into a block, and what is hard to print in it (schema/api.json, `drillings`; CSV). */
final class DrillingList
{
    /**
     * @return array{drillings: list<array<string, mixed>>, others: list<string>, roofs: list<array<string, mixed>>} mm
     *     and degrees; names of the channels that cannot be drilled, as they bend or are not round; the roofs in all of
     *     them, where the block is printed as it stands
     *
     * @throws JobError where there is no block of that id, or it cannot be made
     */
    public static function write(Job $job, string $block): array
    {
        $drillings = $others = $roofs = [];
        $made = self::made($job, $block);
        foreach ($made->cuts as $cut) {
            $roof = Roof::of($cut, $job->site->up);
            $roofs[] = [
                'run' => $cut->laid->run->id,
                'name' => $cut->laid->run->name,
                'slope' => rad2deg($roof->slope),
                'at' => $roof->at->withoutNegativeZeros(),
                'span' => $roof->span,
                'length' => $roof->length,
            ];
            $one = Drilling::of($cut, $made->isOpen($cut));
            if ($one === null) {
                $others[] = $cut->laid->run->name;

                continue;
            }
            $drillings[] = [
                'run' => $one->laid->run->id,
                'name' => $one->laid->run->name,
                'face' => $one->face->words,
                'at' => $one->at->withoutNegativeZeros(),
                'right' => $one->right,
                'up' => $one->up,
                'angle' => rad2deg($one->angle),
                'depth' => $one->depth,
                'diameter' => $one->diameter,
                'through' => $one->isThrough,
                'plug' => $one->isPlugged,
            ];
        }

        return ['drillings' => $drillings, 'others' => $others, 'roofs' => $roofs];
    }

    /**
     * Returns a row a drilling, lengths in the units of the job.
     *
     * @throws JobError where there is no block of that id, or it cannot be made
     */
    public static function csv(Job $job, string $block): string
    {
        $units = $job->site->units;
        $length = static fn (float $mm): string => CsvTables::number($units->amount($mm));
        $rows = [];
        $made = self::made($job, $block);
        foreach ($made->cuts as $cut) {
            $one = Drilling::of($cut, $made->isOpen($cut));
            if ($one !== null) {
                $rows[] = [
                    CsvCell::text($one->laid->run->name), CsvCell::text($one->face->words), $length($one->right),
                    $length($one->up), CsvTables::number(rad2deg($one->angle)), $length($one->depth),
                    $length($one->diameter), $one->isThrough ? 'through' : 'blind', $one->isPlugged ? 'plug' : '',
                ];
            }
        }
        $word = $units->word();

        return CsvTables::csv([
            [
                'drilling', 'face', 'right_'.$word, 'up_'.$word, 'angle_deg', 'depth_'.$word, 'diameter_'.$word, 'ends',
                'mouth',
            ],
            ...$rows,
        ]);
    }

    /** @throws JobError */
    private static function made(Job $job, string $block): BlockBody
    {
        return BlockBodies::made($job, BlockBodies::channels($job)[$block]
            ?? throw JobError::at('/runs', sprintf('no channel goes through “%s”', $block)));
    }
}
