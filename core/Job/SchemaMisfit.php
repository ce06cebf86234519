<?php

declare(strict_types=1);

namespace Bowline\Job;

/** Where data does not fit its schema, and why. */
final readonly class SchemaMisfit
{
    /**
     * @param  list<string>  $path  keys from the inside outwards
     * @param  string|null  $missing  a key that is missing there
     */
    private function __construct(
        public string $reason,
        public array $path,
        private ?string $missing,
    ) {
    }

    public static function here(string $reason): self
    {
        return new self($reason, [], null);
    }

    public static function missing(string $key): self
    {
        return new self(sprintf('“%s” is missing', $key), [], $key);
    }

    /** Returns the misfit relative to the parent. */
    public function within(string $key): self
    {
        return new self($this->reason, [...$this->path, $key], $this->missing);
    }

    /** Returns its JSON pointer; for a missing key, that of the key. */
    public function pointer(): string
    {
        $path = [...array_reverse($this->path), ...$this->missing === null ? [] : [$this->missing]];

        return implode(
            '',
            array_map(static fn (string $key): string => '/'.str_replace(['~', '/'], ['~0', '~1'], $key), $path),
        );
    }
}
