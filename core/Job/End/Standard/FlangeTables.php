<?php

declare(strict_types=1);

namespace Bowline\Job\End\Standard;

use Bowline\Job\End\BoltHoles;
use Bowline\Job\End\FaceKind;
use Bowline\Job\End\Flange;
use Bowline\Job\End\FlangeFace;
use Bowline\Job\End\FlangeNeck;
use Bowline\Job\End\RoundPlate;

/** All tables of flanges. A new table is a line here. */
final readonly class FlangeTables
{
    /** @return list<FlangeTable> */
    public static function all(): array
    {
        return [
            new En1092Type01('PN 6'), new En1092Type01('PN 10'), new En1092Type01('PN 16'), new En1092Type01('PN 40'),
            new En1092Type11('PN 6'), new En1092Type11('PN 10'), new En1092Type11('PN 16'), new En1092Type11('PN 40'),
            new AsmeB165WeldingNeck('class 150'), new AsmeB165WeldingNeck('class 300'),
        ];
    }

    public static function find(string $name): ?FlangeTable
    {
        foreach (self::all() as $table) {
            if ($table->name() === $name) {
                return $table;
            }
        }

        return null;
    }

    /** Returns the size that is made for the pipe nearest to this outside diameter, mm; the smaller of two as near. */
    public static function nearest(FlangeTable $table, float $od): FlangeSize
    {
        $sizes = $table->sizes();
        $nearest = $sizes[0];
        foreach ($sizes as $size) {
            if (abs($size->tube - $od) < abs($nearest->tube - $od)) {
                $nearest = $size;
            }
        }

        return $nearest;
    }

    /** Returns the size of this name; null where the table has none. */
    public static function size(FlangeTable $table, string $name): ?FlangeSize
    {
        foreach ($table->sizes() as $size) {
            if ($size->name === $name) {
                return $size;
            }
        }

        return null;
    }

    /** @param  float  $turn  radians */
    public static function flange(FlangeTable $table, FlangeSize $size, float $turn, bool $isBlind): Flange
    {
        $neck = $size->hub === null ? null : new FlangeNeck(
            $size->hub, $size->height - $size->thickness - $size->land, $size->fillet, $size->land,
        );

        return new Flange(
            new RoundPlate($size->od), $size->thickness, $size->bore,
            new BoltHoles($size->holes, $size->circle, $size->hole),
            $size->raised === null ? null : new FlangeFace(FaceKind::Raised, $size->raised, $size->raisedBy),
            $neck, $turn, $isBlind, $table->name().' '.$size->name, $size->tube,
        );
    }
}
