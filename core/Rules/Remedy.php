<?php

declare(strict_types=1);

namespace Bowline\Rules;

use stdClass;

/** A cure for a finding: its label, and the item of the job with the cure applied, in the shape of the file. */
final readonly class Remedy
{
    /**
     * @param  string  $label  what the button says
     * @param  'runs'|'clamps'|'harnesses'  $list  the list of the job the item is in
     * @param  stdClass  $item  the item with its id, in the shape of the job file
     * @param  string|null  $way  remedies of one way differ only in how far they go; the first that cures is enough
     */
    public function __construct(
        public string $label,
        public string $list,
        public stdClass $item,
        public ?string $way = null,
    ) {
    }
}
