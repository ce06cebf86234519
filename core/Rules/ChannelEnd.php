<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Body\Block\BlockShape;
use Bowline\Body\Block\ChannelCut;
use Bowline\Body\Block\ChannelEnd as End;
use Bowline\Body\Block\ChannelEndKind;
use Bowline\Body\Block\GrooveCut;
use Bowline\Body\Block\MeshBlock;
use Bowline\Body\Block\PrismBlock;
use Bowline\Editing\Edit\SetLead;
use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Job\Channel;
use Bowline\Job\FileValue;
use Bowline\Job\JobError;
use Bowline\Job\Port;
use Bowline\Routing\ChannelInBlock;
use Bowline\Routing\LaidRun;
use stdClass;

/** `channel-end`: a channel comes out of its block at both ends: of one flat face, whole, where there is an opening. */
final class ChannelEnd implements Rule
{
    /** Nearest openings that are tried. */
    private const OPENINGS = 2;

    /** To what leads and lengths are rounded up, mm. */
    private const STEP = 0.5;

    public function check(LaidRun $laid): array
    {
        $channel = $laid->run->channel?->channel;
        if ($channel === null) {
            return [];
        }
        $block = BlockShape::of($channel->block);
        if ($block === null) {
            return [new Finding(
                'channel-end', Severity::Violation, Subject::run(),
                sprintf('Nothing can be taken out of %s', $channel->block->name),
                sprintf('%s %s.', $channel->block->name, MeshBlock::NONE), $laid->run->from->at,
                [0.0, $laid->length()],
            )];
        }
        if ($channel->depth !== null) {
            return self::ofGroove($laid, $block, $channel, $channel->depth);
        }
        $cut = ChannelCut::of($laid, $block, $channel->over);
        if ($cut === null) {
            return [];
        }
        $findings = [];
        foreach (['from' => $cut->start, 'to' => $cut->end] as $name => $end) {
            $fault = self::isInAnother($end, $laid, $block) ? null : self::fault(
                $end, $cut, $channel, $laid,
                ($name === 'from' ? $laid->run->from : $laid->run->to)->end->type() === 'closed',
            );
            if ($fault !== null) {
                $along = $name === 'from' ? 0.0 : $laid->length();
                $findings[] = new Finding(
                    'channel-end', Severity::Violation, Subject::end($laid, $name),
                    sprintf('Its %s %s', $name === 'from' ? 'start' : 'end', $fault[0]), $fault[1], $end->at(),
                    [$along, $along], $fault[2], $fault[3],
                );
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function ofGroove(LaidRun $laid, BlockShape $block, Channel $channel, float $depth): array
    {
        try {
            if (! $block instanceof PrismBlock) {
                throw JobError::at('', sprintf('%s is a mesh, without flat faces', $channel->block->name));
            }
            GrooveCut::of($laid, $block, $depth, $channel->over);

            return [];
        } catch (JobError $error) {
            return [new Finding(
                'channel-end', Severity::Violation, Subject::run(),
                sprintf('No groove in %s', $channel->block->name), ucfirst($error->getMessage()).'.',
                $laid->run->from->at, [0.0, $laid->length()],
            )];
        }
    }

    /** Whether a blind end lies in another channel that it is open to. */
    private static function isInAnother(End $end, LaidRun $laid, BlockShape $block): bool
    {
        foreach ($end->kind === ChannelEndKind::Blind ? $laid->run->channel?->others() ?? [] : [] as $other) {
            $cut = ChannelInBlock::areOpen($laid->run, $other->run) && $other->run->channel?->channel->depth === null
                ? ChannelCut::of($other, $block, $other->run->channel->channel->over ?? 0.0)
                : null;
            if ($cut !== null && $cut->holds($end->told())) {
                return true;
            }
        }

        return false;
    }

    /** @return array{string, string, float|null, float|null}|null title, words, measured, required */
    private static function fault(
        End $end,
        ChannelCut $cut,
        Channel $channel,
        LaidRun $laid,
        bool $isPlugged,
    ): ?array {
        $say = $laid->run->units->say(...);
        $block = $channel->block;
        $face = $end->face === null ? '' : $cut->block->faces[$end->face]->words;

        return match ($end->kind) {
            ChannelEndKind::Blind => [
                'is blind', is_finite($end->short)
                    ? sprintf(
                        '%s goes on for %s before it; it cuts %s beyond its end.', $block->name, $say($end->short),
                        $say($channel->over),
                    )
                    : sprintf('It does not come out of %s.', $block->name),
                $channel->over, is_finite($end->short) ? $end->short : null,
            ],
            ChannelEndKind::OverEdge => [
                'comes out over an edge', sprintf('It is %s over an edge of %s.', $say($end->short), $block->name),
                -$end->short, 0.0,
            ],
            ChannelEndKind::InBend => [
                'comes out in a bend',
                sprintf('At that slant it needs %s more of a straight behind %s.', $say($end->short), $face),
                0.0, $end->short,
            ],
            ChannelEndKind::Outside => [
                'is not in its block', sprintf('Its last bend is %s outside of %s.', $say($end->short), $block->name),
                -$end->short, 0.0,
            ],
            ChannelEndKind::Open, ChannelEndKind::Found => $isPlugged
            || self::openingAt($end, $block->openings, $cut->reach) ? null : [
                'comes out where no opening is',
                sprintf('%s has none there%s.', $block->name, $face === '' ? '' : ' in '.$face), null, null,
            ],
        };
    }

    /** @param  array<string, Port>|null  $openings */
    private static function openingAt(End $end, ?array $openings, float $reach): bool
    {
        foreach ($openings ?? [] as $opening) {
            if ($opening->at->distanceTo($end->at()) < $reach) {
                return true;
            }
        }

        return $openings === null;
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        $name = $finding->subject->isEnd('from') ? 'from' : 'to';
        $end = $name === 'from' ? $laid->run->from : $laid->run->to;
        $channel = $laid->run->channel?->channel;
        if ($channel === null || $finding->subject->kind !== 'end') {
            return;
        }
        $say = $laid->run->units->say(...);
        if ($end->axis !== null && ($finding->required ?? 0.0) > 0.0) {
            $lead = self::rounded(($end->lead ?? 0.0) + ($finding->required ?? 0.0));
            try {
                yield new Remedy(
                    sprintf('Give it a lead of %s', $say($lead)), 'runs',
                    RunDraft::of($laid)->apply(new SetLead($name, $lead))->run(),
                );
            } catch (EditError) {
                // What follows another run has its lead from there.
            }
        }
        if ($finding->measured === $channel->over && $finding->required !== null) {
            $over = self::rounded($finding->required);
            $run = RunDraft::of($laid)->run();
            if (isset($run->body) && $run->body instanceof stdClass) {
                $run->body->over = FileValue::roundForFile($over);
                yield new Remedy(sprintf('Cut %s beyond its ends', $say($over)), 'runs', $run);
            }
        }
        $openings = array_values($channel->block->openings ?? []);
        usort($openings, static fn (Port $a, Port $b): int => $a->at->distanceTo($finding->at)
            <=> $b->at->distanceTo($finding->at));
        foreach (array_slice($openings, 0, self::OPENINGS) as $opening) {
            $run = RunDraft::of($laid)->run();
            $run->{$name} = (object) ['port' => $opening->name];
            yield new Remedy(sprintf('Take it to %s', $opening->title ?? $opening->name), 'runs', $run);
        }
    }

    private static function rounded(float $length): float
    {
        return ceil($length / self::STEP) * self::STEP;
    }
}
