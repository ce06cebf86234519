<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Job\FileValue;
use Bowline\Job\Node;
use Bowline\Job\Values;
use stdClass;

/** Converts a row of the stock catalogue to a stock of the job file, and back. */
final class CatalogueStock
{
    /**
     * @param  array<string, string|float|null>  $row  by column (CatalogueRows)
     * @return stdClass in the shape of the job file
     */
    public static function stock(string $id, array $row): stdClass
    {
        $number = static fn (string $key): int|float => FileValue::roundForFile((float) ($row[$key] ?? 0.0));
        $text = static fn (string $key): string => (string) ($row[$key] ?? '');
        $optional = static fn (string ...$keys): array => array_combine(
            $keys,
            array_map(static fn (string $key): int|float|null => isset($row[$key]) ? $number($key) : null, $keys),
        );
        $given = static fn (mixed $value): bool => $value !== null;
        $pressure = [
            $optional('pressure_shortest')['pressure_shortest'],
            $optional('pressure_longest')['pressure_longest'],
        ];
        $layers = CatalogueRows::readLayers($text(CatalogueRows::LAYERS), (float) ($row['od'] ?? 0.0)) ?? [];

        return (object) [
            'id' => $id,
            'kind' => $text('kind'),
            'name' => $text('name'),
            'part_number' => $text('part_number'),
            ...$text('standard') === '' ? [] : ['standard' => $text('standard')],
            'section' => (object) [
                'shape' => 'round',
                'od' => $number('od'),
                ...$number('wall') > 0 ? ['wall' => $number('wall')] : [],
            ],
            'bend' => (object) [
                'radius' => $number('radius'),
                'min_radius' => $number('min_radius'),
                'min_straight' => $number('min_straight'),
                ...array_filter($optional('moving_radius'), $given),
            ],
            'density' => $number('density'),
            ...array_filter($optional('mass', 'stiffness'), $given),
            ...in_array(null, $pressure, true)
                ? []
                : ['pressure' => (object) ['shortest' => $pressure[0], 'longest' => $pressure[1]]],
            ...$layers === []
                ? []
                : ['layers' => array_map(static fn (array $layer): stdClass => (object) $layer, $layers)],
        ];
    }

    /**
     * @param  Node  $stock  of a job
     * @param  Values  $values  of the job, which its numbers may be told by
     * @return array<string, string|float|null> by column
     */
    public static function row(Node $stock, Values $values): array
    {
        $number = static fn (?Node $said): ?float => $said === null ? null : $values->number($said);
        $text = static fn (string $key): string => $stock->find($key)?->text() ?? '';
        $bend = $stock->get('bend');
        $section = $stock->get('section');
        if ($section->find('od') === null) {
            throw $section->error('the catalogue has round sections alone');
        }
        $name = $text('name') === '' ? $text('id') : $text('name');

        return [
            'part_number' => $text('part_number') === '' ? $text('id') : $text('part_number'),
            'kind' => $text('kind'),
            'name' => $name,
            'standard' => '',
            'od' => $number($section->get('od')),
            'wall' => $number($section->find('wall')) ?? 0.0,
            'radius' => $number($bend->get('radius')),
            'min_radius' => $number($bend->get('min_radius')),
            'min_straight' => $number($bend->get('min_straight')),
            'density' => $number($stock->get('density')),
            'moving_radius' => $number($bend->find('moving_radius')),
            'mass' => $number($stock->find('mass')),
            'stiffness' => $number($stock->find('stiffness')),
            'pressure_shortest' => $number($stock->find('pressure')?->get('shortest')),
            'pressure_longest' => $number($stock->find('pressure')?->get('longest')),
            CatalogueRows::LAYERS => implode(
                '; ',
                array_map(
                    static fn (Node $layer): string => $layer->get('name')->text().' '.$number($layer->get('od')),
                    $stock->list('layers'),
                ),
            ),
        ];
    }
}
