<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\RunChange;
use Bowline\Editing\RunDraft;

/** Lays the run in another stock. */
final readonly class SetStock implements RunChange
{
    public function __construct(private string $stock)
    {
    }

    public function apply(RunDraft $draft): void
    {
        $draft->run->stock = $this->stock;
    }
}
