<?php

declare(strict_types=1);

namespace Bowline\Job;

use stdClass;

/**
 * What a run carries, as the legend of a job has it: a name, a colour, bands to tell it by without colour, and the
 * class by which it is kept off others (`ClearanceTable`).
 */
final readonly class Service
{
    /** Most bands of a service. */
    public const MOST_BANDS = 4;

    /** The legend of a job that tells none, in the shape of the job file. */
    public const SHIPPED = [
        ['id' => 'sea-water', 'name' => 'Sea water', 'colour' => '#2f7f8f', 'bands' => 1],
        ['id' => 'cooling', 'name' => 'Cooling water', 'colour' => '#4c8f6b', 'bands' => 2],
        ['id' => 'fuel', 'name' => 'Fuel', 'colour' => '#b5762a', 'bands' => 3, 'class' => 'fuel'],
        ['id' => 'hydraulic', 'name' => 'Hydraulic oil', 'colour' => '#7c5a86', 'bands' => 4],
        ['id' => 'air', 'name' => 'Air', 'colour' => '#9fb0b8', 'bands' => 0],
        ['id' => 'drain', 'name' => 'Drain and vent', 'colour' => '#6b7a5a', 'bands' => 1, 'class' => 'drain'],
        ['id' => 'power', 'name' => 'Power', 'colour' => '#a8493a', 'bands' => 2, 'class' => 'live'],
        ['id' => 'data', 'name' => 'Data and signal', 'colour' => '#3f5f8f', 'bands' => 3, 'class' => 'data'],
    ];

    private function __construct(
        public string $id,
        public string $name,
        public string $colour,
        public int $bands,
        public ?string $class = null,
    ) {
    }

    /** @throws JobError */
    public static function read(Node $node, Values $values): self
    {
        $colour = $node->get('colour');
        $bands = $node->find('bands');
        $count = $bands === null ? 0 : $values->count($bands, 'the number of bands');

        return new self(
            $node->get('id')->text(), $node->find('name')?->text() ?? $node->get('id')->text(),
            preg_match('/^#[0-9a-f]{6}$/i', $colour->text()) === 1
                ? $colour->text()
                : throw $colour->error('a colour is “#” and six hexadecimal digits: #2f7f8f'),
            $count <= self::MOST_BANDS
                ? $count
                : throw $node->get('bands')->error(sprintf('there are at most %d bands', self::MOST_BANDS)),
            $node->find('class')?->text(),
        );
    }

    /** @return list<mixed> the legend of a job, or the one that ships with the program, in the shape of the job file */
    public static function said(stdClass $job): array
    {
        $said = (new Node($job))->find('services');

        return $said === null
            ? array_map(static fn (array $one): stdClass => (object) $one, self::SHIPPED)
            : array_map(static fn (Node $one): mixed => $one->value, $said->items());
    }

    /** @return array{float, float, float} red, green and blue from 0 to 1 (sRGB) */
    public function rgb(): array
    {
        $part = fn (int $at): float => hexdec(substr($this->colour, $at, 2)) / 255;

        return [$part(1), $part(3), $part(5)];
    }
}
