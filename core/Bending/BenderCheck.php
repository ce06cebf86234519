<?php

declare(strict_types=1);

namespace Bowline\Bending;

use Bowline\Geometry\Tolerance;
use Bowline\Job\Units;
use Bowline\Job\Words;
use Bowline\Routing\Bend;
use Bowline\Routing\LaidRun;

/** Whether a bender can bend a run, from which end, and what prevents it. */
final readonly class BenderCheck
{
    /** Largest difference between the radius of a die and that of the drawing, mm. */
    private const SAME_RADIUS = 0.5;

    /**
     * @param  list<BenderObstacle>  $obstacles  from its start; when that cannot be done, nor from its end
     * @param  bool  $fromOtherEnd  it can be bent when the tube is put in the other way
     */
    private function __construct(
        public Bender $bender,
        public array $obstacles,
        public bool $fromOtherEnd,
    ) {
    }

    public static function of(Bender $bender, LaidRun $laid): self
    {
        $table = BendTable::of($laid);
        $isBent = array_filter($laid->bends, static fn (Bend $bend): bool => $bend->elbow === null) !== [];
        if (! $isBent) {
            return new self($bender, [], false);
        }
        $lead = $table->rows[0]->straight + $laid->run->from->trim;
        $tail = $table->tail + $laid->run->to->trim;
        $anyway = [...self::tube($bender, $laid), ...self::bends($bender, $table, $laid->run->units)];
        $forth = self::grips($bender, $laid->run->units, $lead, $tail, 1, count($table->rows));
        $back = self::grips($bender, $laid->run->units, $tail, $lead, count($table->rows), 1);

        return $anyway === [] && $forth !== [] && $back === []
            ? new self($bender, [], true)
            : new self($bender, [...$anyway, ...$forth], false);
    }

    public function canBend(): bool
    {
        return $this->obstacles === [];
    }

    /** @return list<BenderObstacle> */
    private static function tube(Bender $bender, LaidRun $laid): array
    {
        $od = $laid->run->stock->section->outsideDiameter;

        return $od <= $bender->largestTube + Tolerance::RULE_SLACK
            ? []
            : [
                new BenderObstacle(
                    null,
                    sprintf(
                        'The %s is %s outside; this bender takes %s.',
                        $laid->run->stock->kind->value,
                        $laid->run->units->say($od),
                        $laid->run->units->say($bender->largestTube),
                    ),
                    'Bend it on a larger bender, or in shorter pieces of another stock.',
                ),
            ];
    }

    /** @return list<BenderObstacle> what is the same from either end */
    private static function bends(Bender $bender, BendTable $table, Units $units): array
    {
        $obstacles = [];
        foreach ($table->rows as $index => $row) {
            $number = $index + 1;
            $die = $bender->nearestRadius($row->radius);
            if (abs($die - $row->radius) > self::SAME_RADIUS) {
                $obstacles[] = new BenderObstacle(
                    $index,
                    sprintf('Bend %d has R %s; there is no die of it.', $number, $units->number($row->radius)),
                    sprintf('Use R %s.', $units->number($die)),
                );
            }
            if ($row->setAngle > $bender->largestAngle + Tolerance::PARALLEL) {
                $obstacles[] = new BenderObstacle(
                    $index,
                    sprintf(
                        'Bend %d is set to %s°; this bender goes to %s°.',
                        $number,
                        Words::number(rad2deg($row->setAngle), 1),
                        Words::number(rad2deg($bender->largestAngle), 1),
                    ),
                    'Lay it round in two bends.',
                );
            }
            if ($index > 0 && $row->straight < $bender->leastStraight - Tolerance::RULE_SLACK) {
                $obstacles[] = new BenderObstacle(
                    $index,
                    sprintf(
                        'Between bends %d and %d there are %s straight; the clamp needs %s.',
                        $index,
                        $number,
                        $units->say($row->straight),
                        $units->say($bender->leastStraight),
                    ),
                    sprintf(
                        'Make the leg between them %s longer.',
                        $units->say(Words::roundedUp($bender->leastStraight - $row->straight)),
                    ),
                );
            }
        }

        return $obstacles;
    }

    /** @return list<BenderObstacle> */
    private static function grips(Bender $bender, Units $units, float $lead, float $tail, int $first, int $last): array
    {
        $obstacles = [];
        foreach ([
            [$lead, $bender->firstGrip, $first, 'ahead of bend %d, the first,'],
            [$tail, $bender->lastGrip, $last, 'behind bend %d, the last,'],
        ] as [$straight, $needed, $bend, $where]) {
            if ($straight < $needed - Tolerance::RULE_SLACK) {
                $obstacles[] = new BenderObstacle(
                    $bend - 1,
                    sprintf(
                        'There are %s straight %s and this bender grips %s.',
                        $units->say($straight),
                        sprintf($where, $bend),
                        $units->say($needed),
                    ),
                    sprintf(
                        'Leave %s more for trimming at that end.',
                        $units->say(Words::roundedUp($needed - $straight)),
                    ),
                );
            }
        }

        return $obstacles;
    }
}
