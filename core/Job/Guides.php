<?php

declare(strict_types=1);

namespace Bowline\Job;

/** Where runs that lay themselves are led: boxes they stay out of, and what they rather go along. */
final readonly class Guides
{
    /**
     * @param  array<string, KeepOut>  $keepOuts
     * @param  array<string, float>  $follow  how far the outside of a run is off what it goes along, mm, by the id of
     *     that in the surroundings; what is not there any more does not count
     */
    private function __construct(
        public array $keepOuts,
        public array $follow,
    ) {
    }

    /** @throws JobError */
    public static function read(Node $job, Values $values): self
    {
        $follow = [];
        foreach ($job->list('follow') as $one) {
            $of = $one->get('of');
            if (isset($follow[$of->text()])) {
                throw $of->error(sprintf('“%s” is followed already', $of->text()));
            }
            $follow[$of->text()] = $values->notNegative($one->find('stand_off'), 'the stand-off');
        }

        return new self(
            Site::byId($job->list('keep_outs'), static fn (Node $one): KeepOut => KeepOut::read($one, $values)),
            $follow,
        );
    }
}
