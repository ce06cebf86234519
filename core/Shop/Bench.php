<?php

declare(strict_types=1);

namespace Bowline\Shop;

use Bowline\Geometry\Vector;

/** A bender and an arm that are spoken to in lines: it bends a program, and measures the part. */
final readonly class Bench
{
    /** Points that the arm takes of each straight. */
    public const POINTS = 16;

    /**
     * @param  callable(string): string  $bender  sends a line and returns the answer
     * @param  callable(string): string  $arm  likewise
     */
    public function __construct(
        private mixed $bender,
        private mixed $arm,
    ) {
    }

    /**
     * Bends a tube.
     *
     * @param  (callable(int): bool)|null  $goesOn  called with the number of each step, from 0, before it; where it
     *     says no, what is in the bender is thrown away
     * @return string|null the number of the part in the rack; null where it was stopped
     *
     * @throws DeviceFault with the step at which the bender stopped
     */
    public function bend(BendProgram $program, ?callable $goesOn = null): ?string
    {
        $this->tell('CLEAR');
        $this->tell(sprintf('TUBE %.4F %.4F %.4F', $program->outsideDiameter, $program->wall, $program->cut));
        foreach ($program->steps as $number => $step) {
            if ($goesOn !== null && ! $goesOn($number)) {
                $this->tell('CLEAR');

                return null;
            }
            try {
                $this->tell(sprintf('DIE %.4F', $step->radius));
                $this->tell(sprintf('FEED %.4F', $step->feed));
                $this->tell(sprintf('TURN %.5F', rad2deg($step->turn)));
                $this->tell(sprintf('BEND %.5F', rad2deg($step->set)));
            } catch (DeviceFault $fault) {
                throw new DeviceFault(
                    sprintf('At bend %d it stopped: %s', $number + 1, $fault->getMessage()), $fault->getCode(),
                );
            }
        }

        return DeviceFault::unless('PART', ($this->bender)('TAKE'));
    }

    /**
     * Measures a part of the rack.
     *
     * @throws DeviceFault
     */
    public function measure(string $part): MeasuredTube
    {
        $count = (int) DeviceFault::unless('OK', ($this->arm)('PART '.$part));
        $points = [];
        for ($straight = 0; $straight < $count; $straight++) {
            $points[] = array_map(
                fn (int $i): Vector => $this->point($straight, $i / (self::POINTS - 1)), range(0, self::POINTS - 1),
            );
        }

        return $points === [] ? throw new DeviceFault('The part has no straights.') : MeasuredTube::of($points);
    }

    /**
     * Returns the name of the bender.
     *
     * @throws DeviceFault when what answers is no bender
     */
    public function bender(): string
    {
        return DeviceFault::unless('BENDER 1', ($this->bender)('HELLO'));
    }

    private function point(int $straight, float $share): Vector
    {
        $answer = DeviceFault::unless('POINT', ($this->arm)(sprintf('TOUCH %d %.4F', $straight, $share)));
        $numbers = explode(' ', $answer);
        if (count($numbers) !== 3 || array_filter($numbers, is_numeric(...)) !== $numbers) {
            throw new DeviceFault(sprintf('It told “%s” for a point.', mb_strimwidth($answer, 0, 60, '…')));
        }

        return new Vector(...array_map(floatval(...), $numbers));
    }

    private function tell(string $line): void
    {
        DeviceFault::unless('OK', ($this->bender)($line));
    }
}
