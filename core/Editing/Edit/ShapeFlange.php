<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\FlangeTarget;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Job\End\BoltHoles;
use Bowline\Job\End\Flange;
use Bowline\Job\FileValue;
use Bowline\Job\Node;
use Bowline\Job\Site;
use stdClass;

/** Gives a flange another shape of plate, face or neck, with first dimensions that fit its tube and its bolts. */
final readonly class ShapeFlange implements RunEdit
{
    /** Height of a raised face (EN 1092-1, form B, from DN 40), and of a recess or spigot, mm. */
    private const FACE_HEIGHT = 3;

    /** Material between the edge of a face or a neck and the bolt holes or the rim, mm. */
    private const CLEAR = 2.0;

    /** Radius of the corners of a rectangular plate, as a share of its side. */
    private const CORNER_SHARE = 0.1;

    /** Diameter of a hub at the plate and its length, as multiples of the outside diameter of the tube. */
    private const HUB_WIDTH = 1.3;

    private const HUB_LENGTH = 0.4;

    /** Smallest radius of a fillet, mm. */
    private const FILLET = 3.0;

    private function __construct(
        private FlangeTarget $target,
        private ?string $plate,
        private ?string $face,
        private ?string $neck,
    ) {
    }

    public static function word(): string
    {
        return 'shape-flange';
    }

    public static function label(): string
    {
        return 'Change the shape of a flange of %s';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        return new self(
            FlangeTarget::read($body), $body->find('plate')?->text(), $body->find('face')?->text(),
            $body->find('neck')?->text(),
        );
    }

    public function apply(RunDraft $draft): void
    {
        $flange = $this->target->flange($draft);
        $said = clone $this->target->said($draft);
        $od = $this->target->section($draft)->outsideDiameter;
        if ($this->plate !== null) {
            $this->shapePlate($said, $flange, $this->plate, $od);
        }
        if ($this->face !== null) {
            unset($said->face);
            if ($this->face !== 'flat') {
                $said->face = self::face($flange, $this->face, $od);
            }
        }
        if ($this->neck !== null) {
            unset($said->neck);
            $radius = FileValue::roundForFile(max(self::FILLET, round($flange->thickness / 4)));
            $said->bore ??= FileValue::roundForFile($od + Flange::PLAY);
            if ($this->neck === 'fillet') {
                $said->neck = (object) ['radius' => $radius];
            } elseif ($this->neck === 'hub') {
                $said->neck = (object) [
                    'diameter' => FileValue::roundForFile(
                        min(ceil(self::HUB_WIDTH * $od), max($od, floor(self::within($flange) - 2 * $radius))),
                    ),
                    'length' => FileValue::roundForFile(max(2.0 * $radius, ceil(self::HUB_LENGTH * $od))),
                    'radius' => $radius,
                ];
            }
        }
        $this->target->put($draft, $said);
    }

    private function shapePlate(stdClass $said, Flange $flange, string $plate, float $od): void
    {
        $across = 2 * $flange->outline()->depthOf(0.0, 0.0);
        unset($said->plate, $said->od, $said->width, $said->height, $said->corner_radius, $said->end_radius);
        if ($plate === 'rectangle') {
            $said->plate = $plate;
            $said->width = FileValue::roundForFile($across);
            $said->corner_radius = FileValue::roundForFile(round(self::CORNER_SHARE * $across));
        } elseif ($plate === 'oval') {
            $hole = $flange->holes->diameter ?? BoltHoles::M10;
            // Round the tube as much as round a bolt: a hole's radius.
            $said->plate = $plate;
            $said->od = FileValue::roundForFile(ceil(max($od, $flange->bore ?? 0.0) + 2 * $hole));
            $said->end_radius = FileValue::roundForFile($hole);
            $said->holes = (object) [
                'count' => 2,
                'circle' => FileValue::roundForFile(
                    $flange->holes->circle ?? ceil($flange->keptClear($od) + 3 * $hole),
                ),
                'diameter' => FileValue::roundForFile($hole),
            ];
        } else {
            $said->od = FileValue::roundForFile($across);
        }
    }

    /** Returns the diameter of what is clear of the bolt holes and of the rim, mm. */
    private static function within(Flange $flange): float
    {
        $holes = $flange->holes;

        return min(
            2 * $flange->outline()->depthOf(0.0, 0.0), $holes === null ? INF : $holes->circle - $holes->diameter,
        ) - 2 * self::CLEAR;
    }

    /** A raised face reaches almost to the bolt holes; a recess or spigot lies half way between them and the tube. */
    private static function face(Flange $flange, string $kind, float $od): stdClass
    {
        $most = self::within($flange);

        return (object) [
            'kind' => $kind,
            'diameter' => FileValue::roundForFile(floor($kind === 'raised' ? $most : ($most + $od) / 2)),
            'height' => self::FACE_HEIGHT,
        ];
    }
}
