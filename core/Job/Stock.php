<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Job\Section\SectionReader;

/** The material of a run: tube, pipe, hose, wire or cable; or a bundle, which is what is in it. */
final readonly class Stock
{
    /** Least radius in motion of a hose or cable whose maker gives none, as a multiple of its least radius. */
    private const MOVING = 1.5;

    /** A bundle in which nothing is said to be yet: diameter, mm, and kg/m³ of copper in its insulation. */
    private const EMPTY_BUNDLE = ['diameter' => 4.0, 'density' => 2500.0];

    /** Standard gravity, m/s². */
    private const FALL = 9.80665;

    /**
     * @param  float  $density  kg/m³
     * @param  float  $massPerMetre  kg
     * @param  float|null  $stiffness  bending stiffness, N·mm²; null when no maker gives it
     * @param  array{float, float}|null  $pressure  relative changes of length under pressure: shortest (negative) and
     *     longest
     * @param  list<float>  $lengths  in which it is sold, mm, ascending
     * @param  float|null  $supportSpacing  most between two supports, mm; null where a table says it
     */
    private function __construct(
        public string $id,
        public string $name,
        public StockKind $kind,
        public Section $section,
        public BendPractice $bend,
        public float $density,
        public float $massPerMetre,
        private ?float $stiffness,
        public float $movingRadius,
        public ?array $pressure,
        public array $lengths,
        public ?float $supportSpacing,
    ) {
    }

    /** @throws JobError */
    public static function read(Node $node, Values $values): self
    {
        $kind = $node->get('kind');
        $id = $node->get('id')->text();
        $isBundle = $kind->value === StockKind::Bundle->value;
        $section = $isBundle && $node->find('section') === null
            ? SectionReader::read(new Node((object) [
                'shape' => 'round', 'od' => self::EMPTY_BUNDLE['diameter'],
                'wall' => self::EMPTY_BUNDLE['diameter'] / 2,
            ]), $values)
            : SectionReader::read($node->get('section'), $values);
        $bend = BendPractice::read($node->get('bend'), $values, $isBundle);
        $density = $isBundle && $node->find('density') === null
            ? self::EMPTY_BUNDLE['density']
            : $values->positive($node->get('density'), 'the density');
        $mass = $node->find('mass');
        $stiffness = $node->find('stiffness');
        $spacing = $node->find('support_spacing');
        $moving = $node->get('bend')->find('moving_radius');
        $lengths = array_map(
            static fn (Node $length): float => $values->positive($length, 'a length it is sold in'),
            $node->list('lengths'),
        );
        sort($lengths);

        return new self(
            $id,
            $node->find('name')?->text() ?? $id,
            StockKind::tryFrom($kind->text()) ?? throw $kind->error(sprintf('“%s” is no kind of stock', $kind->text())),
            $section,
            $bend,
            $density,
            $mass === null ? $section->area() * $density * 1e-6 : $values->positive($mass, 'the mass of a metre'),
            $stiffness === null ? null : $values->positive($stiffness, 'the stiffness') * 1e6,
            $moving === null
                ? $bend->leastRadius * self::MOVING
                : $values->notNegative($moving, 'the least radius where it moves'),
            self::underPressure($node->find('pressure'), $values),
            $lengths,
            $spacing === null ? null : $values->positive($spacing, 'the distance of its supports'),
        );
    }

    /**
     * Returns the size of the ports that are made for it, mm: its outside, or the bore of a hose, which goes over them.
     * Cables, wires and what is not round have none.
     */
    public function portSize(): ?float
    {
        $isTube = in_array($this->kind, [StockKind::Tube, StockKind::Pipe, StockKind::Rod, StockKind::Hose], true);
        if (! $isTube || ! $this->section->isRound) {
            return null;
        }
        $bore = $this->section->insideDiameter();

        return $this->kind === StockKind::Hose && $bore > 0.0 ? $bore : $this->section->outsideDiameter;
    }

    /** Returns the weight of a millimetre, N. */
    public function weight(): float
    {
        return $this->massPerMetre * self::FALL * 1e-3;
    }

    /**
     * Returns the length at which weight and stiffness balance, (EI/w)^⅓, mm. Where no stiffness is given it is half of
     * the least radius, which is typical of hoses and cables that lie well.
     */
    public function bendingLength(): float
    {
        return $this->stiffness === null
            ? $this->bend->leastRadius / 2
            : ($this->stiffness / $this->weight()) ** (1 / 3);
    }

    /**
     * @return array{float, float}|null
     *
     * @throws JobError
     */
    private static function underPressure(?Node $node, Values $values): ?array
    {
        if ($node === null) {
            return null;
        }
        $shortest = $values->number($node->get('shortest')) / 100.0;
        $longest = $values->number($node->get('longest')) / 100.0;
        if ($shortest <= -1.0 || $longest < $shortest) {
            throw $node->error(
                'under pressure it gets at most so much shorter, and no more than that longer, in percent',
            );
        }

        return [$shortest, $longest];
    }
}
