<?php

declare(strict_types=1);

namespace Bowline\Job;

/** Two things that may be nearer to each other than they should, with the reason. */
final readonly class Waiver
{
    /** By how much nearer they may come before it does not count any more, mm. */
    private const WORSE = 0.05;

    /**
     * @param  float  $distance  at which it was waived, mm; negative inside each other
     * @param  string|null  $by  who waived it, where that is known
     */
    private function __construct(
        public ItemRef $one,
        public ItemRef $other,
        public float $distance,
        public string $reason,
        public ?string $by,
    ) {
    }

    /** @throws JobError */
    public static function read(Node $node, Values $values): self
    {
        $reason = $node->get('reason');

        return new self(
            self::ref($node->get('a')), self::ref($node->get('b')), $values->number($node->get('distance')),
            trim($reason->text()) !== '' ? $reason->text() : throw $reason->error('say why it is waived'),
            $node->find('by')?->text(),
        );
    }

    /** @throws JobError */
    private static function ref(Node $node): ItemRef
    {
        return ItemRef::of($node->get('list')->text(), $node->get('id')->text());
    }

    /** Returns a reason with who waived something for it, as it is told to people. */
    public static function said(string $reason, ?string $by): string
    {
        return $by === null || trim($by) === '' ? $reason : sprintf('%s (%s)', $reason, trim($by));
    }

    public function covers(ItemRef $one, ItemRef $other, float $distance): bool
    {
        $keys = [$this->one->key(), $this->other->key()];

        return $distance >= $this->distance - self::WORSE
            && in_array([$one->key(), $other->key()], [$keys, array_reverse($keys)], true);
    }
}
