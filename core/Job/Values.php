<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Vector;
use Bowline\Job\Expression\Expression;
use Bowline\Job\Expression\ExpressionError;

/** The named values of a job, and the reading of any number of the file: plain, or an expression of them. */
final class Values
{
    /** Largest magnitude of a length, angle or count; also keeps squares finite. */
    private const LARGEST = 1e12;

    /** @var array<string, float> */
    private array $known = [];

    /** @var list<string> names being worked out, to spell out a loop */
    private array $trail = [];

    /** @param  array<string, Node>  $nodes */
    private function __construct(private readonly array $nodes)
    {
    }

    /**
     * Evaluates all named values, used or not.
     *
     * @throws JobError at the value that cannot be evaluated
     */
    public static function read(?Node $node): self
    {
        $values = new self($node?->members() ?? []);
        foreach ($values->nodes as $name => $value) {
            // PHP makes an integer key of a name of digits.
            if (preg_match('/^[A-Za-z_][A-Za-z0-9_]*$/', strval($name)) !== 1) {
                throw $value->error('a value’s name has letters, digits and _ and starts with a letter');
            }
        }
        foreach (array_keys($values->nodes) as $name) {
            $values->valueOf($name);
        }

        return $values;
    }

    /** @return array<string, float> every value, worked out */
    public function all(): array
    {
        return $this->known;
    }

    /** @throws JobError when this is neither a number nor an expression that comes to one */
    public function number(Node $node): float
    {
        $number = match (true) {
            is_int($node->value), is_float($node->value) => (float) $node->value,
            is_string($node->value) => $this->evaluate($node->value, $node),
            default => throw $node->error('a number is expected here'),
        };
        if (! is_finite($number) || abs($number) > self::LARGEST) {
            throw $node->error('this number is too large to be used');
        }

        return $number;
    }

    /** @throws JobError */
    public function positive(Node $node, string $what): float
    {
        $number = $this->number($node);

        return $number > 0.0 ? $number : throw $node->error($what.' must be more than 0');
    }

    /** @throws JobError */
    public function notNegative(?Node $node, string $what, float $default = 0.0): float
    {
        $number = $node === null ? $default : $this->number($node);

        return $number >= 0.0 ? $number : throw $node?->error($what.' must not be negative') ?? JobError::at('', $what);
    }

    /** @throws JobError when this is not a whole number from $least up */
    public function count(Node $node, string $what, int $least = 0): int
    {
        $number = $this->number($node);

        return floor($number) === $number && $number >= $least && $number <= 1e6
            ? (int) $number
            : throw $node->error(sprintf('%s must be a whole number from %d up', $what, $least));
    }

    /** @throws JobError when this is not three numbers */
    public function vector(Node $node): Vector
    {
        $items = $node->items();
        if (count($items) !== 3) {
            throw $node->error('three numbers are expected here: x, y, z');
        }

        return new Vector($this->number($items[0]), $this->number($items[1]), $this->number($items[2]));
    }

    /**
     * A unit direction: three numbers, or the name of an axis ("+x" … "-z").
     *
     * @throws JobError
     */
    public function direction(Node $node): Vector
    {
        if (is_string($node->value)) {
            return Vector::axis($node->value)
                ?? throw $node->error(sprintf('“%s” is no direction; “+x”, “-y” … or three numbers are', $node->value));
        }
        $vector = $this->vector($node);

        return $vector->length() > 0.0 ? $vector->unit() : throw $node->error('a direction cannot be all zero');
    }

    private function evaluate(string $text, Node $node): float
    {
        try {
            return Expression::evaluate($text, fn (string $name): float => $this->valueOf($name));
        } catch (ExpressionError $error) {
            throw $node->error($error->getMessage());
        }
    }

    private function valueOf(string $name): float
    {
        if (isset($this->known[$name])) {
            return $this->known[$name];
        }
        $node = $this->nodes[$name] ?? throw ExpressionError::unknownName($name);
        if (in_array($name, $this->trail, true)) {
            throw $node->error('this value comes back to itself: '.implode(' → ', [...$this->trail, $name]));
        }
        $this->trail[] = $name;
        $value = $this->number($node);
        array_pop($this->trail);

        return $this->known[$name] = $value;
    }
}
