<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Geometry\Tolerance;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Job\Tie\Tie;
use Bowline\Routing\TieSolution;
use Bowline\Routing\VertexPlace;

/** Sets the direction of a leg, its length, or both. */
final readonly class SetLeg implements RunEdit
{
    use ReadsVertex;

    /**
     * @param  int  $vertex  the corner at the leg's end
     * @param  string|list<mixed>|null  $along  "+x" … "-z" or three numbers; null keeps the direction
     * @param  int|float|string|null  $length  a number or an expression; null keeps the length
     * @param  string|null  $until  a port or clamp to be level with, instead of a length
     */
    public function __construct(
        private int $vertex,
        private string|array|null $along,
        private int|float|string|null $length,
        private ?string $until = null,
    ) {
    }

    public static function word(): string
    {
        return 'set-leg';
    }

    public static function label(): string
    {
        return 'Change a leg of %s';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        $along = $body->find('along');
        $length = $body->find('length');
        if ($along !== null) {
            $site->values->direction($along);
        }
        if ($length !== null) {
            $site->values->positive($length, 'the length of a leg');
        }
        $direction = $along?->value;
        $amount = $length?->value;

        return new self(
            self::vertexOf($body),
            is_string($direction) || is_array($direction)
                ? (is_array($direction)
                    ? array_values($direction)
                    : $direction)
                : null,
            is_int($amount) || is_float($amount) || is_string($amount) ? $amount : null,
            $body->find('until')?->text(),
        );
    }

    /** @throws EditError when the leg has no length of its own */
    public function apply(RunDraft $draft): void
    {
        $corner = $draft->vertex($this->vertex);
        $lead = match ($corner->place) {
            VertexPlace::FromLead => 'from',
            VertexPlace::To => $draft->laid->run->to->lead === null ? null : 'to',
            default => null,
        };
        if ($lead !== null) {
            if ($this->along !== null || $this->until !== null || $this->length === null) {
                throw new EditError('A lead runs along the axis of its port; only its length can be given.');
            }
            $draft->end($lead)->lead = $this->length;

            return;
        }
        $draft->refuseFollowing($corner);
        if ($corner->stop === null) {
            throw new EditError('This leg closes the run; it is as long as the corner before it leaves it.');
        }
        $this->refuseTied($draft);
        $draft->stops->setLeg($corner->stop, $this->vertex, $this->along, $this->length, $this->until);
    }

    /**
     * Refuses a leg whose tied corner allows no such change.
     *
     * @throws EditError
     */
    private function refuseTied(RunDraft $draft): void
    {
        $tied = $draft->laid->tied[$this->vertex] ?? null;
        if ($tied === null) {
            return;
        }
        $leg = $draft
            ->vertex($this->vertex)
            ->at->minus($draft->vertex($this->vertex - 1)->at)
            ->unit();
        $isOpen = $leg->minus(TieSolution::allowed($leg, $tied->held->free))->length() < Tolerance::COINCIDENT;
        if ($this->along !== null || $this->until !== null || ! $isOpen) {
            throw new EditError(
                sprintf(
                    'Corner %d is %s, which says where this leg ends. Let go of that first.',
                    $this->vertex,
                    implode(
                        ' and ',
                        array_map(static fn (Tie $tie): string => $tie->words($draft->laid->run->units), $tied->ties),
                    ),
                ),
            );
        }
    }
}
