<?php

declare(strict_types=1);

namespace App\Editing;

use Bowline\Job\Node;
use stdClass;

/** One item before and after a step; null where it did not exist. The header of the job has the list "". */
final readonly class Change
{
    /** @param  int  $position  where in its list it stands */
    public function __construct(
        public string $list,
        public string $id,
        public ?stdClass $before,
        public ?stdClass $after,
        public int $position,
    ) {
    }

    public static function read(stdClass $kept): self
    {
        $node = new Node($kept);
        $side = static fn (string $key): ?stdClass => ($value = $node->get($key)->value) instanceof stdClass
            ? $value
            : null;
        $position = $node->get('position')->value;

        return new self(
            $node->get('list')->text(),
            $node->get('id')->text(),
            $side('before'),
            $side('after'),
            is_int($position) ? $position : 0,
        );
    }
}
