<?php

declare(strict_types=1);

namespace Bowline\Clearance;

use Bowline\Geometry\Bounds;
use Bowline\Job\Clamp;
use Bowline\Job\Fitting;
use Bowline\Job\ItemRef;
use Bowline\Job\Part\Room;
use Bowline\Job\Part\Solid;
use Bowline\Job\Site;
use Bowline\Job\Surrounding;

/** A fitting, the room beside one, a clamp, or a thing of the surroundings. */
final readonly class SolidThing implements Thing
{
    /** Least width of a clamp, mm. */
    private const THINNEST = 0.1;

    private Bounds $bounds;

    /**
     * @param  non-empty-list<SolidPiece>  $pieces
     * @param  string|null  $room  what it stays free for, where it is the room beside a fitting
     */
    private function __construct(
        private ItemRef $ref,
        private string $name,
        private array $pieces,
        private ?string $room = null,
    ) {
        $this->bounds = Bounds::around(array_map(static fn (SolidPiece $piece): Bounds => $piece->bounds(), $pieces));
    }

    /** @return list<self> the body of a fitting, a clamp or a thing of the surroundings, and the rooms beside it */
    public static function of(ItemRef $ref, Site $site): array
    {
        $fitting = $ref->list === 'fittings' ? $site->fittings[$ref->id] ?? null : null;
        $clamp = $ref->list === 'clamps' ? $site->clamps[$ref->id] ?? null : null;
        $surrounding = $ref->list === 'surroundings' ? $site->surroundings[$ref->id] ?? null : null;

        return array_values(array_filter([
            $fitting === null ? null : self::ofFitting($fitting), $clamp === null ? null : self::ofClamp($clamp),
            $surrounding === null ? null : self::ofSurrounding($surrounding),
            ...$fitting === null ? [] : self::roomsOf($fitting),
        ]));
    }

    /** @return self|null null where it has no body */
    public static function ofFitting(Fitting $fitting): ?self
    {
        $pieces = [];
        foreach ($fitting->solids as $solid) {
            $pieces[] = new SolidPiece($solid->shape, $solid->pose->within($fitting->pose));
        }

        return $pieces === [] ? null : new self(ItemRef::fitting($fitting->id), $fitting->name, $pieces);
    }

    /** @return list<self> the rooms that stay free beside it, one for each use */
    public static function roomsOf(Fitting $fitting): array
    {
        $pieces = [];
        foreach ($fitting->rooms as $room) {
            $pieces[$room->use][] = new SolidPiece($room->solid->shape, $room->solid->pose->within($fitting->pose));
        }

        return array_map(
            static fn (string $use, array $of): self => new self(
                ItemRef::fitting($fitting->id), $fitting->name, $of, $use,
            ),
            array_keys($pieces), $pieces,
        );
    }

    /**
     * @param  string|null  $room  what it stays free for; null for its body
     * @return self|null null where it has none
     */
    public static function ofPart(Fitting $fitting, ?string $room): ?self
    {
        foreach ($room === null ? [self::ofFitting($fitting)] : self::roomsOf($fitting) as $thing) {
            if ($thing?->room === $room) {
                return $thing;
            }
        }

        return null;
    }

    /** @return self|null null where its triangles are not at hand */
    public static function ofSurrounding(Surrounding $one): ?self
    {
        return $one->shape->isUnknown() ? null : new self(
            ItemRef::of('surroundings', $one->id), $one->name, [new SolidPiece($one->shape, $one->pose)],
        );
    }

    /** Returns what the bore of a clamp takes; it is told no more of. */
    public static function ofClamp(Clamp $clamp): self
    {
        $half = $clamp->axis->times(max($clamp->width, self::THINNEST) / 2);
        $round = Solid::round($clamp->at->minus($half), $clamp->at->plus($half), $clamp->bore);

        return new self(ItemRef::of('clamps', $clamp->id), $clamp->name, [new SolidPiece($round->shape, $round->pose)]);
    }

    public function ref(): ItemRef
    {
        return $this->ref;
    }

    public function name(): string
    {
        return $this->name;
    }

    public function room(): ?string
    {
        return $this->room;
    }

    public function carries(): ?string
    {
        return null;
    }

    public function bounds(): Bounds
    {
        return $this->bounds;
    }

    /** @return list<SolidPiece> */
    public function surfaces(Bounds $box, float $within, array $without = []): array
    {
        return array_values(array_filter(
            $this->pieces,
            static fn (SolidPiece $piece): bool => $piece->bounds()->distanceToBox($box) <= $within,
        ));
    }
}
