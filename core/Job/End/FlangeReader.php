<?php

declare(strict_types=1);

namespace Bowline\Job\End;

use Bowline\Job\End\Standard\FlangeTable;
use Bowline\Job\End\Standard\FlangeTables;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Job\Values;

/** Reads a flange: of a standard, the same as another, or with dimensions of its own. */
final class FlangeReader
{
    /** @throws JobError */
    public static function read(Node $node, Site $site): End
    {
        $values = $site->values;
        $turnNode = $node->find('turn');
        $turn = $turnNode === null ? 0.0 : deg2rad($values->number($turnNode));
        $isBlind = $node->find('blind')?->value === true;
        $standard = $node->find('standard');
        $same = $node->find('same_as');
        if ($standard !== null) {
            $table = FlangeTables::find($standard->text()) ?? throw $standard->error(
                sprintf('“%s” is no table of flanges; %s are', $standard->text(), self::tables()),
            );
            $size = $node->find('nominal');

            return new StandardFlange(
                $table,
                $size === null ? null : FlangeTables::size($table, $size->text()) ?? throw $size->error(
                    sprintf('%s has no size “%s”; %s are', $table->name(), $size->text(), self::sizes($table)),
                ),
                $turn, $isBlind,
            );
        }

        return $same === null ? self::own($node, $values, $turn, $isBlind) : self::same($same, $site);
    }

    /** @throws JobError */
    private static function same(Node $same, Site $site): SameFlange
    {
        $end = $same->get('end');
        $run = $same->get('run')->text();
        $host = $site->routes->end($site, $run, match ($end->value) {
            'from' => 'from',
            'to' => 'to',
            default => throw $end->error('an end is “from” or “to”'),
        }, $same);

        return new SameFlange($host->end->flange($site->routes->stockOf($site, $run, $same)->section));
    }

    /**
     * Reads a flange with measures of its own.
     *
     * @param  float  $turn  radians
     *
     * @throws JobError
     */
    public static function own(Node $node, Values $values, float $turn = 0.0, bool $isBlind = false): Flange
    {
        $holes = self::holes($node->find('holes'), $values);
        $neck = self::neck($node->find('neck'), $values);
        $bore = $neck?->isHub() === true ? $node->find('bore') : $node->get('bore');
        $part = $node->find('part_number');

        return new Flange(
            self::plate($node, $holes, $values),
            $values->positive($node->get('thickness'), 'the thickness of the flange'),
            $bore === null ? null : $values->positive($bore, 'the bore of the flange'),
            $holes, self::face($node->find('face'), $values), $neck, $turn, $isBlind, $part?->text(),
        );
    }

    /** @throws JobError */
    private static function plate(Node $node, ?BoltHoles $holes, Values $values): PlateShape
    {
        $plate = $node->find('plate');
        $kind = $plate?->text() ?? 'round';
        if ($kind === 'rectangle') {
            $width = $values->positive($node->get('width'), 'the width of the flange');
            $height = $node->find('height');
            $across = $height === null ? $width : $values->positive($height, 'the height of the flange');
            $corner = $node->find('corner_radius');
            $radius = $values->notNegative($corner, 'the radius of its corners');

            return $radius > min($width, $across) / 2
                ? throw ($corner ?? $node)->error('the radius of its corners is more than half of its shorter side')
                : new RectangularPlate($width, $across, $radius);
        }
        $od = $values->positive($node->get('od'), 'the outside diameter of the flange');
        if ($kind === 'round') {
            return new RoundPlate($od);
        }
        if ($kind !== 'oval') {
            throw $plate?->error(sprintf('“%s” is no kind of plate; round, rectangle and oval are', $kind))
                ?? $node->error('it has no plate');
        }
        if ($holes?->count !== 2 || $holes->start !== null) {
            throw $node->error('an oval flange has two bolt holes, which straddle the upright');
        }
        $end = $node->get('end_radius');
        $radius = $values->positive($end, 'the radius of its ends');

        return $radius > $od / 2
            ? throw $end->error('its ends are wider than its middle')
            : new OvalPlate($od, $radius, $holes->circle);
    }

    /** @throws JobError */
    private static function holes(?Node $node, Values $values): ?BoltHoles
    {
        if ($node === null) {
            return null;
        }
        $count = $values->count($node->get('count'), 'the number of bolt holes');
        if ($count > BoltHoles::MOST) {
            throw $node->get('count')->error(sprintf('a flange has at most %d bolt holes', BoltHoles::MOST));
        }
        $start = $node->find('start');

        return $count === 0 ? null : new BoltHoles(
            $count,
            $values->positive($node->get('circle'), 'the bolt circle'),
            $values->positive($node->get('diameter'), 'the diameter of the bolt holes'),
            $start === null ? null : deg2rad($values->number($start)),
        );
    }

    /** @throws JobError */
    private static function face(?Node $node, Values $values): ?FlangeFace
    {
        $kind = $node?->get('kind');

        return $node === null || $kind === null || $kind->value === 'flat' ? null : new FlangeFace(
            FaceKind::tryFrom($kind->text()) ?? throw $kind->error(
                sprintf('“%s” is no kind of face; flat, raised, recess and spigot are', $kind->text()),
            ),
            $values->positive($node->get('diameter'), 'the diameter of the face'),
            $values->positive($node->get('height'), 'the height of the face'),
        );
    }

    /** @throws JobError */
    private static function neck(?Node $node, Values $values): ?FlangeNeck
    {
        if ($node === null) {
            return null;
        }
        $diameter = $node->find('diameter');
        $radius = $node->find('radius');
        if ($diameter === null) {
            $fillet = $values->positive($node->get('radius'), 'the radius of the fillet');

            return new FlangeNeck(null, $fillet, $fillet);
        }

        return new FlangeNeck(
            $values->positive($diameter, 'the diameter of the neck'),
            $values->positive($node->get('length'), 'the length of the neck'),
            $values->notNegative($radius, 'the radius of the fillet'),
            $values->notNegative($node->find('land'), 'the land of the neck'),
        );
    }

    private static function tables(): string
    {
        return implode(', ', array_map(static fn (FlangeTable $one): string => $one->name(), FlangeTables::all()));
    }

    private static function sizes(FlangeTable $table): string
    {
        return implode(', ', array_column($table->sizes(), 'name'));
    }
}
