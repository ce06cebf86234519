<?php

declare(strict_types=1);

namespace Bowline\Job\Tie;

use Bowline\Geometry\Vector;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Job\Units;
use Bowline\Job\Words;

/**
 * One relation of a stop: to a port, a clamp, a face or another stop. In the file one of
 * `{"level": "+z", "with": A, "distance": 0}`, `{"away": 40, "from": A}`, `{"on_axis": A}`, `{"parallel": A}`,
 * `{"square": A}`, `{"angle": 30, "to": A}`.
 */
final readonly class Tie
{
    /**
     * @param  float  $amount  mm for level and away, radians for an angle; 0 for the others
     * @param  Vector|null  $along  unit, for level
     */
    private function __construct(
        public TieKind $kind,
        public Anchor $anchor,
        public float $amount,
        public ?Vector $along,
    ) {
    }

    /** @throws JobError */
    public static function read(Node $node, Site $site, ?string $run): self
    {
        $kinds = array_values(
            array_filter(TieKind::cases(), static fn (TieKind $kind): bool => $node->find($kind->value) !== null),
        );
        if (count($kinds) !== 1) {
            throw $node->error('a tie is told by one of “level”, “away”, “on_axis”, “parallel”, “square” or “angle”');
        }
        [$kind, $said] = [$kinds[0], $node->get($kinds[0]->value)];
        $values = $site->values;
        $anchor = AnchorReader::read(match ($kind) {
            TieKind::Level => $node->get('with'),
            TieKind::Away => $node->get('from'),
            TieKind::Angle => $node->get('to'),
            default => $said,
        }, $site, $run);
        $needsDirection = $kind->isOfLeg() || $kind === TieKind::OnAxis;
        if ($needsDirection && ($anchor->direction === null || ($kind === TieKind::OnAxis && $anchor->isFace))) {
            throw $said->error(sprintf('%s has no axis to be tied to', $anchor->words));
        }
        $distance = $node->find('distance');
        $amount = match ($kind) {
            TieKind::Level => $distance === null ? 0.0 : $values->number($distance),
            TieKind::Away => $anchor->isFace ? $values->number($said) : $values->notNegative($said, 'the distance'),
            TieKind::Angle => deg2rad(self::angle($values->number($said), $said)),
            default => 0.0,
        };

        return new self($kind, $anchor, $amount, $kind === TieKind::Level ? $values->direction($said) : null);
    }

    /** Returns "level with pump.out along +z", "40 mm off Hatch". */
    public function words(Units $units): string
    {
        $what = $this->anchor->words;

        return match ($this->kind) {
            TieKind::Level => ($this->amount === 0.0 ? 'level with ' : $units->say($this->amount).' from ').
                $what.
                ' along '.
                Words::direction($this->along ?? Vector::zero()),
            TieKind::Away => $units->say($this->amount).($this->anchor->isFace ? ' off ' : ' from ').$what,
            TieKind::OnAxis => 'on the axis of '.$what,
            TieKind::Parallel => 'its leg along '.$what,
            TieKind::Square => 'its leg square to '.$what,
            TieKind::Angle => sprintf('its leg at %s° to %s', Words::number(rad2deg($this->amount)), $what),
        };
    }

    /**
     * Returns the amount of the tie for which a corner stays where it is, rounded to the step of a drag.
     *
     * @param  Vector  $last  the previous corner
     * @return array{'distance'|'away'|'angle', float} the key of the file, and mm or degrees
     */
    public function measured(Vector $corner, Vector $last, Units $units): array
    {
        $way = $corner->minus($this->anchor->at);
        $direction = $this->anchor->direction;
        if ($this->kind === TieKind::Angle && $direction !== null) {
            $leg = $corner->minus($last)->unit();
            $slope = rad2deg(acos(min(1.0, abs($leg->dot($direction)))));

            return ['angle', round($this->anchor->isFace ? 90.0 - $slope : $slope, 1)];
        }
        if ($this->kind === TieKind::Away) {
            return [
                'away',
                $units->toHandStep(
                    $this->anchor->isFace && $direction !== null ? $way->dot($direction) : $way->length(),
                ),
            ];
        }

        return ['distance', $units->toHandStep($way->dot($this->along ?? Vector::zero()))];
    }

    private static function angle(float $degrees, Node $node): float
    {
        return $degrees >= 0.0 && $degrees <= 90.0
            ? $degrees
            : throw $node->error('an angle to a face or an axis is from 0 to 90 degrees');
    }
}
