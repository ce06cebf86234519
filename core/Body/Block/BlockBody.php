<?php

declare(strict_types=1);

namespace Bowline\Body\Block;

use Bowline\Body\Boundary\Face;
use Bowline\Body\Boundary\OrientedEdge;
use Bowline\Body\Boundary\Solid;
use Bowline\Body\FoundBody;
use Bowline\Body\Junction\MeshAssembly;
use Bowline\Body\Junction\RoundedBody;
use Bowline\Body\Junction\WallMap;
use Bowline\Body\MassProperties;
use Bowline\Body\Mesh;
use Bowline\Body\RunBody;
use Bowline\Body\SolidBuilder;
use Bowline\Body\Tessellation;
use Bowline\Geometry\Vector;
use Bowline\Job\Block;
use Bowline\Job\JobError;
use Bowline\Routing\ChannelInBlock;
use Bowline\Routing\LaidRun;
use Bowline\Space\Progress;

/**
 * A block without its channels, as one closed boundary: its faces with holes, and the walls of these. Exact, except
 * where channels are open to each other, leave through a round side or over an edge, or the block is a mesh: there the
 * boundary is triangles.
 */
final readonly class BlockBody implements FoundBody
{
    /** How far a vertex may be off the wall of a channel that it lies on, as a part of its reach. */
    private const ON_WALL = 0.05;

    /**
     * @param  list<ChannelCut>  $cuts
     * @param  list<JoinedChannels>  $joined  of those that are open to others
     * @param  list<GrooveCut>  $grooves
     */
    private function __construct(
        public Block $block,
        private BlockShape $shape,
        public array $cuts,
        private array $joined,
        private array $grooves,
    ) {
    }

    /**
     * @param  list<LaidRun>  $channels  all that are taken out of it
     * @param  string  $pointer  in the job, for errors
     *
     * @throws JobError where one does not come out clean, or leaves no wall
     */
    public static function of(Block $block, array $channels, string $pointer = ''): self
    {
        $shape = BlockShape::of($block)
            ?? throw JobError::at(
                $pointer, $block->name.' '.MeshBlock::NONE,
            );
        $cuts = $grooves = [];
        foreach ($channels as $laid) {
            if (RunBody::of($laid)->folds()) {
                throw JobError::at($pointer, sprintf('%s folds over', $laid->run->name));
            }
            $over = $laid->run->channel->channel->over ?? 0.0;
            $depth = $laid->run->channel->channel->depth ?? null;
            if ($depth !== null) {
                if (! $shape instanceof PrismBlock) {
                    throw JobError::at($pointer, sprintf(
                        '%s goes along a flat face, and %s is a mesh', $laid->run->name, $block->name,
                    ));
                }
                $groove = GrooveCut::of($laid, $shape, $depth, $over, $pointer);
                array_push($grooves, ...$groove === null ? [] : [$groove]);

                continue;
            }
            $cut = ChannelCut::of($laid, $shape, $over);
            if ($cut === null) {
                continue;
            }
            foreach ([$cut->start, $cut->end] as $end) {
                self::refuse($end, $laid, $shape, $pointer);
            }
            $apart = array_values(array_filter(
                $cuts, static fn (ChannelCut $other): bool => ! ChannelInBlock::areOpen($laid->run, $other->laid->run),
            ));
            foreach (ChannelWalls::of($cut, $apart) as $wall) {
                if ($wall->thickness <= 0.0) {
                    throw JobError::at($pointer, sprintf(
                        '%s cuts into %s, by %s mm', $laid->run->name, $wall->words, round(-$wall->thickness, 2),
                    ));
                }
            }
            $cuts[] = $cut;
        }
        foreach ($grooves as $number => $groove) {
            self::refuseThin($groove, $shape, $cuts, array_slice($grooves, 0, $number), $pointer);
        }
        $joined = [];
        foreach (self::groups($cuts) as $group) {
            if (count($group) > 1) {
                $joined[] = JoinedChannels::of($group, $pointer);
            }
        }

        return new self($block, $shape, $cuts, $joined, $grooves);
    }

    /**
     * @param  list<ChannelCut>  $cuts
     * @param  list<GrooveCut>  $others
     *
     * @throws JobError where a groove leaves no wall
     */
    private static function refuseThin(
        GrooveCut $groove,
        BlockShape $shape,
        array $cuts,
        array $others,
        string $pointer,
    ): void {
        foreach (ChannelWalls::ofGroove($groove, $shape, $cuts) as $wall) {
            if ($wall->thickness <= 0.0) {
                throw JobError::at($pointer, sprintf(
                    '%s cuts into %s, by %s mm', $groove->laid->run->name, $wall->words, round(-$wall->thickness, 2),
                ));
            }
        }
        foreach ($others as $other) {
            if ($other->face === $groove->face && $groove->apartFrom($other) <= 0.0) {
                throw JobError::at($pointer, sprintf(
                    '%s runs into %s', $groove->laid->run->name, $other->laid->run->name,
                ));
            }
        }
    }

    /**
     * @param  list<ChannelCut>  $cuts
     * @return list<non-empty-list<ChannelCut>> those that are open to each other, through any number of others
     */
    private static function groups(array $cuts): array
    {
        $groups = [];
        foreach ($cuts as $cut) {
            $own = [$cut];
            foreach ($groups as $number => $group) {
                $meeting = array_filter(
                    $group,
                    static fn (ChannelCut $one): bool => ChannelInBlock::areOpen($one->laid->run, $cut->laid->run),
                );
                if ($meeting !== []) {
                    $own = [...$group, ...$own];
                    unset($groups[$number]);
                }
            }
            $groups[] = $own;
        }

        return array_values($groups);
    }

    /** @throws JobError */
    private static function refuse(ChannelEnd $end, LaidRun $laid, BlockShape $block, string $pointer): void
    {
        $face = $end->face === null ? '' : $block->faces[$end->face]->words;
        $why = match ($end->kind) {
            ChannelEndKind::Open, ChannelEndKind::Blind, ChannelEndKind::Found, ChannelEndKind::OverEdge => null,
            ChannelEndKind::InBend => sprintf('comes out of %s where it bends', $face),
            ChannelEndKind::Outside => 'bends outside',
        };
        if ($why !== null) {
            throw JobError::at($pointer, sprintf('%s %s of %s', $laid->run->name, $why, $block->block->name));
        }
    }

    /**
     * Returns the mesh with the channels let out that do not come out of a flat face.
     *
     * @throws JobError
     */
    private function opened(Mesh $mesh, Progress $progress, int $count): Mesh
    {
        $number = count($this->joined);
        foreach ($this->cuts as $cut) {
            foreach ($cut->foundEnds() as $end) {
                $progress->tell($number++ / $count);
                $mesh = MeshOpening::cut($mesh, $end->from, $end->direction, $cut->laid->run->name);
            }
        }

        return $mesh;
    }

    /** Returns the volume of the block before anything is taken out, mm³. */
    public function wholeVolume(): float
    {
        return $this->shape instanceof MeshBlock
            ? $this->shape->mesh->volume()
            : MassProperties::of(new Solid($this->block->name, [$this->faces(new SolidBuilder, [], false)]))->volume;
    }

    /** Returns the least distance from the path to the outside of a channel, mm; INF where there is none. */
    public function leastReach(): float
    {
        return array_reduce(
            $this->cuts, static fn (float $least, ChannelCut $cut): float => min($least, $cut->reach), INF,
        );
    }

    public function hasGrooves(): bool
    {
        return $this->grooves !== [];
    }

    /** Whether its whole boundary is exact, with no part that is known as triangles only. */
    public function isExact(): bool
    {
        return $this->joined === [] && $this->shape instanceof PrismBlock && array_filter(
            $this->cuts, static fn (ChannelCut $cut): bool => $cut->foundEnds() !== [],
        ) === [];
    }

    /**
     * @param  SolidBuilder  $builder  with the walls of its channels
     * @param  array<int, list<non-empty-list<OrientedEdge>>>  $holes  that these leave in faces, by their number
     * @return list<Face>
     */
    private function faces(SolidBuilder $builder, array $holes, bool $hasGrooves = true): array
    {
        $rims = array_map(
            static fn (GrooveCut $groove): GrooveRim => $groove->addTo($builder), $hasGrooves ? $this->grooves : [],
        );

        return [
            ...$this->shape instanceof PrismBlock ? $this->shape->boundary($holes, $rims) : [], ...$builder->faces(),
        ];
    }

    /** Whether a channel is open to others. */
    public function isOpen(ChannelCut $cut): bool
    {
        foreach ($this->joined as $one) {
            if (in_array($cut, $one->cuts, true)) {
                return true;
            }
        }

        return false;
    }

    /** Returns its exact boundary; without the channels that are open to others, where there are any. */
    public function solid(): Solid
    {
        $builder = new SolidBuilder;
        $holes = $this->addSingle($builder);

        return new Solid($this->block->name, [$this->faces($builder, $holes)]);
    }

    /**
     * Adds the walls of the channels that are by themselves.
     *
     * @return array<int, list<non-empty-list<OrientedEdge>>> the holes that they leave in faces, by their number
     */
    private function addSingle(SolidBuilder $builder): array
    {
        $holes = [];
        foreach ($this->cuts as $cut) {
            foreach ($this->isOpen($cut) ? [] : $cut->addTo($builder) as $number => $loops) {
                $holes[$number] = [...$holes[$number] ?? [], ...$loops];
            }
        }

        return $holes;
    }

    /**
     * @param  float  $chord  farthest that a facet stands off the surface, mm
     *
     * @throws JobError where that asks for more triangles than are allowed, or it does not close
     */
    public function mesh(float $chord, Progress $progress = new Progress): Mesh
    {
        if ($this->isExact()) {
            return Tessellation::of($this->solid(), $chord);
        }
        $ends = array_sum(array_map(static fn (ChannelCut $cut): int => count($cut->foundEnds()), $this->cuts));
        $count = count($this->joined) + $ends;
        for ($try = 0; $try < RoundedBody::TRIES; $try++) {
            $builder = new SolidBuilder;
            $holes = $this->addSingle($builder);
            $opened = [];
            foreach ($this->joined as $number => $one) {
                $opened[$number] = $one->space->open(
                    $chord, $try, $builder, $progress->share($number, $count),
                );
                foreach ($one->rims() as $face => $rims) {
                    $holes[$face] = [...$holes[$face] ?? [], ...$rims];
                }
            }
            $rest = Tessellation::of(
                new Solid($this->block->name, [$this->faces($builder, $holes)]), $chord,
            );
            $merged = new MeshAssembly;
            $merged->add($rest, false);
            if ($this->shape instanceof MeshBlock) {
                $merged->add($this->shape->mesh, false);
            }
            foreach ($this->joined as $number => $one) {
                $one->space->fill($merged, $opened[$number], $rest);
            }
            $mesh = $this->opened($merged->mesh(), $progress, $count);
            if ($mesh->isClosed()) {
                return $mesh;
            }
        }
        throw JobError::at('', sprintf('%s does not close: ask for a finer chord', $this->block->name));
    }

    /** Its channels meet in edges. */
    public function onSplines(float $within, Progress $progress = new Progress): null
    {
        return null;
    }

    /**
     * Returns the material round its channels: from places all along and round each to the nearest face or other
     * channel. Where a channel comes out of a face, that one does not count.
     *
     * @throws JobError where it has none
     */
    public function walls(): WallMap
    {
        $places = [];
        foreach ($this->cuts as $cut) {
            array_push($places, ...ChannelWalls::places($cut, $this->apartFrom($cut)));
        }

        return $places === [] ? throw JobError::at('', 'it has no channel') : new WallMap($places);
    }

    /**
     * Returns a function of the material at places on the walls of channels, to the nearest face or other channel, mm;
     * null elsewhere.
     *
     * @return callable(Vector): (float|null)
     */
    public function wallsAt(): callable
    {
        $walls = array_map(
            fn (ChannelCut $cut): callable => ChannelWalls::finder($cut, $this->apartFrom($cut)), $this->cuts,
        );

        return function (Vector $at) use ($walls): ?float {
            foreach ($this->cuts as $number => $cut) {
                $along = $cut->path->closestTo($at);
                if (abs($cut->surface->at($at->x, $at->y, $at->z)[0]) <= self::ON_WALL * $cut->reach) {
                    return $walls[$number]($at, $along);
                }
            }

            return null;
        };
    }

    /** @return list<ChannelCut> the other channels, but for those that one is open to */
    private function apartFrom(ChannelCut $cut): array
    {
        return array_values(array_filter(
            $this->cuts,
            static fn (ChannelCut $other): bool => $other !== $cut
                && ! ChannelInBlock::areOpen($cut->laid->run, $other->laid->run),
        ));
    }
}
