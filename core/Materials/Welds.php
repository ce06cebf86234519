<?php

declare(strict_types=1);

namespace Bowline\Materials;

use Bowline\Job\BranchKind;
use Bowline\Job\Joint\JointKind;
use Bowline\Job\RunEnd;
use Bowline\Routing\LaidJoint;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Spool;
use Bowline\Solving\SolvedRun;

/** The welds of a run: at elbows, flanges and caps, where it stands on another, where spools are welded together. */
final class Welds
{
    /** @return list<Weld> in order along the run */
    public static function of(SolvedRun $solved): array
    {
        $laid = $solved->laid;
        if ($laid->run->channel !== null) {
            return [];
        }
        $welds = [];
        foreach ($laid->bends as $number => $bend) {
            if ($bend->elbow !== null) {
                $welds[] = self::at($laid, $bend->start, sprintf('elbow %d, before', $number + 1));
                $welds[] = self::at($laid, $bend->end(), sprintf('elbow %d, behind', $number + 1));
            }
        }
        foreach (LaidJoint::all($laid) as $number => $joint) {
            if ($joint->joint->kind === JointKind::Weld && $joint->at !== null) {
                $welds[] = self::at($laid, $joint->at, sprintf('joint %d', $number + 1), false);
            }
        }
        foreach (Spool::all($laid) as $spool) {
            array_push($welds, ...self::ofEnds($laid, $spool));
        }
        usort($welds, static fn (Weld $a, Weld $b): int => $a->along <=> $b->along);

        return array_map(static fn (Weld $one, int $number): Weld => new Weld(
            'W'.($number + 1), $one->words, $one->along, $one->at, $one->section, $one->isShop,
        ), $welds, array_keys($welds));
    }

    /** @return list<Weld> */
    private static function ofEnds(LaidRun $laid, Spool $spool): array
    {
        $welds = [];
        foreach ([[$spool->laid->run->from, $spool->from, 1], [$spool->laid->run->to, $spool->to, -1]] as $end) {
            [$said, $face, $inwards] = $end;
            $words = self::endWords($said, $spool);
            if ($words !== null) {
                $flange = $said->end->flange($spool->laid->run->stock->section);
                $back = $flange?->neck?->isHub() === true ? $flange->length() : 0.0;
                $welds[] = self::at($laid, $face + $inwards * $back, $words);
            }
        }

        return $welds;
    }

    private static function endWords(RunEnd $end, Spool $spool): ?string
    {
        $section = $spool->laid->run->stock->section;

        return match (true) {
            $end->branch !== null => $end->branch->kind === BranchKind::Tee ? 'tee' : 'branch on '.$end->branch->name,
            $end->end->flange($section) !== null => 'flange',
            $end->end->cap() !== null => 'cap',
            $end->end->reducer() !== null => 'reducer',
            default => null,
        };
    }

    private static function at(LaidRun $laid, float $along, string $words, bool $isShop = true): Weld
    {
        $along = max(0.0, min($laid->length(), $along));

        return new Weld(
            '', $words, $along, $laid->path->pointAt($along), $laid->stockAlong($along)->section, $isShop,
        );
    }
}
