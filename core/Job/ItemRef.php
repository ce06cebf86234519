<?php

declare(strict_types=1);

namespace Bowline\Job;

use InvalidArgumentException;

/** An item of a job by its list and id, for example the clamp "c1"; or all items of a list. */
final readonly class ItemRef
{
    private const LISTS = ['stock', 'fittings', 'clamps', 'surroundings', 'runs', 'harnesses', 'keep_outs'];

    private const ALL = '*';

    private function __construct(
        public string $list,
        public string $id,
        public bool $isAll = false,
    ) {
    }

    /** @throws InvalidArgumentException when a job has no such list */
    public static function of(string $list, string $id): self
    {
        if (! in_array($list, self::LISTS, true)) {
            throw new InvalidArgumentException(sprintf('A job has no list “%s”.', $list));
        }

        return new self($list, $id);
    }

    public static function run(string $id): self
    {
        return new self('runs', $id);
    }

    public static function fitting(string $id): self
    {
        return new self('fittings', $id);
    }

    public static function all(string $list): self
    {
        return new self($list, self::ALL, true);
    }

    /**
     * Returns what a place in a job file may refer to: "fitting.port", or the id of a clamp.
     *
     * @return list<self>
     */
    public static function ofPlace(string $place): array
    {
        return [new self('clamps', $place), self::fitting(PortName::of($place)->fitting)];
    }

    /** Returns a text that is unique in the job. */
    public function key(): string
    {
        return $this->isAll ? $this->list.' *' : $this->list.'/'.$this->id;
    }

    /**
     * @param  list<self>  $items
     * @return array<string, self> each once, by its key
     */
    public static function unique(array $items): array
    {
        $unique = [];
        foreach ($items as $item) {
            $unique[$item->key()] ??= $item;
        }

        return $unique;
    }

    /**
     * @param  list<self>  $items
     * @return list<string> ids of those that are in a list
     */
    public static function idsIn(string $list, array $items): array
    {
        $ids = [];
        foreach ($items as $item) {
            if ($item->list === $list && ! $item->isAll) {
                $ids[] = $item->id;
            }
        }

        return array_values(array_unique($ids));
    }
}
