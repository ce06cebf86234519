<?php

declare(strict_types=1);

namespace Bowline\Drawing\Plan;

use Bowline\Job\JobError;
use Closure;
use Countable;

/** The pages of a drawing: how many there are is known before any of them is drawn. */
final readonly class Pages implements Countable
{
    /** @param  non-empty-list<Closure(): Plan>  $pages  each draws its page */
    public function __construct(private array $pages)
    {
    }

    /** @param  non-empty-list<Plan>  $plans  pages that are drawn already */
    public static function drawn(array $plans): self
    {
        return new self(array_map(static fn (Plan $plan): Closure => static fn (): Plan => $plan, $plans));
    }

    public function count(): int
    {
        return count($this->pages);
    }

    /**
     * Draws one page.
     *
     * @param  int  $page  from 0
     *
     * @throws JobError when there is no such page
     */
    public function at(int $page): Plan
    {
        $draw = $this->pages[$page] ?? throw JobError::at('', sprintf(
            'there is no page %d; it has %d', $page + 1, count($this),
        ));

        return $draw();
    }

    /** @return non-empty-list<Plan> all pages, drawn */
    public function all(): array
    {
        return array_map(static fn (Closure $draw): Plan => $draw(), $this->pages);
    }
}
