<?php

declare(strict_types=1);

namespace App\Machines;

use Bowline\Space\Progress;
use Closure;

/** Tells whoever waits for a long calculation how far it has come, and knows whether they still want it. */
final readonly class Report
{
    /**
     * @param  Closure(array<string, mixed>): void  $tell  told how far it has come; throws to stop it
     * @param  (Closure(): bool)|null  $isOver  whether it has to end with what it has found so far
     */
    public function __construct(
        private Closure $tell,
        private ?Closure $isOver = null,
    ) {
    }

    public static function toNobody(): self
    {
        return new self(static function (): void {
        });
    }

    /** @param  array<string, mixed>  $told  values that can be written as JSON */
    public function tell(array $told): void
    {
        ($this->tell)($told);
    }

    public function isOver(): bool
    {
        return $this->isOver !== null && ($this->isOver)();
    }

    /** Returns a progress that is told as `part`. */
    public function progress(): Progress
    {
        return new Progress(fn (float $part) => $this->tell(['part' => $part]));
    }
}
