<?php

declare(strict_types=1);

namespace Bowline\Body\Block;

use Bowline\Body\Boundary\Face;
use Bowline\Body\Boundary\OrientedEdge;
use Bowline\Body\Frame;
use Bowline\Body\Motion\Motion;
use Bowline\Body\Motion\PlaneProjection;
use Bowline\Body\Motion\Translation;
use Bowline\Body\Profile;
use Bowline\Body\SolidBuilder;
use Bowline\Body\Stretch;
use Bowline\Body\Stretches;
use Bowline\Geometry\Chord;
use Bowline\Geometry\Outline;
use Bowline\Geometry\Path;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\JobError;
use Bowline\Job\SectionPlacement;
use Bowline\Routing\LaidRun;
use Bowline\Space\TubeDistance;

/**
 * A groove along a flat face of a block: the lower side of its section to a depth, straight up to the face. Its ends
 * are open where its path comes to the edge of the face, and square to the path where it does not.
 */
final readonly class GrooveCut
{
    /** How far its path may be off a plane along the face, mm. */
    private const OFF = 1e-4;

    private const CHORD = 0.1;

    /** Distance of the places along it that stand for it, as a part of half its width, and how many at most. */
    private const STEP = 0.25;

    private const MOST = 800;

    /**
     * @param  int  $face  number of the face along which it goes
     * @param  non-empty-list<Stretch>  $stretches  one at least for each end
     * @param  Outline  $profile  across it, its path at x = 0 and the face at y = `$rise`
     * @param  array{array{int, float}|null, array{int, float}|null}  $open  of start and end: number of the face by
     *     which it comes out, and how far that is from where its last straight begins, mm; null where it ends before
     */
    private function __construct(
        public LaidRun $laid,
        private PrismBlock $block,
        public int $face,
        private array $stretches,
        public Outline $profile,
        private float $rise,
        private array $open,
    ) {
    }

    /**
     * @param  float  $depth  of its bottom under the face, mm
     * @param  float  $over  length by which it cuts beyond its ends to come to an edge, mm
     * @param  string  $pointer  in the job, for errors
     * @return self|null null where the run has no length
     *
     * @throws JobError where its path keeps to no face, or it does not come out clean
     */
    public static function of(
        LaidRun $laid,
        PrismBlock $block,
        float $depth,
        float $over,
        string $pointer = '',
    ): ?self {
        $run = $laid->run;
        if ($laid->path->segments === [] || $laid->length() < Tolerance::COINCIDENT) {
            return null;
        }
        [$number, $under] = self::faceOf(
            $laid->path, $block, max($depth, $run->stock->section->outsideDiameter / 2),
        ) ?? throw JobError::at($pointer, sprintf(
            '%s keeps to no face of %s', $run->name, $block->block->name,
        ));
        $face = $block->faces[$number];
        $stretches = ChannelCut::divided(Stretches::along(
            $laid->path, new SectionPlacement($face->normal, true, 0.0), $run->stock->section->outsideDiameter / 2,
        ), 2);
        if ($stretches === []) {
            return null;
        }
        $profile = GrooveProfile::of($run->stock->section->outside(), $depth);
        $open = [];
        foreach ([true, false] as $isStart) {
            $stretch = $isStart ? $stretches[0] : $stretches[count($stretches) - 1];
            $straight = $stretch->straight ?? 0.0;
            $inner = match (true) {
                $isStart => $stretch->straight === null ? $stretch->start : $stretch->end(),
                default => $stretch->straight === null ? $stretch->end() : $stretch->start,
            };
            $open[] = self::comesOut(
                $laid, $block, $number, $inner, $inner->along->times($isStart ? -1.0 : 1.0), $straight + $over, $under,
                $depth, $profile, $pointer,
            );
        }

        return new self($laid, $block, $number, $stretches, $profile, $under, [$open[0], $open[1]]);
    }

    /**
     * @param  float  $near  how far from it the path may be, mm
     * @return array{int, float}|null number of the flat face along which a path goes, and how far under it, mm
     */
    private static function faceOf(Path $path, PrismBlock $block, float $near): ?array
    {
        $found = null;
        $points = $path->points(new Chord(self::CHORD));
        foreach ($block->faces as $number => $face) {
            $depths = array_map($face->depthOf(...), $points);
            if ($depths === []) {
                continue;
            }
            [$least, $most] = [min($depths), max($depths)];
            $isAlong = $most - $least < self::OFF && abs($least) <= $near;
            if ($isAlong && ($found === null || abs($least) < abs($found[1]))) {
                $found = [$number, $least];
            }
        }

        return $found;
    }

    /**
     * @param  Frame  $inner  where the last straight begins
     * @param  float  $most  length from there within which it comes to an edge, mm
     * @param  float  $under  how far the path is under the face, mm
     * @return array{int, float}|null
     *
     * @throws JobError where it comes out over a corner, of a round side, or in a bend
     */
    private static function comesOut(
        LaidRun $laid,
        PrismBlock $block,
        int $face,
        Frame $inner,
        Vector $direction,
        float $most,
        float $under,
        float $depth,
        Outline $profile,
        string $pointer,
    ): ?array {
        $refuse = static fn (string $why): JobError => JobError::at(
            $pointer, sprintf('%s %s of %s', $laid->run->name, $why, $block->block->name),
        );
        $normal = $block->faces[$face]->normal;
        $within = $inner->at->plus($normal->times($under - $depth / 2));
        if ($block->depthOf($within) < -Tolerance::COINCIDENT) {
            throw $refuse('bends outside');
        }
        [$number, $ahead] = $block->leavingAt($within, $direction);
        if ($ahead > $most + Tolerance::COINCIDENT) {
            return null;
        }
        if ($number === null) {
            throw $refuse('comes out of a round side');
        }
        $side = $block->faces[$number];
        $cosine = $side->normal->dot($direction);
        $half = max($profile->extent(1.0, 0.0), $profile->extent(-1.0, 0.0));
        if ($half * sqrt(max(0.0, 1.0 - $cosine ** 2)) / $cosine > max($ahead, Tolerance::COINCIDENT)) {
            throw $refuse('comes out where it bends');
        }
        $across = $normal->cross($side->normal);
        $slanted = $across->times(1 / max(Tolerance::SAFEGUARD, abs($across->dot($inner->first))));
        foreach ([-$profile->extent(-1.0, 0.0), $profile->extent(1.0, 0.0)] as $x) {
            $corner = $within->plus($direction->times($ahead))->plus($slanted->times($x));
            if ($side->within($corner) < Tolerance::COINCIDENT) {
                throw $refuse('comes out over a corner');
            }
        }

        return [$number, $ahead];
    }

    /**
     * Adds its walls, which look into it, and its ends that are not open.
     *
     * @return GrooveRim what it leaves in the faces
     */
    public function addTo(SolidBuilder $builder): GrooveRim
    {
        $last = count($this->stretches) - 1;
        $isStraight = [$this->stretches[0]->straight !== null, $this->stretches[$last]->straight !== null];
        $frame = $isStraight[0] ? $this->stretches[0]->end() : $this->stretches[0]->start;
        $normal = $this->block->faces[$this->face]->normal;
        $first = Profile::of(
            $this->profile->reversed(), $frame->movedTo($frame->at->plus($normal->times($this->rise))),
        );
        [$profile, $right, $left] = [$first, [], []];
        for ($i = $isStraight[0] ? 1 : 0; $i <= $last - ($isStraight[1] ? 1 : 0); $i++) {
            [$profile, $right[], $left[]] = self::swept($builder, $profile, $this->stretches[$i]->motion);
        }
        [$start, $startRight, $startLeft] = $this->ended($builder, $first->reversed(), 0);
        [$end, $endRight, $endLeft] = $this->ended($builder, $profile, 1);
        // What the face has in place of the lid of the groove, all round: along its right, across its end, and back.
        $reversed = static fn (OrientedEdge $edge): OrientedEdge => $edge->reversed();
        $alongRight = [...array_reverse(array_map($reversed, $startLeft)), ...$right, ...$endRight];
        $alongLeft = [...array_reverse(array_map($reversed, [...$left, ...$endLeft])), ...$startRight];

        return new GrooveRim(
            $this->face,
            [
                ...$this->open[0] === null ? [$start->loop[count($start->loop) - 1]->reversed()] : [], ...$alongRight,
                ...$this->open[1] === null ? [$end->loop[0]->reversed()] : [], ...$alongLeft,
            ],
            [
                ...self::notch($this->open[0], array_slice($start->loop, 0, -1)),
                ...self::notch($this->open[1], array_slice($end->loop, 1)),
            ],
        );
    }

    /**
     * @param  array{int, float}|null  $open
     * @param  list<OrientedEdge>  $edges
     * @return list<array{int, non-empty-list<OrientedEdge>}>
     */
    private static function notch(?array $open, array $edges): array
    {
        return $open === null || $edges === [] ? [] : [[$open[0], $edges]];
    }

    /**
     * Adds what is beyond the inner profile at an end.
     *
     * @param  Profile  $inner  as seen from that end
     * @param  0|1  $which
     * @return array{Profile, list<OrientedEdge>, list<OrientedEdge>} where it ends; its edges in the face on the right
     *     and on the left of the way out
     */
    private function ended(SolidBuilder $builder, Profile $inner, int $which): array
    {
        $stretch = $this->stretches[$which === 0 ? 0 : count($this->stretches) - 1];
        $along = $which === 0 ? $stretch->start->along->times(-1.0) : $stretch->end()->along;
        $open = $this->open[$which];
        $side = $open === null ? null : $this->block->faces[$open[0]];
        $length = $open[1] ?? $stretch->straight ?? 0.0;
        $isSquare = $side === null || $side->normal->cross($along)->length() < Tolerance::PARALLEL;
        [$profile, $right, $left] = [$inner, [], []];
        if ($length > Tolerance::COINCIDENT) {
            [$profile, $oneRight, $oneLeft] = self::swept(
                $builder, $inner, $isSquare
                    ? new Translation($along->times($length))
                    : new PlaneProjection($along, $side->frame->at, $side->normal),
                $which === 0 ? count($inner->loop) - 1 : 0,
            );
            [$right, $left] = [[$oneRight], [$oneLeft]];
        }
        if ($side === null) {
            $builder->flat(Frame::of($profile->point(), $along->times(-1.0), Vector::zero()), [$profile]);
        }

        return [$profile, $right, $left];
    }

    /**
     * Sweeps a profile without its lid in the face.
     *
     * @param  int  $lid  number of the edge of the profile that lies in the face
     * @return array{Profile, OrientedEdge, OrientedEdge} the profile at the end; the ways of the end and of the start
     *     of its lid
     */
    private static function swept(SolidBuilder $builder, Profile $profile, Motion $motion, int $lid = 0): array
    {
        $own = new SolidBuilder;
        $end = $own->sweep($profile, $motion);
        foreach ($own->faces() as $number => $face) {
            if ($number !== $lid) {
                $builder->add($face);
            }
        }
        $patch = self::patchOf($own->faces()[$lid]);

        return [$end, $patch[0], $patch[1]];
    }

    /** @return array{OrientedEdge, OrientedEdge} the right and the left side of a swept face */
    private static function patchOf(Face $face): array
    {
        return [$face->loops[0][1], $face->loops[0][3]->reversed()];
    }

    /** Returns half of its greatest width, mm. */
    public function half(): float
    {
        return max($this->profile->extent(1.0, 0.0), $this->profile->extent(-1.0, 0.0));
    }

    /** Returns what is left of the face between this and another groove along it, mm; negative where they meet. */
    public function apartFrom(self $other): float
    {
        $path = $this->laid->path;
        $tube = TubeDistance::along($other->laid->path, $other->half() + $this->half(), false, false);
        $normal = $this->block->faces[$this->face]->normal;
        $count = $path->parts(self::STEP * $this->half(), 1, self::MOST);
        $least = INF;
        for ($i = 0; $i <= $count; $i++) {
            // Both in the face.
            $at = $path->pointAt($path->length * $i / $count)->plus($normal->times($this->rise - $other->rise));
            $least = min($least, $tube->at($at->x, $at->y, $at->z)[0]);
        }

        return $least;
    }

    /** Whether it comes out of a face, or goes along it. */
    public function opens(int $face): bool
    {
        [$start, $end] = $this->open;

        return $face === $this->face || $face === ($start[0] ?? null) || $face === ($end[0] ?? null);
    }

    /** @return list<Vector> places on its bottom and sides, all along */
    public function places(): array
    {
        $path = $this->laid->path;
        $normal = $this->block->faces[$this->face]->normal;
        $count = $path->parts(self::STEP * $this->half(), 1, self::MOST);
        $places = [];
        for ($i = 0; $i <= $count; $i++) {
            $along = $path->length * $i / $count;
            $at = $path->pointAt($along)->plus($normal->times($this->rise));
            $first = $normal->cross($path->directionAt($along));
            foreach (array_slice($this->profile->pieces, 0, -1) as $piece) {
                foreach ([0.0, 0.25, 0.5, 0.75, 1.0] as $part) {
                    [$x, $y] = $piece->pointAt($part);
                    $places[] = $at->plus($first->times($x))->plus($normal->times($y));
                }
            }
        }

        return $places;
    }
}
