<?php

declare(strict_types=1);

namespace App\Editing;

use Bowline\Job\Node;

/** One action of a user: its edits, its name, and a token so that it is done only once. */
final readonly class Action
{
    /**
     * @param  list<Node>  $edits  each with `list`, `id`, `item` (null deletes) and optional `was`, the item it was
     *     made from
     * @param  Node|null  $header  `name`, `show_units`, `values`; keys that are left out stay
     * @param  Node|null  $headerWas  the header that the change was made from
     * @param  int|null  $after  revision up to which the sending window has made all later changes itself
     * @param  int|null  $undoes  number of the step that it takes back
     * @param  bool  $isAllowed  whether it is a part of something that was allowed already
     * @param  string|null  $name  name of the step; derived from the changes when null
     */
    public function __construct(
        public array $edits,
        public ?Node $header = null,
        public ?string $name = null,
        public ?string $token = null,
        public ?int $after = null,
        public ?Node $headerWas = null,
        public ?int $undoes = null,
        public bool $isAllowed = false,
    ) {
    }

    /** @param  Node  $body  schema/api.json, `edits` */
    public static function read(Node $body, bool $isAllowed = false): self
    {
        $after = $body->find('after')?->value;

        return new self(
            $body->list('edits'), $body->find('header'), $body->find('name')?->text(), $body->find('token')?->text(),
            is_int($after) ? $after : null, $body->find('header_was'), null, $isAllowed,
        );
    }
}
