<?php

declare(strict_types=1);

namespace Bowline\Job\Joint;

use Bowline\Job\End\End;
use Bowline\Job\End\EndReader;
use Bowline\Job\End\MatchingFlange;
use Bowline\Job\End\OpenEnd;
use Bowline\Job\End\PlateForTube;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\RunEnd;
use Bowline\Job\Site;
use Bowline\Job\Stock;

/** Reads the joints of a run. */
final class JointReader
{
    /**
     * @param  Node  $run  the run
     * @param  RunEnd  $from  whose flange is taken for joints that tell none; that of the other end where it has none
     * @return list<Joint>
     *
     * @throws JobError
     */
    public static function all(Node $run, RunEnd $from, RunEnd $to, Site $site): array
    {
        $usual = UsualFlange::of($from, $to) ?? new PlateForTube;
        $stock = $site->stock($run->get('stock'));

        return self::reduced(
            array_map(static fn (Node $node): Joint => self::read($node, $usual, $stock, $site), $run->list('joints')),
            $stock,
        );
    }

    /**
     * Returns the joints, with a reducer on the wider spool at each behind which the run goes on in another size.
     *
     * @param  list<Joint>  $joints
     * @return list<Joint>
     */
    private static function reduced(array $joints, Stock $stock): array
    {
        $order = $joints;
        uasort($order, static fn (Joint $one, Joint $other): int => [$one->leg, $one->fromStart] <=> [
            $other->leg, $other->fromStart,
        ]);
        foreach ($order as $index => $joint) {
            if ($joint->stock === null) {
                continue;
            }
            $joints[$index] = $joint->reducing($stock->section, $joint->stock->section);
            $stock = $joint->stock;
        }

        return array_values($joints);
    }

    /**
     * Returns the stock as which the run goes on behind a joint; null as it is.
     *
     * @param  Stock  $own  of the run
     *
     * @throws JobError where the joint is no weld, is not told on a leg, or one of both stocks is not round
     */
    private static function stock(Node $node, JointKind $kind, Stock $own, Site $site): ?Stock
    {
        $stock = $node->find('stock');
        if ($stock === null) {
            return null;
        }
        if ($kind !== JointKind::Weld) {
            throw $stock->error('a run goes on in another stock behind a weld only, with a reducer');
        }
        if ($node->get('at')->find('leg') === null) {
            throw $node->get('at')->error(
                'where a run goes on in another stock, the joint is told on a leg: the corners behind it are bent as '.
                'that stock is',
            );
        }

        $found = $site->stock($stock);
        if (! $found->section->isRound || ! $own->section->isRound) {
            throw $stock->error('a run goes on in another stock where both are round');
        }

        return $found;
    }

    private static function read(Node $node, End $usual, Stock $stock, Site $site): Joint
    {
        $values = $site->values;
        $word = $node->get('kind');
        $kind = JointKind::tryFrom($word->text()) ?? throw $word->error(
            sprintf('“%s” is no kind of joint; flanges, coupling, union and weld are', $word->text()),
        );
        $at = $node->get('at');
        $length = $at->find('length');
        $gap = $node->find('gap');
        $flange = $node->find('flange');
        $other = $node->find('other');
        $near = match (true) {
            $kind !== JointKind::Flanges => new OpenEnd,
            $flange === null => $usual,
            default => EndReader::read($flange, $site),
        };
        $sleeve = $node->find('sleeve');
        $sleeveLength = $sleeve?->find('length');
        $sleeveDiameter = $sleeve?->find('od');

        return new Joint(
            $kind,
            $length === null ? null : $values->notNegative($length, 'the length to the joint'),
            $length === null ? $values->count($at->get('leg'), 'the leg of the joint', 1) : 0,
            $length === null ? $values->number($at->get('from_start')) : 0.0,
            $gap === null ? $kind->usualGap() : $values->notNegative($gap, 'the gap'),
            $near,
            match (true) {
                $kind !== JointKind::Flanges => new OpenEnd,
                $other === null => new MatchingFlange($near),
                default => EndReader::read($other, $site),
            },
            $sleeveLength === null ? null : $values->positive($sleeveLength, 'the length of the sleeve'),
            $sleeveDiameter === null ? null : $values->positive($sleeveDiameter, 'the outside diameter of the sleeve'),
            self::stock($node, $kind, $stock, $site),
        );
    }
}
