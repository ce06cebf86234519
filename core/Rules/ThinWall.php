<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Body\Block\BlockShape;
use Bowline\Body\Block\ChannelCut;
use Bowline\Body\Block\ChannelWall;
use Bowline\Body\Block\ChannelWalls;
use Bowline\Body\Block\GrooveCut;
use Bowline\Body\Block\PrismBlock;
use Bowline\Editing\Edit\MoveCorner;
use Bowline\Editing\Edit\MoveLeg;
use Bowline\Editing\Edit\SetRoute;
use Bowline\Editing\EditError;
use Bowline\Editing\FlexibleEdit;
use Bowline\Editing\RunChange;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\JobError;
use Bowline\Routing\Bend;
use Bowline\Routing\ChannelInBlock;
use Bowline\Routing\LaidRun;
use stdClass;

/** `thin-wall`: a channel leaves its least wall to every face of its block, and to every other channel. */
final class ThinWall implements Rule
{
    /** How far a corner or a point is moved to cure it, as multiples of what is missing. */
    private const PARTS = [1.0, 1.5, 2.5];

    /** Corners that are tried: the nearest ones. */
    private const CORNERS = 2;

    /** Move beyond what is missing, so that rounding to the file leaves enough, mm. */
    private const SPARE = 0.1;

    public function check(LaidRun $laid): array
    {
        $channel = $laid->run->channel?->channel;
        $say = $laid->run->units->say(...);
        $findings = [];
        foreach (self::walls($laid) as $wall) {
            if ($channel === null || $wall->thickness >= $channel->wall - Tolerance::RULE_SLACK) {
                continue;
            }
            $along = $laid->path->closestTo($wall->at);
            $isFace = $wall->channel === null;
            $findings[] = new Finding(
                'thin-wall', Severity::Violation, Subject::at($laid, $along),
                match (true) {
                    $wall->thickness > 0.0 => sprintf('Thin wall to %s', $wall->words),
                    $isFace => sprintf('It breaks through %s', $wall->words),
                    default => sprintf('It cuts into %s', $wall->words),
                },
                $wall->thickness > 0.0
                    ? sprintf('%s is left; %s is needed.', $say($wall->thickness), $say($channel->wall))
                    : sprintf('By %s; a wall of %s is needed.', $say(-$wall->thickness), $say($channel->wall)),
                $wall->at, [$along, $along], $wall->thickness, $channel->wall,
            );
        }

        return $findings;
    }

    /** @return list<ChannelWall> none of a run that is no channel */
    private static function walls(LaidRun $laid): array
    {
        $own = $laid->run->channel;
        $block = $own === null ? null : BlockShape::of($own->channel->block);
        if ($own === null || $block === null) {
            return [];
        }
        $others = array_values(array_filter(
            $own->others(), static fn (LaidRun $one): bool => ! ChannelInBlock::areOpen($laid->run, $one->run),
        ));
        $channels = array_values(array_filter(
            array_map(static fn (LaidRun $one): ?ChannelCut => self::channel($one, $block), $others),
        ));
        if ($own->channel->depth !== null) {
            $groove = self::groove($laid, $block);

            return $groove === null ? [] : ChannelWalls::ofGroove($groove, $block, $channels);
        }
        $cut = self::channel($laid, $block);
        if ($cut === null) {
            return [];
        }
        $walls = ChannelWalls::of($cut, $channels);
        foreach ($others as $other) {
            $groove = self::groove($other, $block);
            foreach ($groove === null ? [] : ChannelWalls::ofGroove($groove, $block, [$cut]) as $wall) {
                if ($wall->channel === $laid) {
                    $walls[] = new ChannelWall(
                        $wall->thickness, $wall->at, $wall->away->times(-1.0), $other->run->name, $other,
                    );
                }
            }
        }

        return $walls;
    }

    private static function channel(LaidRun $laid, BlockShape $block): ?ChannelCut
    {
        $channel = $laid->run->channel?->channel;

        return $channel === null || $channel->depth !== null ? null : ChannelCut::of($laid, $block, $channel->over);
    }

    /** Returns the groove that a run is; null where it is none, or does not come out clean. */
    private static function groove(LaidRun $laid, BlockShape $block): ?GrooveCut
    {
        $channel = $laid->run->channel?->channel;
        try {
            return $channel?->depth === null || ! $block instanceof PrismBlock
                ? null
                : GrooveCut::of($laid, $block, $channel->depth, $channel->over);
        } catch (JobError) {
            return null;
        }
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        $found = array_filter(
            self::walls($laid),
            static fn (ChannelWall $wall): bool => $wall->thickness === $finding->measured,
        );
        $wall = reset($found);
        if ($wall === false) {
            return;
        }
        $other = $wall->channel?->run;
        if ($other !== null && $wall->thickness < 0.0) {
            $run = RunDraft::of($laid)->run();
            if (isset($run->body) && $run->body instanceof stdClass) {
                $run->body->meets = [...$laid->run->channel->channel->meets ?? [], $other->id];
                yield new Remedy(sprintf('Let it open into %s', $other->name), 'runs', $run);
            }
        }
        $missing = ($finding->required ?? 0.0) - $wall->thickness + self::SPARE;
        foreach (self::ways($laid, $finding, $wall->away) as [$label, $way, $change]) {
            foreach (self::PARTS as $part) {
                $by = $missing * $part;
                try {
                    yield new Remedy(
                        sprintf($label, $laid->run->units->say($by)), 'runs',
                        RunDraft::of($laid)->apply($change($by))->run(), $way,
                    );
                } catch (EditError) {
                    // A corner that is held by something else stays where it is.
                }
            }
        }
    }

    /**
     * Returns what may be moved, and in which direction.
     *
     * @return list<array{string, string, callable(float): RunChange}> label for a distance, way, change by that in mm
     */
    private static function ways(LaidRun $laid, Finding $finding, Vector $away): array
    {
        $along = $finding->span[0];
        if ($laid->run->route->smooth() !== null) {
            return self::waysOfSmooth($laid, $along, $away);
        }
        $ways = [];
        foreach (self::directions($away) as $words => $direction) {
            foreach ($laid->legs as $leg) {
                if ($along >= $leg->start - $leg->length && $along <= $leg->start + $leg->straight + $leg->length) {
                    $ways[] = [
                        sprintf('Move leg %d %%s %s', $leg->toVertex, $words), 'leg '.$leg->toVertex.$words,
                        static fn (float $by): RunChange => new MoveLeg($leg->toVertex, $direction->times($by)),
                    ];
                }
            }
            $bends = $laid->bends;
            usort($bends, static fn (Bend $a, Bend $b): int => abs(($a->start + $a->end()) / 2 - $along)
                <=> abs(($b->start + $b->end()) / 2 - $along));
            foreach (array_slice($bends, 0, self::CORNERS) as $bend) {
                $ways[] = [
                    sprintf('Move corner %d %%s %s', $bend->vertex, $words), 'corner '.$bend->vertex.$words,
                    static fn (float $by): RunChange => new MoveCorner($bend->vertex, $direction->times($by)),
                ];
            }
        }

        return $ways;
    }

    /** @return list<array{string, string, callable(float): RunChange}> */
    private static function waysOfSmooth(LaidRun $laid, float $along, Vector $away): array
    {
        $edit = new FlexibleEdit($laid);
        $ways = [];
        foreach (array_keys($laid->run->route->smooth()->points ?? []) as $point) {
            $ways[] = [
                sprintf('Move point %d %%s away', $point + 1), 'point '.$point,
                static fn (float $by): RunChange => new SetRoute($edit->withPointMoved($point, $away->times($by))),
            ];
        }
        $ways[] = [
            'Lead it round by a point %s off', 'new point',
            static fn (float $by): RunChange => new SetRoute($edit->withPoint($along, $away->times($by))),
        ];

        return $ways;
    }

    /** @return array<string, Vector> straight away, and along the axes that go that way; by their words */
    private static function directions(Vector $away): array
    {
        $directions = [];
        foreach (['x' => $away->x, 'y' => $away->y, 'z' => $away->z] as $axis => $part) {
            if (abs($part) > 0.5) {
                $name = ($part < 0.0 ? '-' : '+').$axis;
                $directions['along '.str_replace('-', '−', $name)] = (Vector::axis($name) ?? $away)
                    ->times(1.0 / abs($part));
            }
        }

        return $directions;
    }
}
