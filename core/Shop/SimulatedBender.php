<?php

declare(strict_types=1);

namespace Bowline\Shop;

use Bowline\Bending\Bender;
use Bowline\Geometry\Vector;

/**
 * A tube bender that does not exist. It holds a tube, feeds, turns and bends it step by step as it is told in lines of
 * text (docs/bender.md), and stops with a code where it cannot. Its tube springs back by a law, and slips, by amounts
 * that whoever sends the lines does not know.
 */
final class SimulatedBender
{
    /** Largest difference between the radius of a die and what is asked for, mm. */
    private const SAME_RADIUS = 0.5;

    /** The lines it knows, and how many numbers each takes. */
    private const LINES = [
        'HELLO' => 0, 'TUBE' => 3, 'DIE' => 1, 'FEED' => 1, 'TURN' => 1, 'BEND' => 1, 'TAKE' => 0, 'CLEAR' => 0,
    ];

    private ?float $cut = null;

    private float $outsideDiameter = 0.0;

    private ?float $radius = null;

    private float $fed = 0.0;

    private float $straight = 0.0;

    private float $turn = 0.0;

    /** @var list<array{float, float, float, float}> */
    private array $bends = [];

    /** @var list<Vector> */
    private array $front = [];

    /**
     * @param  float  $springback  part of the set angle by which a bend springs back
     * @param  float  $opening  radians by which every bend springs back besides
     * @param  float  $slip  part of a feed that is lost
     * @param  callable(MadeTube): string  $rack  takes a finished part, and returns its number
     */
    public function __construct(
        private readonly Bender $bender,
        private readonly MachineSpace $space,
        private readonly Noise $noise,
        private readonly mixed $rack,
        private readonly float $springback = 0.025,
        private readonly float $opening = 0.0,
        private readonly float $slip = 0.0,
        private readonly float $angleNoise = 0.0,
        private readonly float $feedNoise = 0.0,
    ) {
    }

    /** Answers a line: "OK", "PART 7", or "ERR 21 there is no die of R 33". */
    public function answer(string $line): string
    {
        $words = explode(' ', (string) preg_replace('/\s+/', ' ', trim($line)));
        $numbers = array_map(
            static fn (string $word): ?float => is_numeric($word) && is_finite((float) $word) ? (float) $word : null,
            array_slice($words, 1),
        );
        if (in_array(null, $numbers, true)) {
            return 'ERR 11 that is no number';
        }
        /** @var list<float> $numbers */
        $word = strtoupper($words[0]);
        if (! isset(self::LINES[$word])) {
            return 'ERR 10 there is no such line';
        }
        if (count($numbers) !== self::LINES[$word]) {
            return sprintf('ERR 11 %s takes %d numbers', $word, self::LINES[$word]);
        }

        return match ($word) {
            'HELLO' => 'BENDER 1 '.$this->bender->name,
            'TUBE' => $this->tube(...$numbers),
            'CLEAR' => $this->clear(),
            default => $this->cut === null ? 'ERR 12 there is no tube in it' : match ($word) {
                'DIE' => $this->die(...$numbers),
                'FEED' => $this->feed(...$numbers),
                'TURN' => $this->turn(deg2rad($numbers[0])),
                'BEND' => $this->bend(deg2rad($numbers[0])),
                default => $this->take(),
            },
        };
    }

    private function tube(float $outsideDiameter, float $wall, float $cut): string
    {
        if ($outsideDiameter <= 0.0 || $wall <= 0.0 || $cut <= 0.0 || 2 * $wall > $outsideDiameter) {
            return 'ERR 11 that is no tube';
        }
        if ($outsideDiameter > $this->bender->largestTube) {
            return sprintf('ERR 20 it takes tubes up to %s', round($this->bender->largestTube, 3));
        }
        $this->clear();
        [$this->outsideDiameter, $this->cut] = [$outsideDiameter, $cut];

        return 'OK';
    }

    private function clear(): string
    {
        [$this->cut, $this->radius, $this->fed, $this->straight, $this->turn] = [null, null, 0.0, 0.0, 0.0];
        [$this->bends, $this->front] = [[], []];

        return 'OK';
    }

    private function die(float $radius): string
    {
        $nearest = $this->bender->nearestRadius($radius);
        if (abs($nearest - $radius) > self::SAME_RADIUS) {
            return sprintf('ERR 21 there is no die of R %s', round($radius, 3));
        }
        $this->radius = $nearest;

        return 'OK';
    }

    private function feed(float $length): string
    {
        $real = $length * (1.0 - $this->slip) + $this->noise->of($this->feedNoise);
        if ($length < 0.0 || $this->fed + $length > (float) $this->cut) {
            return 'ERR 24 the tube is not that long';
        }
        // What slips in the grip is not drawn off the tube.
        $this->fed += $real;
        $this->straight += $real;

        return 'OK';
    }

    private function turn(float $angle): string
    {
        $this->turn += $angle;

        return 'OK';
    }

    private function bend(float $set): string
    {
        if ($this->radius === null) {
            return 'ERR 12 no die is in it';
        }
        if ($set <= 0.0 || $set > $this->bender->largestAngle) {
            return sprintf('ERR 23 it bends up to %s', round(rad2deg($this->bender->largestAngle), 3));
        }
        $needed = $this->bends === [] ? $this->bender->firstGrip : $this->bender->leastStraight;
        if ($this->straight < $needed - 0.5) {
            return sprintf('ERR 22 the clamp needs %s straight', round($needed, 3));
        }
        if ($this->fed + $set * $this->radius > (float) $this->cut) {
            return 'ERR 24 the tube is not that long';
        }
        $step = new BendStep($this->straight, $this->straight, $this->turn, $set, $set, $this->radius);
        $hit = $this->space->hit($this->front, $step, $this->outsideDiameter / 2, (float) $this->cut - $this->fed);
        if ($hit !== null) {
            return match ($hit) {
                'bed' => 'ERR 30 the tube hits the bed',
                'floor' => 'ERR 31 the tube hits the floor',
                default => 'ERR 32 the tube hits itself',
            };
        }
        $got = $set * (1.0 - $this->springback) - $this->opening + $this->noise->of($this->angleNoise);
        $this->bends[] = [$this->straight, $this->bends === [] ? 0.0 : $this->turn, $got, $this->radius];
        $this->front = $this->space->after($this->front, $this->straight, $this->turn, $got, $this->radius);
        // What is drawn round the die has sprung back: it is straight again as far as that.
        $this->fed += $set * $this->radius;
        [$this->straight, $this->turn] = [($set - $got) * $this->radius, 0.0];

        return 'OK';
    }

    private function take(): string
    {
        $tail = (float) $this->cut - $this->fed + $this->straight;
        $number = ($this->rack)(new MadeTube($this->bends, $tail, $this->outsideDiameter));
        $this->clear();

        return 'PART '.$number;
    }
}
