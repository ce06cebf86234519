<?php

declare(strict_types=1);

namespace App\Editing;

use Bowline\Job\Node;

/** One action of a user: the edits it makes, what to call it, and a token so that it is done only once. */
final readonly class Action
{
    /**
     * @param  list<Node>  $edits  each with `list`, `id`, `item` (null deletes) and perhaps `was`, the item it was
     *     made from
     * @param  Node|null  $header  `name`, `show_units`, `values`; what is left out stays
     * @param  Node|null  $headerWas  the header that the change of it was made from
     * @param  int|null  $after  up to this revision the window that sends it has made itself all that came between
     * @param  string|null  $name  what was done, in words; found from the changes when it is not said
     */
    public function __construct(
        public array $edits,
        public ?Node $header = null,
        public ?string $name = null,
        public ?string $token = null,
        public ?int $after = null,
        public ?Node $headerWas = null,
    ) {
    }

    /** @param  Node  $body  schema/api.json, `edits` */
    public static function read(Node $body): self
    {
        $after = $body->find('after')?->value;

        return new self(
            $body->list('edits'), $body->find('header'), $body->find('name')?->text(), $body->find('token')?->text(),
            is_int($after) ? $after : null, $body->find('header_was'),
        );
    }
}
