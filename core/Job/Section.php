<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Outline;

/** The cross-section of a stock: round, hollow or solid. Millimetres. */
final readonly class Section
{
    private function __construct(public float $outsideDiameter, public float $wall)
    {
    }

    public static function tube(float $od, float $wall): self
    {
        return new self($od, min($wall, $od / 2));
    }

    public static function solid(float $od): self
    {
        return new self($od, $od / 2);
    }

    /** @throws JobError */
    public static function read(Node $node, Values $values): self
    {
        $od = $values->positive($node->get('od'), 'the outside diameter');
        $wallNode = $node->find('wall');
        if ($wallNode === null) {
            return self::solid($od);
        }
        $wall = $values->positive($wallNode, 'the wall');
        if ($wall > $od / 2) {
            throw $wallNode->error(
                sprintf(
                    'a wall of %s mm is more than half of the outside diameter of %s mm',
                    Words::number($wall),
                    Words::number($od),
                ),
            );
        }

        return self::tube($od, $wall);
    }

    public function insideDiameter(): float
    {
        return $this->outsideDiameter - 2 * $this->wall;
    }

    public function isSolid(): bool
    {
        return $this->insideDiameter() <= 0.0;
    }

    /** Returns the area of the material in mm². */
    public function area(): float
    {
        return (M_PI / 4) * ($this->outsideDiameter ** 2 - max(0.0, $this->insideDiameter()) ** 2);
    }

    public function outside(): Outline
    {
        return Outline::circle($this->outsideDiameter / 2);
    }

    /** @return list<Outline> outlines of what is hollow, counter-clockwise */
    public function bores(): array
    {
        return $this->isSolid() ? [] : [Outline::circle($this->insideDiameter() / 2)];
    }

    /** Returns half the height of the section in the plane of a bend: a smaller bend folds. */
    public function halfHeight(): float
    {
        return $this->outsideDiameter / 2;
    }
}
