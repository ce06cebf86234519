<?php

declare(strict_types=1);

namespace Bowline\Materials;

use Bowline\Bending\BendTable;
use Bowline\Bending\CutList;
use Bowline\Body\Gasket;
use Bowline\Body\Sleeve;
use Bowline\Job\End\Flange;
use Bowline\Job\End\FlangeBolts;
use Bowline\Job\Joint\JointKind;
use Bowline\Job\RunEnd;
use Bowline\Job\Section;
use Bowline\Job\Stock;
use Bowline\Job\StockKind;
use Bowline\Job\Words;
use Bowline\Materials\Nesting\Piece;
use Bowline\Routing\ClampPassage;
use Bowline\Routing\LaidJoint;
use Bowline\Routing\LaidRun;
use Bowline\Routing\RepeatPlaces;
use Bowline\Routing\Spool;
use Bowline\Solving\SolvedRun;

/** What is bought for a run: stock by its length, and what is at its ends, joints and clamps. */
final class BoughtParts
{
    /** Gasket at the end of a run that is bolted to something: flat, of 2 mm (EN 1514-1). */
    private const GASKET = 2.0;

    /** @return list<BoughtPart> */
    public static function of(SolvedRun $solved): array
    {
        if ($solved->laid->run->stock->kind === StockKind::Bundle || $solved->laid->run->channel !== null) {
            return [];
        }
        $laid = $solved->laid;
        $spools = Spool::all($laid);
        $parts = array_merge(...array_map(self::ofSpool(...), $spools));
        foreach (LaidJoint::all($laid) as $joint) {
            array_push($parts, ...self::ofJoint($laid, $joint, self::markAt($spools, $joint->at ?? $joint->told)));
        }
        foreach (ClampPassage::of($laid) as $passage) {
            $parts[] = new BoughtPart(
                self::markAt($spools, ($passage->span[0] + $passage->span[1]) / 2), 'clamp',
                'Clamp for ø '.$laid->run->units->number($passage->clamp->bore), 1,
            );
        }
        foreach ($laid->run->repeats as $repeat) {
            foreach (RepeatPlaces::of($laid, $repeat) as $along) {
                $parts[] = new BoughtPart(self::markAt($spools, $along), 'clip', ucfirst($repeat->kind->value), 1);
            }
        }

        return $parts;
    }

    /**
     * Returns the mark of the spool at a length; at a joint that of the one before it.
     *
     * @param  non-empty-list<Spool>  $spools
     */
    private static function markAt(array $spools, float $along): string
    {
        $mark = $spools[0]->mark;
        foreach ($spools as $spool) {
            $mark = $spool->from < $along ? $spool->mark : $mark;
        }

        return $mark;
    }

    /** @return list<array{Stock, Piece}> pieces of stock that are cut for it, each with the mark of its spool */
    public static function pieces(SolvedRun $solved): array
    {
        $pieces = [];
        foreach ($solved->laid->run->channel === null ? Spool::all($solved->laid) : [] as $spool) {
            $stock = $spool->laid->run->stock;
            $cuts = CutList::of($spool->laid);
            $lengths = $cuts === null
                ? [BendTable::of($spool->laid)->cutLength]
                : self::cutLengths($cuts);
            foreach ($lengths as $number => $length) {
                $mark = count($lengths) === 1 ? $spool->mark : sprintf('%s/%d', $spool->mark, $number + 1);
                $pieces[] = [$stock, new Piece($mark, $length)];
            }
        }

        return $pieces;
    }

    /** @return list<float> */
    private static function cutLengths(CutList $cuts): array
    {
        $lengths = [];
        foreach ($cuts->parts as $part) {
            if ($part->length !== null) {
                $lengths[] = $part->length;
            }
        }

        return $lengths;
    }

    /** @return list<BoughtPart> */
    private static function ofSpool(Spool $spool): array
    {
        $run = $spool->laid->run;
        $cuts = CutList::of($spool->laid);
        $length = $cuts === null ? BendTable::of($spool->laid)->cutLength : $cuts->pipeLength();
        $parts = [
            new BoughtPart($spool->mark, 'stock', $run->stock->name, 1, $length, $run->stock->massPerMetre),
        ];
        foreach ($cuts === null ? [] : $cuts->parts as $part) {
            if ($part->kind === 'elbow' || $part->kind === 'tee') {
                $parts[] = new BoughtPart($spool->mark, $part->kind, $part->words, 1);
            }
        }
        $isStart = $spool->jointBefore === null;
        $isEnd = $spool->jointBehind === null;

        return [
            ...$parts, ...self::ofEnd($spool->mark, $run->from, $run->stock->section, $isStart),
            ...self::ofEnd($spool->mark, $run->to, $run->stock->section, $isEnd),
        ];
    }

    /**
     * @param  bool  $isOfRun  whether the run ends there, and is bolted to something else
     * @return list<BoughtPart>
     */
    private static function ofEnd(string $mark, RunEnd $end, Section $section, bool $isOfRun): array
    {
        $flange = $end->end->flange($section);
        $parts = [];
        if ($flange !== null) {
            $parts[] = new BoughtPart($mark, 'flange', $flange->name ?? self::plate($flange), 1);
            if ($isOfRun && $end->port !== null) {
                array_push($parts, ...self::bolted($mark, $flange, self::GASKET, self::sealed($flange, $section)));
            }
        }
        if ($end->end->cap() !== null) {
            $parts[] = new BoughtPart($mark, 'cap', sprintf('Cap for ø %s', self::millimetres(
                $section->outsideDiameter,
            )), 1);
        }
        $reducer = $end->end->reducer();
        if ($reducer !== null) {
            $parts[] = new BoughtPart($mark, 'reducer', sprintf(
                '%s reducer ø %s to ø %s', $reducer->isEccentric ? 'Eccentric' : 'Concentric',
                self::millimetres($section->outsideDiameter), self::millimetres($reducer->od),
            ), 1);
        }

        return $parts;
    }

    /** @return list<BoughtPart> bolts with their nuts, and a gasket */
    private static function bolted(string $mark, Flange $flange, float $gasket, ?string $seal): array
    {
        $bolts = FlangeBolts::of($flange, $gasket);

        return array_values(array_filter([
            $bolts === null ? null : new BoughtPart($mark, 'bolt', $bolts->what, $bolts->count),
            $seal === null ? null : new BoughtPart($mark, 'gasket', $seal, 1),
        ]));
    }

    /** @return list<BoughtPart> */
    private static function ofJoint(LaidRun $laid, LaidJoint $joint, string $mark): array
    {
        $section = $laid->stockAlong($joint->at ?? $joint->told)->section;
        $flange = $joint->joint->near->flange($section);
        if ($joint->joint->kind === JointKind::Flanges && $flange !== null) {
            $gasket = Gasket::of($laid, $joint);

            return self::bolted($mark, $flange, $joint->joint->gap, $gasket === null ? null : self::gasket(
                $gasket->inner, $gasket->outer, $gasket->thickness,
            ));
        }
        if (! $joint->joint->kind->hasSleeve() || Sleeve::of($laid, $joint) === null) {
            return [];
        }
        [$length, $od] = $joint->joint->sleeve($section);

        return [new BoughtPart($mark, $joint->joint->kind->value, sprintf(
            '%s ø %s × %s', ucfirst($joint->joint->kind->value), self::millimetres($od), self::millimetres($length),
        ), 1)];
    }

    private static function sealed(Flange $flange, Section $section): ?string
    {
        $outer = $flange->face->diameter
            ?? ($flange->holes === null ? null : $flange->holes->circle - $flange->holes->diameter);

        return $outer === null || $outer <= $section->outsideDiameter
            ? null
            : self::gasket($section->outsideDiameter, $outer, self::GASKET);
    }

    private static function gasket(float $inner, float $outer, float $thickness): string
    {
        return sprintf(
            'Gasket ø %s / ø %s × %s', self::millimetres($inner), self::millimetres($outer),
            self::millimetres($thickness),
        );
    }

    private static function plate(Flange $flange): string
    {
        return sprintf(
            'Flange plate ø %s × %s', self::millimetres(2 * $flange->outline()->reach()),
            self::millimetres($flange->thickness),
        );
    }

    private static function millimetres(float $length): string
    {
        return Words::number($length, 1);
    }
}
