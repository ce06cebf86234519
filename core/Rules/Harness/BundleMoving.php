<?php

declare(strict_types=1);

namespace Bowline\Rules\Harness;

use Bowline\Geometry\Tolerance;
use Bowline\Harness\LaidHarness;
use Bowline\Harness\Movements;
use Bowline\Job;
use Bowline\Job\Units;
use Bowline\Rules\LengthensHoses;
use Bowline\Rules\Severity;

/** `bundle-moving`: over a movement a trunk keeps the least radius in motion of every wire that is in it. */
final readonly class BundleMoving implements HarnessRule
{
    use LengthensHoses;

    public function __construct(private Movements $movements)
    {
    }

    public function check(LaidHarness $laid, array $bundles, Units $units): array
    {
        $findings = [];
        foreach ($laid->trunks() as $trunk) {
            $id = $trunk->run->id;
            $needed = max([0.0, ...array_map(static fn ($span): float => $span->movingRadius, $bundles[$id])]);
            [$radius, $position] = ($needed > 0.0 ? $this->movements->tightest($trunk) : null) ?? [INF, ''];
            if ($radius < $needed * (1.0 - Tolerance::CURVE_ACCURACY) - Tolerance::RULE_SLACK) {
                $findings[] = new HarnessFinding(
                    'bundle-moving', Severity::Violation,
                    sprintf('%s is bent too tight while it moves', $trunk->run->name),
                    sprintf(
                        'At %s of the movement its radius is %s; %s needs at least R %s in motion.', $position,
                        $units->say($radius), self::tightest($laid, $id, $needed), $units->number($needed),
                    ),
                    $trunk->path->pointAt($trunk->length() / 2), null, $id, [0.0, $trunk->length()], $radius, $needed,
                );
            }
        }

        return $findings;
    }

    /** Returns the name of the first wire, or of the cable that it is in, that needs a radius in a trunk. */
    private static function tightest(LaidHarness $laid, string $run, float $needed): string
    {
        foreach ($laid->wires as $one) {
            $stock = $one->wire->cable->stock ?? $one->wire->stock;
            if ($stock->movingRadius >= $needed && in_array($run, array_column($one->ways(), 'run'), true)) {
                return $one->wire->cable->name ?? $one->wire->id;
            }
        }

        return 'what is in it';
    }

    public function remedies(HarnessFinding $finding, LaidHarness $laid, Units $units, Job $job): iterable
    {
        $trunk = $laid->backbone->trunk($finding->run ?? '');

        return $trunk === null ? [] : $this->longer($trunk);
    }
}
