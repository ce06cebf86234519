<?php

declare(strict_types=1);

namespace Bowline\Body\Block;

use Bowline\Body\Boundary\OrientedEdge;
use Bowline\Body\Boundary\Solid;
use Bowline\Body\Frame;
use Bowline\Body\Motion\PlaneProjection;
use Bowline\Body\Motion\Translation;
use Bowline\Body\Profile;
use Bowline\Body\SolidBuilder;
use Bowline\Body\Stretch;
use Bowline\Body\Stretches;
use Bowline\Body\SweptSection;
use Bowline\Geometry\Line;
use Bowline\Geometry\Outline;
use Bowline\Geometry\OutlinePiece;
use Bowline\Geometry\Path;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Routing\LaidRun;
use Bowline\Space\SurfaceDistance;
use Bowline\Space\TubeDistance;
use LogicException;

/** A channel in its block: what of its run is cut, and how it comes out at both ends. */
final readonly class ChannelCut
{
    /** @var non-empty-list<array{float, Vector, Vector}> lengths along the path, with its points and directions */
    public array $places;

    /** Of its wall. */
    public SurfaceDistance $surface;

    /** Its section all along, where that is not round. */
    public ?SweptSection $swept;

    /** Distance of the places along it that are looked at, as a part of its reach; fewest and most of them. */
    private const STEP = 0.2;

    private const FEWEST = 32;

    private const MOST = 600;

    /** Points round a section that are looked at where it comes out. */
    private const POINTS = 96;

    /** Turn of a round section where it meets triangles, radians: no part of a circle that is used. */
    private const TURNED = 0.377;

    /**
     * @param  int  $parts  into how many a run of one straight is divided
     * @param  Path  $path  the centreline of what is cut
     */
    private function __construct(
        public LaidRun $laid,
        public BlockShape $block,
        private int $parts,
        public ChannelEnd $start,
        public ChannelEnd $end,
        public Path $path,
        public float $reach,
    ) {
        $count = $path->parts(self::STEP * $reach, self::FEWEST, self::MOST);
        $this->places = array_map(static function (int $i) use ($path, $count): array {
            $along = $path->length * $i / $count;

            return [$along, $path->pointAt($along), $path->directionAt($along)];
        }, range(0, $count));
        $run = $laid->run;
        $this->swept = $run->stock->section->isRound
            ? null
            : SweptSection::along($path, $run->section, $run->stock->section->outside());
        $this->surface = $this->swept ?? TubeDistance::along($path, $reach, false, false);
    }

    /** @return self|null null where the run has no length */
    public static function of(LaidRun $laid, BlockShape $block, float $over): ?self
    {
        if ($laid->path->segments === [] || $laid->length() < Tolerance::COINCIDENT) {
            return null;
        }
        $made = self::made($laid, $block, $over, 2);

        // Where both ends go on to what they meet there is a piece of wall between them.
        return count($made->foundEnds()) < 2 || ! self::isOneStraight($laid->path)
            ? $made
            : self::made($laid, $block, $over, 3);
    }

    private static function isOneStraight(Path $path): bool
    {
        $straights = $path->straights();

        return count($straights) === 1 && $straights[0][1] - $straights[0][0] > $path->length - Tolerance::NOTHING;
    }

    private static function made(LaidRun $laid, BlockShape $block, float $over, int $parts): self
    {
        $run = $laid->run;
        $outline = $run->section->place($run->stock->section->outside());
        [$before, $inner, $behind, $outer] = self::straightEnds($laid, $parts);
        $start = self::endAt(
            $block, $inner, $inner->along->times(-1.0), $before, $run->from->branch === null ? $over : 0.0, $outline,
        );
        $end = self::endAt(
            $block, $outer, $outer->along, $behind, $run->to->branch === null ? $over : 0.0, $outline,
        );

        return new self(
            $laid, $block, $parts, $start, $end, self::between($laid->path, $before, $start, $behind, $end),
            $outline->reach(),
        );
    }

    /**
     * Returns how long it is straight at both ends, and the frame of the section where that begins. Of a round section
     * any frame will do, and its motions need not be made.
     *
     * @return array{float, Frame, float, Frame} mm
     */
    private static function straightEnds(LaidRun $laid, int $parts): array
    {
        $path = $laid->path;
        if (! $laid->run->stock->section->isRound) {
            $stretches = self::stretches($laid, $parts);
            [$first, $last] = [$stretches[0], $stretches[count($stretches) - 1]];

            return [
                $first->straight ?? 0.0, $first->straight === null ? $first->start : $first->end(),
                $last->straight ?? 0.0, $last->straight === null ? $last->end() : $last->start,
            ];
        }
        $straights = $path->straights();
        [$first, $last] = [$straights[0] ?? [INF, INF], $straights[count($straights) - 1] ?? [-INF, -INF]];
        $before = $first[0] < Tolerance::NOTHING ? $first[1] : 0.0;
        $behind = $last[1] > $path->length - Tolerance::NOTHING ? $path->length - $last[0] : 0.0;
        if (self::isOneStraight($path)) {
            [$before, $behind] = [$path->length / $parts, $path->length / $parts];
        }
        $frame = static fn (float $at): Frame => Frame::of(
            $path->pointAt($at), $path->directionAt($at), Vector::zero(),
        );

        return [$before, $frame($before), $behind, $frame($path->length - $behind)];
    }

    /** @return non-empty-list<Stretch> */
    private static function stretches(LaidRun $laid, int $parts): array
    {
        $stretches = self::divided(
            Stretches::along($laid->path, $laid->run->section, $laid->run->stock->section->outsideDiameter / 2), $parts,
        );

        return $stretches === [] ? throw new LogicException('a channel has a length') : $stretches;
    }

    /**
     * Returns a run of one straight in parts, so that each end has its own.
     *
     * @param  list<Stretch>  $stretches
     * @return list<Stretch>
     */
    public static function divided(array $stretches, int $parts): array
    {
        $only = $stretches[0] ?? null;
        if ($only?->straight === null || count($stretches) > 1) {
            return $stretches;
        }
        $way = $only->start->along->times($only->straight / $parts);

        return array_map(static fn (int $i): Stretch => new Stretch(
            $only->start->movedTo($only->start->at->plus($way->times($i))), new Translation($way),
            $only->straight / $parts,
        ), range(0, $parts - 1));
    }

    /**
     * @param  Frame  $frame  of the section where the last straight begins
     * @param  Vector  $direction  of that straight, out of the channel
     * @param  float  $straight  its length, mm; 0 where there is none
     */
    private static function endAt(
        BlockShape $block,
        Frame $frame,
        Vector $direction,
        float $straight,
        float $over,
        Outline $outline,
    ): ChannelEnd {
        $made = static fn (ChannelEndKind $kind, float $length, ?int $face, float $short): ChannelEnd => new ChannelEnd(
            $kind, $frame->at, $direction, $length, $length - $straight, $face, $short,
        );
        $outside = -$block->depthOf($frame->at);
        if ($outside > Tolerance::COINCIDENT) {
            return $made(ChannelEndKind::Outside, $straight, null, $outside);
        }
        [$number, $ahead] = $block->leavingAt($frame->at, $direction);
        if ($ahead > $straight + $over + Tolerance::COINCIDENT) {
            return $made(ChannelEndKind::Blind, $straight + $over, null, $ahead - $straight);
        }
        if ($number === null) {
            return $made(ChannelEndKind::Found, $ahead, null, 0.0);
        }
        $face = $block->faces[$number];
        $slant = $face->normal->minus($direction->times($face->normal->dot($direction)));
        $sine = $slant->length();
        // Where the section comes out first, before its centre.
        $before = $sine < Tolerance::PARALLEL ? 0.0 : $sine / $face->normal->dot($direction)
            * $outline->extent($slant->dot($frame->first) / $sine, $slant->dot($frame->second) / $sine);
        if ($before > max($ahead, Tolerance::COINCIDENT)) {
            return $made(ChannelEndKind::InBend, $ahead, $number, $before - $ahead);
        }
        $onto = new PlaneProjection($direction, $face->frame->at, $face->normal);
        $inside = min(array_map(
            static fn (array $point): float => $face->within($onto->placeAt(1.0)->point($frame->pointAt(...$point))),
            self::pointsOf($outline),
        ));

        return $inside > Tolerance::COINCIDENT
            ? $made(ChannelEndKind::Open, $ahead, $number, 0.0)
            : $made(ChannelEndKind::OverEdge, $ahead, null, -$inside);
    }

    /** @return non-empty-list<array{float, float}> points round an outline, vertices among them */
    public static function pointsOf(Outline $outline): array
    {
        $each = (int) ceil(self::POINTS / count($outline->pieces));

        return array_merge(...array_map(static fn (OutlinePiece $piece): array => array_map(
            static fn (int $i): array => $piece->pointAt($i / $each), range(0, $each - 1),
        ), $outline->pieces));
    }

    /** Returns the centreline of what is cut, or that to the end of its run at one end or the other. */
    public function pathTo(bool $fromTold, bool $toTold): Path
    {
        return $this->path->between(
            $fromTold ? $this->start->beyond : 0.0, $this->path->length - ($toTold ? $this->end->beyond : 0.0),
        );
    }

    /**
     * Returns how far its section reaches from the path in a unit direction, mm.
     *
     * @param  float  $along  developed length, mm
     * @param  Vector  $travel  direction of the path there
     */
    public function extent(Vector $direction, float $along, Vector $travel): float
    {
        return $this->swept?->extent($along, $direction)
            ?? $this->reach * sqrt(max(0.0, 1.0 - $direction->dot($travel) ** 2));
    }

    /** Whether a point lies within the channel. */
    public function holds(Vector $point): bool
    {
        return $this->surface->at($point->x, $point->y, $point->z)[0] < -Tolerance::COINCIDENT;
    }

    private static function between(
        Path $path,
        float $straightBefore,
        ChannelEnd $start,
        float $straightBehind,
        ChannelEnd $end,
    ): Path {
        [$from, $to] = [$straightBefore - $start->length, $path->length - $straightBehind + $end->length];
        $kept = $path->between(max(0.0, $from), min($path->length, $to));

        return new Path([
            ...$from < -Tolerance::NOTHING ? [new Line($start->at(), $path->pointAt(0.0))] : [],
            ...$kept->segments,
            ...$to > $path->length + Tolerance::NOTHING ? [new Line($path->pointAt($path->length), $end->at())] : [],
        ]);
    }

    /**
     * Adds the wall of the channel, which looks into it, and its bottom where it is blind.
     *
     * @return array<int, list<non-empty-list<OrientedEdge>>> the holes that it leaves in faces, by
     *     their number
     */
    public function addTo(SolidBuilder $builder): array
    {
        $holes = [];
        foreach ($this->walls($builder, $this->outline()->reversed()) as [$end, $hole]) {
            if ($end->kind->isFound()) {
                continue;
            }
            if ($end->face === null) {
                $builder->flat(Frame::of($end->at(), $end->direction->times(-1.0), Vector::zero()), [$hole]);
            } else {
                $holes[$end->face][] = $hole->loop;
            }
        }

        return $holes;
    }

    /** Returns the space that is taken out of the block. */
    public function space(): Solid
    {
        $builder = new SolidBuilder;
        foreach ($this->walls($builder, $this->outline()) as [$end, $rim]) {
            $normal = $end->face === null ? $end->direction : $this->block->faces[$end->face]->normal;
            $builder->flat(Frame::of($end->at(), $normal, Vector::zero()), [$rim]);
        }

        return new Solid($this->laid->run->name, [$builder->faces()]);
    }

    /** @return list<ChannelEnd> at which its wall is left open where its last straight begins */
    public function foundEnds(): array
    {
        return array_values(array_filter(
            [$this->start, $this->end], static fn (ChannelEnd $end): bool => $end->kind->isFound(),
        ));
    }

    private function outline(): Outline
    {
        if ($this->foundEnds() !== [] && $this->laid->run->stock->section->isRound) {
            // Turned, so that no vertex of it lies over an edge of the triangles.
            return Outline::circle($this->reach, angle: self::TURNED);
        }

        return $this->laid->run->section->place($this->laid->run->stock->section->outside());
    }

    /** @return list<array{ChannelEnd, Profile}> both ends with the outline there, as seen from outside of the block */
    private function walls(SolidBuilder $builder, Outline $outline): array
    {
        $stretches = self::stretches($this->laid, $this->parts);
        $last = $stretches[count($stretches) - 1];
        $isStraight = [$stretches[0]->straight !== null, $last->straight !== null];
        $middle = array_slice(
            $stretches, $isStraight[0] ? 1 : 0,
            count($stretches) - ($isStraight[0] ? 1 : 0) - ($isStraight[1] ? 1 : 0),
        );
        $frame = $isStraight[0] ? $stretches[0]->end() : $stretches[0]->start;
        $profile = $first = Profile::of($outline, $frame);
        foreach ($middle as $stretch) {
            $profile = $builder->sweep($profile, $stretch->motion);
        }

        return [
            [$this->start, $this->comeOut($builder, $this->start, $first->reversed())],
            [$this->end, $this->comeOut($builder, $this->end, $profile)],
        ];
    }

    private function comeOut(SolidBuilder $builder, ChannelEnd $end, Profile $inner): Profile
    {
        $face = $end->face === null ? null : $this->block->faces[$end->face];
        $isSquare = $face === null || $face->normal->cross($end->direction)->length() < Tolerance::PARALLEL;

        return match (true) {
            $end->kind->isFound() || $end->length < Tolerance::COINCIDENT => $inner,
            $isSquare => $builder->sweep($inner, new Translation($end->direction->times($end->length))),
            default => $builder->sweep(
                $inner, new PlaneProjection($end->direction, $face->frame->at, $face->normal),
            ),
        };
    }
}
