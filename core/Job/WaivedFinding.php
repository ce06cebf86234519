<?php

declare(strict_types=1);

namespace Bowline\Job;

/**
 * A finding of a run or a harness that is accepted, with the reason. Once it is worse than it was then, it counts
 * again.
 */
final readonly class WaivedFinding
{
    /** Share of how far it was off by which it may be worse, and the least amount of that, in the units of its rule. */
    private const WORSE = 0.01;

    private const LEAST = 0.05;

    /**
     * @param  string  $rule  id of the rule
     * @param  string  $of  what of the run or the harness it is about: "bend 2", "wire 12"
     * @param  float|null  $off  how far what there was is from what is needed; null where the rule tells no figures
     * @param  string|null  $by  who waived it, where that is known
     */
    private function __construct(
        public string $rule,
        public string $of,
        public ?float $off,
        public string $reason,
        public ?string $by,
    ) {
    }

    /** @throws JobError */
    public static function read(Node $node): self
    {
        $reason = $node->get('reason');
        $off = $node->find('off')?->value;

        return new self(
            $node->get('rule')->text(), $node->get('of')->text(), is_int($off) || is_float($off) ? (float) $off : null,
            trim($reason->text()) !== '' ? trim($reason->text()) : throw $reason->error('say why it is waived'),
            $node->find('by')?->text(),
        );
    }

    /** @param  float|null  $off  how far it is off now */
    private function covers(string $rule, string $of, ?float $off): bool
    {
        return $this->rule === $rule && $this->of === $of && (
            $off === null || ($this->off !== null && $off <= $this->off + max(self::LEAST, self::WORSE * $this->off))
        );
    }

    /**
     * Returns the reason for which the first of several that covers a finding accepts it, and who did; null where none
     * does.
     *
     * @param  list<self>  $waived
     * @param  float|null  $off  how far it is off now
     */
    public static function reasonOf(array $waived, string $rule, string $of, ?float $off): ?string
    {
        foreach ($waived as $one) {
            if ($one->covers($rule, $of, $off)) {
                return Waiver::said($one->reason, $one->by);
            }
        }

        return null;
    }
}
