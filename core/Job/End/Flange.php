<?php

declare(strict_types=1);

namespace Bowline\Job\End;

use Bowline\Geometry\Outline;
use Bowline\Job\FileValue;
use Bowline\Job\Section;
use stdClass;

/** A plate welded on square to the end of the run, its face at the end. Millimetres and radians. */
final readonly class Flange implements End
{
    use IsFlange;

    /** Clearance of the bore of a slip-on plate over its tube, on the diameter, mm. */
    public const PLAY = 1.0;

    /**
     * @param  float  $thickness  of the plate, with what is raised of its face
     * @param  float|null  $bore  diameter of the hole that the tube goes into; null where it is welded to a neck
     * @param  float  $turn  of plate and holes from the upright, right-handed about the outward axis
     * @param  bool  $isBlind  whether the plate closes the bore
     * @param  string|null  $name  standard and size, or the part number, of one that is bought
     * @param  float|null  $tube  outside diameter of the pipe that a standard makes it for
     */
    public function __construct(
        public PlateShape $plate,
        public float $thickness,
        public ?float $bore,
        public ?BoltHoles $holes = null,
        public ?FlangeFace $face = null,
        public ?FlangeNeck $neck = null,
        public float $turn = 0.0,
        public bool $isBlind = false,
        public ?string $name = null,
        public ?float $tube = null,
    ) {
    }

    /** Returns its rim, counter-clockwise, x along the upright. */
    public function outline(): Outline
    {
        return $this->plate->outline()->turned($this->turn);
    }

    /** @return list<Outline> its bolt holes, counter-clockwise */
    public function holes(): array
    {
        return array_map(
            fn (Outline $hole): Outline => $hole->turned($this->turn), $this->holes?->outlines() ?? [],
        );
    }

    /** Returns the least material between the bolt holes and the rim, mm; negative when they break out. */
    public function rimLeft(): float
    {
        $rim = $this->plate->outline();

        return min([INF, ...array_map(
            fn (array $centre): float => $rim->depthOf(...$centre) - ($this->holes->diameter ?? 0.0) / 2,
            $this->holes?->centres() ?? [],
        )]);
    }

    /** Returns the diameter of what stands in the middle of its back: the tube, its bore or its neck, mm. */
    public function middle(float $od): float
    {
        return max($od, $this->bore ?? 0.0, $this->neck?->foot($od) ?? 0.0);
    }

    /** Returns the diameter of what the holes have to keep clear of, on the back and on the face, mm. */
    public function keptClear(float $od): float
    {
        return max($this->middle($od), $this->face->diameter ?? 0.0);
    }

    /** Returns the length of the run that it covers: plate and neck, mm. */
    public function length(): float
    {
        return $this->thickness + ($this->neck->length ?? 0.0) + ($this->neck->land ?? 0.0);
    }

    /** Returns the one that is bolted to it face to face: its opposite hand, with a recess for a spigot. */
    public function matching(): self
    {
        $holes = $this->holes;
        $face = $this->face;

        return new self(
            $this->plate, $this->thickness, $this->bore,
            $holes?->start === null
                ? $holes
                : new BoltHoles($holes->count, $holes->circle, $holes->diameter, -$holes->start),
            $face === null ? null : new FlangeFace($face->kind->matching(), $face->diameter, $face->height),
            $this->neck, -$this->turn, $this->isBlind, $this->name, $this->tube,
        );
    }

    /** Returns the same without the fillet of its hub, to be drawn quickly. */
    public function withoutFillet(): self
    {
        return new self(
            $this->plate, $this->thickness, $this->bore, $this->holes, $this->face, $this->neck?->withoutFillet(),
            $this->turn, $this->isBlind, $this->name, $this->tube,
        );
    }

    public function flange(Section $section): self
    {
        return $this;
    }

    public function toFile(): stdClass
    {
        $number = FileValue::roundForFile(...);
        $degrees = static fn (float $angle): int|float => $number(rad2deg($angle));

        return (object) [
            'type' => 'flange',
            ...$this->plate->toFile(),
            'thickness' => $number($this->thickness),
            ...$this->bore === null ? [] : ['bore' => $number($this->bore)],
            ...$this->holes === null ? [] : ['holes' => (object) [
                'count' => $this->holes->count,
                'circle' => $number($this->holes->circle),
                'diameter' => $number($this->holes->diameter),
                ...$this->holes->start === null ? [] : ['start' => $degrees($this->holes->start)],
            ]],
            ...$this->face === null ? [] : ['face' => (object) [
                'kind' => $this->face->kind->value,
                'diameter' => $number($this->face->diameter),
                'height' => $number($this->face->height),
            ]],
            ...$this->neck === null ? [] : ['neck' => $this->neck->toFile()],
            ...$this->turn === 0.0 ? [] : ['turn' => $degrees($this->turn)],
            ...$this->isBlind ? ['blind' => true] : [],
            ...$this->tube === null && $this->name !== null ? ['part_number' => $this->name] : [],
        ];
    }
}
