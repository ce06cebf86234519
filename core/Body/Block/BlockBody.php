<?php

declare(strict_types=1);

namespace Bowline\Body\Block;

use Bowline\Body\Boundary\Solid;
use Bowline\Body\Junction\WallMap;
use Bowline\Body\RunBody;
use Bowline\Body\SolidBuilder;
use Bowline\Job\Block;
use Bowline\Job\JobError;
use Bowline\Routing\LaidRun;

/** A block without its channels, as one exact closed boundary: its flat faces with holes, and the walls of these. */
final readonly class BlockBody
{
    /** @param  list<ChannelCut>  $cuts */
    private function __construct(public Block $block, private PrismBlock $prism, public array $cuts)
    {
    }

    /**
     * @param  list<LaidRun>  $channels  all that are taken out of it
     * @param  string  $pointer  in the job, for errors
     *
     * @throws JobError where one does not come out clean, or leaves no wall
     */
    public static function of(Block $block, array $channels, string $pointer = ''): self
    {
        $prism = PrismBlock::of($block)
            ?? throw JobError::at(
                $pointer, sprintf('%s is a mesh; channels go through boxes, cylinders and panels', $block->name),
            );
        $cuts = [];
        foreach ($channels as $laid) {
            if (RunBody::of($laid)->folds()) {
                throw JobError::at($pointer, sprintf('%s folds over', $laid->run->name));
            }
            $cut = ChannelCut::of($laid, $prism, $laid->run->channel->channel->over ?? 0.0);
            if ($cut === null) {
                continue;
            }
            foreach ([$cut->start, $cut->end] as $end) {
                self::refuse($end, $laid, $prism, $pointer);
            }
            foreach (ChannelWalls::of($cut, $cuts) as $wall) {
                if ($wall->thickness <= 0.0) {
                    throw JobError::at($pointer, sprintf(
                        '%s cuts into %s, by %s mm', $laid->run->name, $wall->words, round(-$wall->thickness, 2),
                    ));
                }
            }
            $cuts[] = $cut;
        }

        return new self($block, $prism, $cuts);
    }

    /** @throws JobError */
    private static function refuse(ChannelEnd $end, LaidRun $laid, PrismBlock $block, string $pointer): void
    {
        $face = $end->face === null ? '' : $block->faces[$end->face]->words;
        $why = match ($end->kind) {
            ChannelEndKind::Open, ChannelEndKind::Blind => null,
            ChannelEndKind::OverEdge => sprintf('comes out over an edge of %s', $face),
            ChannelEndKind::InBend => sprintf('comes out of %s where it bends', $face),
            ChannelEndKind::RoundSide => 'comes out of a round side',
            ChannelEndKind::Outside => 'bends outside',
        };
        if ($why !== null) {
            throw JobError::at($pointer, sprintf('%s %s of %s', $laid->run->name, $why, $block->block->name));
        }
    }

    public function solid(): Solid
    {
        $builder = new SolidBuilder;
        $holes = [];
        foreach ($this->cuts as $cut) {
            foreach ($cut->addTo($builder) as $number => $loops) {
                $holes[$number] = [...$holes[$number] ?? [], ...$loops];
            }
        }

        return new Solid($this->block->name, [[...$this->prism->boundary($holes), ...$builder->faces()]]);
    }

    /**
     * Returns the material round its channels: from places all along and round each to the nearest face or other
     * channel. Where a channel comes out of a face, that one does not count.
     *
     * @throws JobError where it has none
     */
    public function walls(): WallMap
    {
        $places = [];
        foreach ($this->cuts as $cut) {
            $others = array_values(array_filter(
                $this->cuts, static fn (ChannelCut $other): bool => $other !== $cut,
            ));
            array_push($places, ...ChannelWalls::places($cut, $others));
        }

        return $places === [] ? throw JobError::at('', 'it has no channel') : new WallMap($places);
    }
}
