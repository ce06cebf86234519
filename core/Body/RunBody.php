<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Geometry\Chord;
use Bowline\Geometry\Curve;
use Bowline\Geometry\Segment;
use Bowline\Geometry\Tolerance;
use Bowline\Job\End\End;
use Bowline\Job\End\Flange;
use Bowline\Job\JobError;
use Bowline\Job\Section;
use Bowline\Job\Words;
use Bowline\Routing\LaidRun;

/**
 * The body of a run: its section swept along its path, hollow through the bore, with its ends, as one closed surface. A
 * flange is one piece with the tube, as it is once it is welded.
 */
final readonly class RunBody
{
    /** Vertices of one wall of a body: so many of both walls, with their triangles, take about 200 MB of memory. */
    private const MOST_VERTICES = 200_000;

    /** Chord tolerance where none is asked for, mm: finer than a filament or a milling path shows. */
    public const CHORD = 0.1;

    /** How much of the straight at an end a flange or plug may take up at most. */
    private const MOST_OF_STRAIGHT = 0.999;

    private function __construct(private LaidRun $laid, private Section $section)
    {
    }

    public static function of(LaidRun $laid): self
    {
        return new self($laid, $laid->run->stock->section);
    }

    /** Whether a bend or curve of it, as drawn, is so tight that the inside of it folds over. */
    public function folds(): bool
    {
        return ($this->laid->path->leastRadius() ?? INF) <= $this->section->halfHeight() + Tolerance::NOTHING;
    }

    /**
     * @param  float  $chord  farthest that a facet stands off the true surface, mm
     *
     * @throws JobError where that asks for more triangles than are allowed
     */
    public function mesh(float $chord = self::CHORD): Mesh
    {
        $builder = new MeshBuilder;
        $tolerance = new Chord($chord);
        $sides = $tolerance->sides($this->section->outsideDiameter / 2);
        $vertices =
            $sides *
            array_sum(
                array_map(
                    fn (Segment $segment): float => $segment->countPlaces(
                        $tolerance,
                        $this->section->outsideDiameter / 2,
                    ),
                    $this->laid->path->segments,
                ),
            );
        if ($vertices > self::MOST_VERTICES) {
            throw JobError::at(
                '',
                sprintf(
                    'the body of %s would have about %s triangles, and %s are allowed: ask for a coarser chord '.
                    'than %s mm',
                    $this->laid->run->name,
                    number_format(4.0 * $vertices),
                    number_format(4.0 * self::MOST_VERTICES),
                    Words::number($chord, 4),
                ),
            );
        }
        $frames = BodyFrames::along($this->laid->path, $tolerance, $this->section->outsideDiameter / 2);
        if (count($frames) < 2) {
            return $builder->mesh();
        }
        $start = $this->finish($this->laid->run->from->end, $frames[0], $frames[1], count($frames) === 2);
        $last = count($frames) - 1;
        $end = $this->finish($this->laid->run->to->end, $frames[$last], $frames[$last - 1], count($frames) === 2);

        $between = array_slice($frames, 1, -1);
        $outer = $this->rings(
            $builder,
            [$start->outer, ...$between, $end->outer],
            $this->section->outsideDiameter / 2,
            $sides,
        );
        foreach (array_slice($outer, 1) as $i => $ring) {
            $builder->wall($outer[$i], $ring);
        }
        $inner = [];
        if (! $this->section->isSolid()) {
            $inner = $this->rings(
                $builder,
                [$start->inner, ...$between, $end->inner],
                $this->section->insideDiameter() / 2,
                $sides,
            );
            foreach (array_slice($inner, 1) as $i => $ring) {
                $builder->wall($ring, $inner[$i]);
            }
        }
        // Seen from outside the run, the rings of its start run the other way round.
        $start->close($builder, $tolerance, array_reverse($outer[0]), array_reverse($inner[0] ?? []));
        $end->close($builder, $tolerance, $outer[count($outer) - 1], $inner === [] ? [] : $inner[count($inner) - 1]);

        return $builder->mesh();
    }

    private function finish(End $end, Frame $frame, Frame $neighbour, bool $shared): Finish
    {
        $straight = $frame->at->distanceTo($neighbour->at);
        $onStraight = $frame->along->cross($neighbour->along)->length() < Tolerance::PARALLEL;
        $room = $onStraight ? $straight * self::MOST_OF_STRAIGHT * ($shared ? 0.5 : 1.0) : 0.0;
        $inward = $neighbour->at->minus($frame->at)->unit();
        $back = static fn (float $depth): Frame => $frame->movedTo(
            $frame->at->plus($inward->times(min($depth, $room))),
        );
        $facing = $inward->dot($frame->along) > 0.0 ? $frame->facingBack() : $frame;

        $flange = $end->flange();
        $plug = $end->plugThickness($this->section->wall);

        return match (true) {
            $room <= 0.0 => new Finish($frame, $frame, $facing),
            $flange !== null && $flange->outsideDiameter > $this->section->outsideDiameter => new Finish(
                $back($flange->thickness),
                $frame,
                $facing,
                new FlangePlate($flange, $this->section),
            ),
            $plug !== null && ! $this->section->isSolid() => new Finish(
                $frame,
                $back($plug),
                $facing,
                null,
                true,
            ),
            default => new Finish($frame, $frame, $facing),
        };
    }

    /**
     * @param  list<Frame>  $frames
     * @return list<list<int>>
     */
    private function rings(MeshBuilder $builder, array $frames, float $radius, int $sides): array
    {
        return array_map(static fn (Frame $frame): array => $builder->ring($frame, $radius, $sides), $frames);
    }
}
