<?php

declare(strict_types=1);

namespace Bowline\Exchange\Pack;

use Bowline\Drawing\Plan\Plan;
use Bowline\Exchange\ListTable;
use Closure;

/** A drawing or a list that can be made of a job. */
final readonly class Document
{
    /**
     * @param  string  $kind  one of JobDocuments::KINDS
     * @param  string  $name  of its file, without an ending: "feed-bend-sheet"
     * @param  string  $title  "Bend sheet: Sea-water feed"
     * @param  Closure(): non-empty-list<Plan>  $pages  draws it, which may take seconds
     * @param  ListTable|null  $table  of a list, to be written as CSV, too
     */
    public function __construct(
        public string $kind,
        public string $name,
        public string $title,
        public Closure $pages,
        public ?ListTable $table = null,
    ) {
    }
}
