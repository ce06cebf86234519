<?php

declare(strict_types=1);

namespace Bowline\Bending;

use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Job\Values;

/** The benders of a job, or two invented ones: a bench bender for small tube and a machine for pipe. */
final readonly class Benders
{
    /** The two that ship with the program, in the shape of the job file. */
    public const SHIPPED = [
        [
            'id' => 'bench-22',
            'name' => 'Cleat bench bender 22',
            'min_straight' => 18,
            'first_grip' => 40,
            'last_grip' => 30,
            'radii' => [20, 25, 30, 36, 45, 55, 65], 'max_angle' => 185, 'max_od' => 22,
        ],
        [
            'id' => 'shop-60',
            'name' => 'Windlass shop bender 60',
            'min_straight' => 45,
            'first_grip' => 110,
            'last_grip' => 95,
            'radii' => [50, 56, 70, 90, 115, 140, 180], 'max_angle' => 190, 'max_od' => 60.3,
        ],
    ];

    /**
     * @return array<string, Bender> by id
     *
     * @throws JobError
     */
    public static function of(Job $job): array
    {
        return Site::byId(
            (new Node(self::said($job), '/benders'))->items(),
            static fn (Node $node): Bender => self::read($node, $job->site->values),
        );
    }

    /** @return list<mixed> those of a job, or those that ship with it, in the shape of the job file */
    public static function said(Job $job): array
    {
        $said = (new Node($job->source))->find('benders');
        $benders = [];
        foreach ($said === null ? self::SHIPPED : $said->items() as $bender) {
            $benders[] = $bender instanceof Node ? $bender->value : (object) $bender;
        }

        return $benders;
    }

    /** @throws JobError */
    public static function read(Node $node, Values $values): Bender
    {
        $radii = array_map(
            static fn (Node $radius): float => $values->positive($radius, 'the radius of a die'),
            $node->get('radii')->items(),
        );
        $angle = $values->positive($node->get('max_angle'), 'the largest angle');

        return new Bender(
            $node->get('id')->text(),
            $node->get('name')->text(),
            $values->notNegative($node->get('min_straight'), 'the straight between bends'),
            $values->notNegative($node->get('first_grip'), 'the first grip'),
            $values->notNegative($node->get('last_grip'), 'the last grip'),
            $radii === [] ? throw $node->get('radii')->error('a bender needs at least one die') : $radii,
            $angle <= 360.0
                ? deg2rad($angle)
                : throw $node->get('max_angle')->error('a bender turns 360 degrees at most'),
            $values->positive($node->get('max_od'), 'the largest tube'),
        );
    }
}
