<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Drawing\BoardDrawing;
use Bowline\Drawing\Plan\Plan;
use Bowline\Exchange\Plan\PlanSvg;
use Bowline\Geometry\PositiveZero;
use Bowline\Geometry\Tolerance;
use Bowline\Harness\Board;
use Bowline\Harness\BoardChange;
use Bowline\Harness\BoardChanges;
use Bowline\Harness\BoardTurn;
use Bowline\Job\Harness\BuiltBoard;
use Bowline\Job\Harness\BuiltCover;
use Bowline\Job\Harness\Harness;
use Bowline\Job\Harness\Splice;
use Bowline\Job\Units;
use Bowline\Solving\SolvedHarness;

/**
 * Writes the board of a harness in the shape of schema/api.json (`board`): its picture, what can be turned in it, and
 * what differs from the board that was built. Millimetres of the picture, y downwards; angles in degrees, as told in
 * the job file.
 */
final readonly class BoardWriter
{
    private function __construct(
        private SolvedHarness $solved,
        private Board $board,
        private Plan $plan,
    ) {
    }

    /**
     * @param  list<string>  $marked  connectors that are ringed
     * @return array<string, mixed>
     */
    public static function write(SolvedHarness $solved, Board $board, Units $units, array $marked): array
    {
        $writer = new self($solved, $board, BoardDrawing::of($solved, $board, $units, $marked));
        $laid = $solved->laid;

        return [
            'picture' => PlanSvg::write($writer->plan),
            'width' => $writer->plan->width,
            'height' => $writer->plan->height,
            'turns' => array_map($writer->turn(...), $board->turns),
            'changes' => array_map(
                static fn (BoardChange $change): string => $change->say($units), BoardChanges::of($laid),
            ),
            'is_built' => $laid->harness->built !== null,
            'now' => self::built(BoardChanges::now($laid)),
        ];
    }

    /** @return array<string, mixed> */
    private function turn(BoardTurn $turn): array
    {
        $others = array_filter(
            $this->board->turns, static fn (BoardTurn $one): bool => $one !== $turn && $one->run === $turn->run,
        );
        [$end, $length] = $this->endOf($turn);

        return [
            'run' => $turn->run,
            'towards' => $others === [] ? null : ($turn->isForward ? 'end' : 'start'),
            'at' => $this->inPicture($turn->at),
            'end' => $this->inPicture($end),
            'length' => $length,
            'along' => round(rad2deg($turn->along), 6),
            'angle' => PositiveZero::of(round(rad2deg($turn->angle), 6)),
            'told' => $this->isTold($turn),
            'in_way' => $turn->inWay === null ? null : $this->nameOf($turn->inWay->run),
        ];
    }

    /** @return array{array{float, float}, float} where what is turned ends on the board, and its length */
    private function endOf(BoardTurn $turn): array
    {
        $direction = $turn->along + $turn->angle;
        [$end, $length] = [$turn->at, 0.0];
        foreach ($this->board->segments as $segment) {
            $away = hypot($segment->end[0] - $turn->at[0], $segment->end[1] - $turn->at[1]);
            $isOn = $segment->run === $turn->run && ($segment->to > $segment->from) === $turn->isForward
                && abs($segment->end[0] - $turn->at[0] - $away * cos($direction)) < Tolerance::COINCIDENT
                && abs($segment->end[1] - $turn->at[1] - $away * sin($direction)) < Tolerance::COINCIDENT;
            if ($isOn && $away > $length) {
                [$end, $length] = [$segment->end, $away];
            }
        }

        return [$end, $length];
    }

    private function isTold(BoardTurn $turn): bool
    {
        $angles = $this->solved->laid->harness->angles;

        return isset($angles[$turn->run]) || isset(
            $angles[Harness::angleKey($turn->run, $turn->isForward ? 'end' : 'start')],
        );
    }

    private function nameOf(?string $run): string
    {
        return $run === null ? 'a way to a pin' : $this->solved->laid->backbone->trunk($run)->run->name ?? $run;
    }

    /**
     * @param  array{float, float}  $at
     * @return array{float, float}
     */
    private function inPicture(array $at): array
    {
        return [$this->plan->origin[0] + $at[0], $this->plan->height - $this->plan->origin[1] - $at[1]];
    }

    /** @return array<string, mixed> as in the job file (`builtBoard`) */
    private static function built(BuiltBoard $built): array
    {
        return [
            'trunks' => array_map(
                static fn (string $run): array => [
                    'run' => $run, 'lengths' => array_map(
                        static fn (float $length): float => round($length, 3), $built->lengths[$run],
                    ),
                ],
                array_map(strval(...), array_keys($built->lengths)),
            ),
            'connectors' => array_map(
                static fn (string $port): array => ['port' => $port, 'pins' => array_map(
                    static fn (array $pin): array => ['pin' => $pin[0], 'wire' => $pin[1]], $built->pins[$port],
                )],
                array_map(strval(...), array_keys($built->pins)),
            ),
            'splices' => array_values(array_map(static fn (Splice $splice): array => [
                'id' => $splice->id, 'name' => $splice->name,
                'on' => ['run' => $splice->run, 'length' => round($splice->along, 3)],
            ], $built->splices ?? [])),
            'covers' => array_map(static fn (BuiltCover $cover): array => [
                'run' => $cover->run, 'kind' => $cover->kind->value, 'from' => round($cover->from, 3),
                'to' => round($cover->to, 3), 'thickness' => $cover->thickness,
            ], $built->covers ?? []),
        ];
    }
}
