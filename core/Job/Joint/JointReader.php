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

        return array_map(static fn (Node $node): Joint => self::read($node, $usual, $site), $run->list('joints'));
    }

    private static function read(Node $node, End $usual, Site $site): Joint
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
        );
    }
}
