<?php

declare(strict_types=1);

namespace Bowline\Body\Junction;

use Bowline\Body\Boundary\CylinderSurface;
use Bowline\Body\Boundary\Face;
use Bowline\Body\Boundary\Solid;
use Bowline\Body\EndBody;
use Bowline\Body\FoundBody;
use Bowline\Body\Frame;
use Bowline\Body\Mesh;
use Bowline\Body\Motion\Translation;
use Bowline\Body\Profile;
use Bowline\Body\SolidBuilder;
use Bowline\Body\Stretch;
use Bowline\Body\Tessellation;
use Bowline\Geometry\Outline;
use Bowline\Geometry\Vector;
use Bowline\Job\JobError;
use Bowline\Job\JoinedBody;
use Bowline\Routing\LaidRun;
use Bowline\Space\Progress;
use Bowline\Space\SurfaceNet;
use Bowline\Space\UnionDistance;

/**
 * One body of round runs that meet in any way, rounded where they do: its surface is found on the distance from them
 * (`UnionDistance`) between rings, and exact from there to its ends. Rounded first, its bores are rounded by as much
 * more as its wall is thick, so that the wall is even; hollow first, they are joined sharp.
 */
final readonly class RoundedBody implements FoundBody
{
    /** Where triangles do not close, smaller ones are tried, so often at most. */
    public const TRIES = 6;

    /** How exactly vertices lie on the surface, mm. */
    private const ACCURACY = 1e-5;

    /** How exactly the wall is found where it is only looked at, mm. */
    private const SEEN = 1e-2;

    private const ON_SURFACE = 5e-2;

    /** How often smaller patches are tried. */
    private const PATCH_TRIES = 3;

    /** Most patches of a solid. */
    private const MOST_FACES = 30_000;

    /** Share of the radius by which surfaces that are not near are apart. */
    private const NEAR = 0.15;

    /**
     * @param  non-empty-list<MemberTube>  $legs
     * @param  list<ExactEnd>  $mouths
     * @param  array<int, array{float, float}>  $limits  of each leg, developed lengths of its rings, mm
     */
    private function __construct(
        private string $name,
        public array $legs,
        private array $mouths,
        private array $limits,
        private Roundings $roundings,
        private bool $isHollowFirst,
    ) {
    }

    /**
     * @param  list<LaidRun>  $runs
     * @param  string  $pointer  of the body in the job
     *
     * @throws JobError where they cannot be one body
     */
    public static function of(JoinedBody $body, array $runs, string $pointer): self
    {
        Members::check($runs, $body->wall !== null, $pointer);

        $legs = self::legs($body, $runs, $pointer);

        return self::between($body->name, $legs, Roundings::of($body, $legs), $body->isHollowFirst, $pointer);
    }

    /**
     * Returns which runs meet, by their ids: those whose outsides overlap.
     *
     * @param  list<LaidRun>  $runs
     * @return list<array{string, string}>
     *
     * @throws JobError where they cannot be one body
     */
    public static function meetings(JoinedBody $body, array $runs, string $pointer): array
    {
        $legs = self::legs($body, $runs, $pointer);

        return array_map(
            static fn (array $pair): array => [$legs[$pair[0]]->laid->run->id, $legs[$pair[1]]->laid->run->id],
            Roundings::meetings($legs),
        );
    }

    /**
     * Returns the space that rods have together, whose ends are given.
     *
     * @param  non-empty-list<MemberTube>  $legs  solid
     * @param  callable(int, bool): EndBody  $endOf  by the number of the leg, and whether it is its start
     * @param  string  $pointer  in the job, for errors
     *
     * @throws JobError where they do not meet, or one has no straight of its own at an end
     */
    public static function ofRods(string $name, array $legs, callable $endOf, string $pointer): self
    {
        return self::between($name, $legs, Roundings::even($legs, 0.0), false, $pointer, $endOf);
    }

    /**
     * @param  non-empty-list<MemberTube>  $legs
     * @param  (callable(int, bool): EndBody)|null  $endOf
     *
     * @throws JobError
     */
    private static function between(
        string $name,
        array $legs,
        Roundings $roundings,
        bool $isHollowFirst,
        string $pointer,
        ?callable $endOf = null,
    ): self {
        self::refuseApart($legs, $pointer);
        $least = min(array_map(static fn (MemberTube $leg): float => $leg->radius, $legs));
        $mouths = [];
        $limits = array_fill(0, count($legs), [-INF, INF]);
        $taken = [];
        foreach ($legs as $number => $leg) {
            foreach ($leg->freeEnds() as [$isStart, $end, $path]) {
                if (isset($taken[$number.($isStart ? ' from' : ' to')])) {
                    continue;
                }
                $mouth = ExactEnd::of(
                    $number, $end, $isStart, $path, $legs,
                    max(2 * $roundings->greatestOf($number), self::NEAR * $least), $pointer,
                    $endOf === null ? null : $endOf($number, $isStart),
                );
                $mouths[] = $mouth;
                foreach ($mouth->together as $one) {
                    [$side, $limits[$one]] = self::limited(
                        $legs[$one], $legs[$number], $mouth, $limits[$one], $pointer,
                    );
                    $taken[$one.' '.$side] = true;
                }
            }
        }

        return new self($name, $legs, $mouths, $limits, $roundings, $isHollowFirst);
    }

    /**
     * @param  list<LaidRun>  $runs
     * @return non-empty-list<MemberTube>
     *
     * @throws JobError
     */
    private static function legs(JoinedBody $body, array $runs, string $pointer): array
    {
        $legs = [];
        foreach ($runs as $laid) {
            $section = $laid->run->stock->section;
            $wall = $body->wall ?? $section->wall;
            $radius = $section->outsideDiameter / 2;
            if ($body->wall !== null && $wall >= $radius) {
                throw JobError::at($pointer.'/wall', sprintf('nothing of %s is hollow then', $laid->run->name));
            }
            $stands = static fn (?string $host): bool => $host !== null && in_array($host, $body->runs, true);
            $legs[] = new MemberTube(
                $laid, $radius, $section->isSolid() && $body->wall === null ? 0.0 : $radius - $wall,
                ! $stands($laid->run->from->branch?->host), ! $stands($laid->run->to->branch?->host),
            );
        }
        $walls = array_unique(array_map(
            static fn (MemberTube $leg): string => sprintf('%.9F', $leg->radius - $leg->bore), $legs,
        ));
        if (count($walls) > 1 && $body->isRounded() && ! $body->isHollowFirst) {
            throw JobError::at($pointer, 'its runs have different walls: rounded first it has one, which is told');
        }

        return $legs === [] ? throw JobError::at($pointer, 'a body has runs') : $legs;
    }

    /**
     * @param  non-empty-list<MemberTube>  $legs
     *
     * @throws JobError where one does not meet the others, with how far off it is
     */
    private static function refuseApart(array $legs, string $pointer): void
    {
        $reached = [0 => true];
        do {
            $before = count($reached);
            $least = INF;
            $farther = null;
            foreach ($legs as $number => $leg) {
                if (isset($reached[$number])) {
                    continue;
                }
                $gap = INF;
                foreach (array_keys($reached) as $other) {
                    $gap = min($gap, $leg->gapTo($legs[$other]));
                }
                if ($gap < 0.0) {
                    $reached[$number] = true;
                } elseif ($gap < $least) {
                    [$least, $farther] = [$gap, $leg];
                }
            }
        } while (count($reached) > $before);
        if ($farther !== null && count($reached) < count($legs)) {
            throw JobError::at($pointer, sprintf(
                '%s is loose: it is %s mm from the others', $farther->laid->run->name, round($least, 1),
            ));
        }
    }

    /**
     * Returns which end of a leg a ring is at, and what is left between its rings.
     *
     * @param  array{float, float}  $limits  developed lengths, mm
     * @return array{string, array{float, float}}
     *
     * @throws JobError where legs that begin together are not alike
     */
    private static function limited(
        MemberTube $leg,
        MemberTube $own,
        ExactEnd $mouth,
        array $limits,
        string $pointer,
    ): array {
        if (abs($leg->radius - $own->radius) > self::ACCURACY || abs($leg->bore - $own->bore) > self::ACCURACY) {
            throw JobError::at($pointer, sprintf(
                '%s and %s begin as one and are not as wide', $own->laid->run->name, $leg->laid->run->name,
            ));
        }
        $end = $mouth->path->pointAt(0.0);
        $path = $leg->laid->path;

        return $path->pointAt(0.0)->distanceTo($end) < $path->pointAt($path->length)->distanceTo($end)
            ? ['from', [$mouth->at, $limits[1]]]
            : ['to', [$limits[0], $path->length - $mouth->at]];
    }

    /**
     * @param  float  $chord  farthest that a facet stands off the surface, mm
     *
     * @throws JobError where that asks for more triangles than are allowed
     */
    public function mesh(float $chord, Progress $progress = new Progress): Mesh
    {
        for ($try = 0; $try < self::TRIES; $try++) {
            $mesh = $this->meshOf(CubeSizes::of($this->legs, $chord, $try), $chord, $progress);
            if ($mesh->isClosed()) {
                return $mesh;
            }
        }
        throw JobError::at('', sprintf('the body of %s does not close: ask for a finer chord', $this->name));
    }

    /** Exact beyond its rings, of bicubic patches between them. */
    public function onSplines(float $within, Progress $progress = new Progress): ?Solid
    {
        $bores = $this->isHollow() ? [false, true] : [false];
        foreach ($bores as $isBore) {
            if (min($this->union($isBore)->balls()) <= 0.0) {
                return null;
            }
        }
        for ($try = 0; $try < self::PATCH_TRIES; $try++) {
            $sizesOf = fn (bool $isBore): CubeSizes => CubeSizes::ofPatches(
                $this->legs, $this->union($isBore)->balls(), $within, $try,
            );
            $nets = array_map(fn (bool $isBore): ClippedNet => $this->net($sizesOf($isBore), $isBore), $bores);
            $patches = 3 * array_sum(array_map(
                static fn (ClippedNet $net): int => count($net->mesh->triangles), $nets,
            ));
            if ($patches > self::MOST_FACES) {
                return null;
            }
            $faces = $this->patched($nets, $sizesOf(false), $within, $progress);
            if ($faces !== null) {
                return new Solid($this->name, [$faces]);
            }
        }

        return null;
    }

    /**
     * @param  list<ClippedNet>  $nets  of the outside, and of the bores
     * @return list<Face>|null null where a patch is farther off
     */
    private function patched(array $nets, CubeSizes $sizes, float $within, Progress $progress): ?array
    {
        $builder = new SolidBuilder;
        $loops = [];
        foreach ($nets as $number => $net) {
            $isBore = $number === 1;
            $patched = PatchedBody::faces($net, $this->union($isBore), $this->mouths, array_map(
                static fn (ExactEnd $mouth): float => $isBore ? $mouth->leg->bore : $mouth->leg->radius, $this->mouths,
            ), $isBore, $within, $progress->share($number, count($nets)));
            if ($patched === null) {
                return null;
            }
            array_map($builder->add(...), $patched[0]);
            $loops[] = $patched[1];
        }
        foreach ($this->mouths as $number => $mouth) {
            $ends = $this->end($builder, $mouth, $sizes);
            foreach ($loops as $isBore => $rings) {
                $frame = Frame::of($mouth->centre, $mouth->out, Vector::zero());
                $radius = $isBore === 1 ? $mouth->leg->bore : $mouth->leg->radius;
                $builder->add(Face::within(
                    new CylinderSurface($frame, $radius), [$ends[$isBore]->reversed()->loop, $rings[$number]->loop],
                    $isBore === 0,
                ));
            }
        }

        return $builder->faces();
    }

    /** @throws JobError */
    private function meshOf(CubeSizes $sizes, float $chord, Progress $progress): Mesh
    {
        $count = $this->isHollow() ? 2 : 1;
        $parts = [$this->net($sizes, false, $progress->share(0, $count))];
        if ($this->isHollow()) {
            $parts[] = $this->net($sizes, true, $progress->share(1, $count));
        }
        $merged = new MeshAssembly;
        foreach ($parts as $isBore => $part) {
            $merged->add($part->mesh, $isBore === 1);
        }
        foreach ($this->mouths as $number => $mouth) {
            $this->close($merged, $mouth, array_map(
                static fn (ClippedNet $part): array => $part->rings[$number], $parts,
            ), $sizes, $chord);
        }

        return $merged->mesh();
    }

    /**
     * Adds the walls of rods beyond their rings, which look into them, to the boundary of what they are taken out of.
     *
     * @param  float  $chord  farthest that a facet stands off the surface, mm
     * @param  int  $try  how often it has been tried before, with larger triangles
     * @return array{ClippedNet, list<Frame>} what lies between the rings, and where the wall of each begins
     */
    public function open(float $chord, int $try, SolidBuilder $builder, Progress $progress = new Progress): array
    {
        $sizes = CubeSizes::of($this->legs, $chord, $try);
        $starts = [];
        foreach ($this->mouths as $mouth) {
            $stretches = $mouth->stretches($mouth->band($sizes->ofLegs[$mouth->number]));
            $starts[] = $stretches[0]->start;
            $hole = Outline::circle($mouth->leg->radius)->reversed();
            $wall = self::wall(
                $builder, $stretches, Profile::of($hole, $stretches[0]->start), $mouth->body->back(),
            );
            $mouth->body->addTo(
                $builder, $builder, $stretches[count($stretches) - 1]->end(), $mouth->leg->laid->run->section->up,
                $wall, [],
            );
        }

        return [$this->net($sizes, false, $progress), $starts];
    }

    /**
     * Adds what lies between the rings of rods that are taken out of a body.
     *
     * @param  array{ClippedNet, list<Frame>}  $opened  of `open`
     * @param  Mesh  $rest  of all else, with the walls beyond the rings
     */
    public function fill(MeshAssembly $merged, array $opened, Mesh $rest): void
    {
        [$net, $starts] = $opened;
        $merged->add($net->mesh, true);
        foreach ($this->mouths as $number => $mouth) {
            $this->joinRing($merged, $mouth, $starts[$number], $rest, $net->rings[$number], $mouth->leg->radius, true);
        }
    }

    /**
     * Returns the space of all its bores; null where it is solid.
     *
     * @throws JobError
     */
    public function contents(float $chord, Progress $progress = new Progress): ?Mesh
    {
        if (! $this->isHollow()) {
            return null;
        }
        $sizes = CubeSizes::of($this->legs, $chord);
        $part = $this->net($sizes, true, $progress);
        $merged = new MeshAssembly;
        $merged->add($part->mesh, false);
        foreach ($this->mouths as $number => $mouth) {
            $builder = new SolidBuilder;
            $stretches = $mouth->stretches($mouth->band($sizes->ofLegs[$mouth->number]));
            $bore = self::wall(
                $builder, $stretches, Profile::of(Outline::circle($mouth->leg->bore), $stretches[0]->start),
                $mouth->body->bore(),
            );
            $end = $stretches[count($stretches) - 1]->end();
            $mouth->body->addContents($builder, $end, $mouth->leg->laid->run->section->up, $bore);
            $this->bridge($merged, $mouth, $stretches[0]->start, $builder, $chord, [1 => $part->rings[$number]]);
        }

        return $merged->mesh();
    }

    /**
     * Returns the wall at the vertices of its bores between the rings; null where it is solid.
     *
     * @param  float  $chord  how fine the bores are looked at, mm
     */
    public function walls(float $chord, Progress $progress = new Progress): ?WallMap
    {
        if (! $this->isHollow()) {
            return null;
        }
        $sizes = CubeSizes::of($this->legs, $chord);

        return (new JunctionWalls($this->union(false), $this->surface($sizes, true)))
            ->over($this->net($sizes, true, $progress)->mesh, $sizes->greatest());
    }

    /**
     * Returns a function of the wall at places of its surface, to the nearest place on the other side of it, mm; null
     * where it is solid, and on flanges and caps.
     *
     * @return callable(Vector): (float|null)
     */
    public function wallsAt(): callable
    {
        if (! $this->isHollow()) {
            return static fn (Vector $at): ?float => null;
        }
        $sides = [$this->union(false), $this->union(true)];

        return static function (Vector $at) use ($sides): ?float {
            [$outside, $bore] = array_map(
                static fn (UnionDistance $side): float => abs($side->at($at->x, $at->y, $at->z, self::SEEN)[0]), $sides,
            );

            return min($outside, $bore) < self::ON_SURFACE ? max($outside, $bore) : null;
        };
    }

    private function isHollow(): bool
    {
        return $this->legs[0]->bore > 0.0;
    }

    /** Returns what the outsides of the legs are together, or their bores. */
    public function union(bool $isBore): UnionDistance
    {
        return $this->roundings->union($this->legs, $isBore, match (true) {
            ! $isBore => 0.0,
            $this->isHollowFirst => null,
            default => $this->legs[0]->radius - $this->legs[0]->bore,
        });
    }

    private function surface(CubeSizes $sizes, bool $isBore): JunctionSurface
    {
        return new JunctionSurface($this->union($isBore), $this->limits, $sizes);
    }

    private function net(CubeSizes $sizes, bool $isBore, Progress $progress = new Progress): ClippedNet
    {
        $surface = $this->surface($sizes, $isBore);
        $size = $sizes->greatest();
        [$low, $extent] = $this->box(3 * $size);

        return ClippedNet::of(
            new SurfaceNet($surface, $low, $extent, $size, $surface->halvings(), $progress),
            $this->mouths,
            array_map(
                static fn (ExactEnd $mouth): float => $isBore ? $mouth->leg->bore : $mouth->leg->radius, $this->mouths,
            ),
            array_map(static fn (ExactEnd $mouth): float => $sizes->ofLegs[$mouth->number], $this->mouths),
        );
    }

    /** @return array{array{float, float, float}, float} lowest corner, and size, of a box of what is between rings */
    private function box(float $around): array
    {
        $low = [INF, INF, INF];
        $high = [-INF, -INF, -INF];
        foreach ($this->legs as $number => $leg) {
            [$from, $to] = $this->limits[$number];
            $from = max(0.0, $from);
            $to = min($leg->laid->path->length, $to);
            $count = max(2, (int) ceil(($to - $from) / $leg->radius * 4));
            for ($i = 0; $i <= $count; $i++) {
                $at = $leg->laid->path->pointAt($from + ($to - $from) * $i / $count)->toArray();
                foreach ([0, 1, 2] as $axis) {
                    $reach = 1.1 * $leg->radius + $this->roundings->greatest() + $around;
                    $low[$axis] = min($low[$axis], $at[$axis] - $reach);
                    $high[$axis] = max($high[$axis], $at[$axis] + $reach);
                }
            }
        }
        // Off the planes in which runs are laid, so that no corner of a cube lies on the surface.
        $low = [$low[0] - 0.0137 * $around, $low[1] - 0.0291 * $around, $low[2] - 0.0173 * $around];

        return [$low, max($high[0] - $low[0], $high[1] - $low[1], $high[2] - $low[2])];
    }

    /**
     * Adds the exact tube from a ring to its end, and what lies between.
     *
     * @param  list<list<Vector>>  $rings  of the outside, and of the bore, by turns about the way out
     *
     * @throws JobError
     */
    private function close(
        MeshAssembly $merged,
        ExactEnd $mouth,
        array $rings,
        CubeSizes $sizes,
        float $chord,
    ): void {
        $builder = new SolidBuilder;
        $this->end($builder, $mouth, $sizes);
        $start = $mouth->stretches($mouth->band($sizes->ofLegs[$mouth->number]))[0]->start;
        $this->bridge($merged, $mouth, $start, $builder, $chord, $rings);
    }

    /**
     * Adds the exact tube from beyond a ring to its end, and what is there.
     *
     * @return non-empty-list<Profile> where it begins: of the outside, and of the bore
     */
    private function end(SolidBuilder $builder, ExactEnd $mouth, CubeSizes $sizes): array
    {
        $stretches = $mouth->stretches($mouth->band($sizes->ofLegs[$mouth->number]));
        $begins = [Profile::of(Outline::circle($mouth->leg->radius), $stretches[0]->start)];
        if ($this->isHollow()) {
            $begins[] = Profile::of(Outline::circle($mouth->leg->bore)->reversed(), $stretches[0]->start);
        }
        $outside = self::wall($builder, $stretches, $begins[0], $mouth->body->back());
        $bores = isset($begins[1])
            ? [self::wall($builder, $stretches, $begins[1], $mouth->body->bore())]
            : [];
        $mouth->body->addTo(
            $builder, $builder, $stretches[count($stretches) - 1]->end(), $mouth->leg->laid->run->section->up, $outside,
            $bores,
        );

        return $begins;
    }

    /**
     * Adds the wall of one loop from beyond a ring to the end.
     *
     * @param  non-empty-list<Stretch>  $stretches
     * @param  Profile  $profile  where they begin
     * @param  float  $trim  how far from the end it ends, mm
     * @return Profile its loop there
     */
    private static function wall(SolidBuilder $builder, array $stretches, Profile $profile, float $trim): Profile
    {
        foreach ($stretches as $i => $stretch) {
            $profile = $builder->sweep($profile, $i < count($stretches) - 1 || $stretch->straight === null
                ? $stretch->motion
                : new Translation($stretch->start->along->times($stretch->straight - $trim)));
        }

        return $profile;
    }

    /**
     * Adds what was built from beyond a ring to the end, and what lies between both.
     *
     * @param  Frame  $start  where that begins
     * @param  array<int, list<Vector>>  $rings  of the outside (0), and of the bore (1)
     *
     * @throws JobError
     */
    private function bridge(
        MeshAssembly $merged,
        ExactEnd $mouth,
        Frame $start,
        SolidBuilder $builder,
        float $chord,
        array $rings,
    ): void {
        $end = Tessellation::of(new Solid($this->name, [$builder->faces()]), $chord);
        $merged->add($end, false);
        foreach ($rings as $isBore => $ring) {
            $this->joinRing(
                $merged, $mouth, $start, $end, $ring, $isBore === 1 ? $mouth->leg->bore : $mouth->leg->radius,
                // Of contents the bore is the outside.
                $isBore === 1 && isset($rings[0]),
            );
        }
    }

    /**
     * Joins a ring to the vertices round the same axis where what was built begins.
     *
     * @param  Frame  $start  where that begins
     * @param  list<Vector>  $ring
     */
    private function joinRing(
        MeshAssembly $merged,
        ExactEnd $mouth,
        Frame $start,
        Mesh $built,
        array $ring,
        float $radius,
        bool $isReversed,
    ): void {
        $merged->bridge($ring, array_values(array_filter(
            $built->vertices,
            static fn (Vector $at): bool => abs($at->minus($start->at)->dot($start->along)) < self::ACCURACY
                && abs($at->distanceTo($start->at) - $radius) < self::ACCURACY,
        )), $mouth->centre, $mouth->out, $isReversed);
    }
}
