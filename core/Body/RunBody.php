<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Body\Boundary\Solid;
use Bowline\Body\Motion\Translation;
use Bowline\Geometry\Outline;
use Bowline\Geometry\Tolerance;
use Bowline\Job\JobError;
use Bowline\Job\Section;
use Bowline\Routing\LaidRun;

/**
 * The body of a run: its section carried along its path, hollow through the bore, with its ends, as one closed
 * boundary. A flange is one piece with the tube, as it is once it is welded.
 */
final readonly class RunBody
{
    /** Chord tolerance where none is asked for, mm: finer than a filament or a milling path shows. */
    public const CHORD = 0.1;

    /** Length of tube with which a finish is shown, mm: it is hidden in the tube itself. */
    private const TUBE_SHOWN = 0.5;

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
        foreach ($this->laid->bends as $bend) {
            if ($bend->radius <= Tolerance::NOTHING) {
                return true;
            }
        }
        foreach (BendExtents::of($this->laid) as [$radius, $inside]) {
            if ($radius <= $inside + Tolerance::NOTHING) {
                return true;
            }
        }

        return false;
    }

    /**
     * @return Solid|null null where the run has no length
     *
     * @throws JobError where it folds over
     */
    public function solid(): ?Solid
    {
        $stretches = $this->stretches();
        if ($stretches === []) {
            return null;
        }

        return $this->build($stretches, $this->ends($stretches));
    }

    /**
     * Returns what stands on the ends of a round run beyond its tube, each as a piece by itself, with the end of the
     * tube in it; hubs without their fillets.
     *
     * @return list<Finish>
     *
     * @throws JobError where it folds over
     */
    public function finishes(): array
    {
        $stretches = $this->stretches();
        if ($stretches === []) {
            return [];
        }
        $finishes = [];
        foreach ([$this->laid->run->from, $this->laid->run->to] as $i => $end) {
            $last = $i === 0 ? 0 : count($stretches) - 1;
            $stretch = $stretches[$last];
            $flange = $end->end->flange($this->section)?->withoutFillet();
            $body = EndBodies::of($flange ?? $end->end, $this->section, EndBodies::room($stretches, $last));
            if (! $body->standsOut() || $stretch->straight === null) {
                continue;
            }
            $facing = $i === 0 ? $stretch->start->facingBack() : $stretch->end();
            $length = min($stretch->straight, max($body->back(), $body->bore()) + self::TUBE_SHOWN);
            $finishes[] = new Finish(
                json_encode([($flange ?? $end->end)->toFile(), $length], JSON_THROW_ON_ERROR),
                Frame::upright($facing->at, $facing->along, $this->laid->run->section->up),
                fn (): Solid => $this->build(
                    [new Stretch(
                        $facing->movedTo($facing->at->minus($facing->along->times($length))),
                        new Translation($facing->along->times($length)), $length,
                    )],
                    [new PlainEnd(0.0), $body],
                ),
            );
        }

        return $finishes;
    }

    /**
     * @param  non-empty-list<Stretch>  $stretches
     * @param  array{EndBody, EndBody}  $ends
     */
    private function build(array $stretches, array $ends): Solid
    {
        $outer = new SolidBuilder;
        $isEnclosed = $ends[0]->closesBore() && $ends[1]->closesBore();
        $inner = $isEnclosed ? new SolidBuilder : $outer;
        $outside = self::wall(
            $outer, $stretches, $this->outline($this->section->outside()), $ends[0]->back(), $ends[1]->back(),
        );
        $bores = array_map(
            fn (Outline $bore): array => self::wall(
                $inner, $stretches, $this->outline($bore)->reversed(), $ends[0]->bore(), $ends[1]->bore(),
            ),
            $this->section->bores(),
        );
        // Each end is closed as seen from outside the run.
        [$start, $end] = self::facing($stretches);
        $up = $this->laid->run->section->up;
        $ends[0]->addTo(
            $outer, $inner, $start, $up, $outside[0]->reversed(),
            array_map(static fn (array $bore): Profile => $bore[0]->reversed(), $bores),
        );
        $ends[1]->addTo(
            $outer, $inner, $end, $up, $outside[1], array_map(static fn (array $bore): Profile => $bore[1], $bores),
        );
        $shells = [$outer->faces()];
        if ($isEnclosed && $inner->faces() !== []) {
            $shells[] = $inner->faces();
        }

        return new Solid($this->laid->run->name, $shells);
    }

    /**
     * Returns what the run holds: the space of each bore between its ends or plugs, with what a cap or reducer adds.
     *
     * @return list<Solid>
     *
     * @throws JobError where it folds over
     */
    public function contents(): array
    {
        $stretches = $this->stretches();
        if ($stretches === []) {
            return [];
        }
        $ends = $this->ends($stretches);
        [$start, $end] = self::facing($stretches);

        return array_map(function (Outline $bore) use ($stretches, $ends, $start, $end): Solid {
            $builder = new SolidBuilder;
            [$first, $last] = self::wall(
                $builder, $stretches, $this->outline($bore), $ends[0]->bore(), $ends[1]->bore(),
            );
            $up = $this->laid->run->section->up;
            $ends[0]->addContents($builder, $start, $up, $first->reversed());
            $ends[1]->addContents($builder, $end, $up, $last);

            return new Solid($this->laid->run->name, [$builder->faces()]);
        }, $this->section->bores());
    }

    /**
     * @return list<Stretch> none where the run has no length
     *
     * @throws JobError where it folds over
     */
    private function stretches(): array
    {
        if ($this->folds()) {
            throw JobError::at('', sprintf('the body of %s folds over', $this->laid->run->name));
        }
        $path = $this->laid->path;
        if ($path->segments === [] || $this->laid->length() < Tolerance::COINCIDENT) {
            return [];
        }

        $placement = $this->laid->run->section;
        $part = $this->laid->part;

        return Stretches::along(
            $path, $placement, $this->section->outsideDiameter / 2,
            $part === null ? null : SectionFrames::heightAt($part->run->path, $placement, $part->from),
        );
    }

    /**
     * @param  non-empty-list<Stretch>  $stretches
     * @return array{EndBody, EndBody}
     */
    private function ends(array $stretches): array
    {
        $last = count($stretches) - 1;

        return [
            EndBodies::of($this->laid->run->from->end, $this->section, EndBodies::room($stretches, 0)),
            EndBodies::of($this->laid->run->to->end, $this->section, EndBodies::room($stretches, $last)),
        ];
    }

    /**
     * @param  non-empty-list<Stretch>  $stretches
     * @return array{Frame, Frame} at both ends, looking away from the run
     */
    private static function facing(array $stretches): array
    {
        return [$stretches[0]->start->facingBack(), $stretches[count($stretches) - 1]->end()];
    }

    /**
     * @param  float  $chord  farthest that a facet stands off the true surface, mm
     *
     * @throws JobError where it folds over, or that asks for more triangles than are allowed
     */
    public function mesh(float $chord = self::CHORD): Mesh
    {
        $solid = $this->solid();

        return $solid === null ? new Mesh([], []) : Tessellation::of($solid, $chord);
    }

    private function outline(Outline $outline): Outline
    {
        return $this->laid->run->section->place($outline);
    }

    /**
     * Adds the wall of one outline.
     *
     * @param  non-empty-list<Stretch>  $stretches
     * @param  float  $fromTrim  how far from the start of the path it begins, mm
     * @param  float  $toTrim  how far from its end it ends, mm
     * @return array{Profile, Profile} its first and last loop
     */
    private static function wall(
        SolidBuilder $builder,
        array $stretches,
        Outline $outline,
        float $fromTrim,
        float $toTrim,
    ): array {
        $frame = $stretches[0]->start;
        $first = $profile = Profile::of(
            $outline, $frame->movedTo($frame->at->plus($frame->along->times($fromTrim))),
        );
        foreach ($stretches as $i => $stretch) {
            $trim = ($i === 0 ? $fromTrim : 0.0) + ($i === count($stretches) - 1 ? $toTrim : 0.0);
            $profile = $builder->sweep(
                $profile,
                $trim !== 0.0 && $stretch->straight !== null
                    ? new Translation($stretch->start->along->times($stretch->straight - $trim))
                    : $stretch->motion,
            );
        }

        return [$first, $profile];
    }
}
