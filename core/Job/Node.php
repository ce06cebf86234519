<?php

declare(strict_types=1);

namespace Bowline\Job;

use stdClass;

/**
 * A value of a job file and the JSON pointer to it, so that every error can name its place. The shape of the file was
 * checked against the schema before; the checks here are for callers without a schema.
 */
final readonly class Node
{
    public function __construct(
        public mixed $value,
        public string $pointer = '',
    ) {
    }

    /** @throws JobError when the key is missing */
    public function get(string $key): self
    {
        return $this->find($key) ?? throw JobError::at($this->pointerTo($key), sprintf('“%s” is missing', $key));
    }

    public function find(string $key): ?self
    {
        $value = $this->value;

        return $value instanceof stdClass && property_exists($value, $key)
            ? new self($value->{$key}, $this->pointerTo($key))
            : null;
    }

    /** @return list<self> the items of a list; none when the key is left out */
    public function list(string $key): array
    {
        return $this->find($key)?->items() ?? [];
    }

    /**
     * @return list<self>
     *
     * @throws JobError when this is no list
     */
    public function items(): array
    {
        if (! is_array($this->value)) {
            throw $this->error('a list is expected here');
        }
        $items = [];
        foreach (array_values($this->value) as $index => $value) {
            $items[] = new self($value, $this->pointer.'/'.$index);
        }

        return $items;
    }

    /**
     * @return array<string, self>
     *
     * @throws JobError when this is no object
     */
    public function members(): array
    {
        if (! $this->value instanceof stdClass) {
            throw $this->error('an object is expected here');
        }
        $members = [];
        foreach (get_object_vars($this->value) as $key => $value) {
            $members[(string) $key] = new self($value, $this->pointerTo((string) $key));
        }

        return $members;
    }

    /** @throws JobError when this is no text */
    public function text(): string
    {
        return is_string($this->value) ? $this->value : throw $this->error('a text is expected here');
    }

    /** @throws JobError when this is neither true nor false */
    public function flag(): bool
    {
        return is_bool($this->value) ? $this->value : throw $this->error('true or false is expected here');
    }

    public function object(): stdClass
    {
        return $this->value instanceof stdClass ? $this->value : throw $this->error('an object is expected here');
    }

    public function error(string $reason): JobError
    {
        return JobError::at($this->pointer, $reason);
    }

    private function pointerTo(string $key): string
    {
        return $this->pointer.'/'.(strpbrk($key, '~/') === false ? $key : str_replace(['~', '/'], ['~0', '~1'], $key));
    }
}
