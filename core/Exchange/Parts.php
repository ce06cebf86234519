<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Body\Gasket;
use Bowline\Body\Mesh;
use Bowline\Body\RepeatBody;
use Bowline\Body\RunBody;
use Bowline\Body\ShapeBody;
use Bowline\Body\Sleeve;
use Bowline\Geometry\Pose;
use Bowline\Job\ItemRef;
use Bowline\Job\JobError;
use Bowline\Job\Shape\Shape;
use Bowline\Job\Site;
use Bowline\Job\StockKind;
use Bowline\Routing\LaidJoint;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Spool;
use Bowline\Rules\Finding;
use Bowline\Solving\SolvedRun;
use Generator;

/** The parts of solved runs that may be written to a file. */
final class Parts
{
    /** Rules that report a body that folds, the plainest first. */
    private const FOLDING = ['section-fold', 'leg-room', 'reversal', 'bend-radius'];

    /** Couplings and unions, as in the view. */
    private const FITTINGS = [0.72, 0.65, 0.45];

    /** Gaskets, which are of fibre or rubber. */
    private const GASKETS = [0.30, 0.32, 0.28];

    /** Equipment and surroundings, as in the view. */
    private const EQUIPMENT = [0.80, 0.83, 0.81];

    private const SURROUNDINGS = [0.89, 0.86, 0.79];

    /**
     * Returns the spools of a run, or itself where it is made in one piece.
     *
     * @param  string  $pointer  of the run in the job
     * @return list<ExactPart> none of a run without length, nor of a trunk
     *
     * @throws JobError when the body folds over, with the finding that says where, or does not close
     */
    public static function of(SolvedRun $solved, string $pointer): array
    {
        $run = $solved->laid->run;
        if ($run->stock->kind === StockKind::Bundle) {
            // It is the wires in it, and no body of its own.
            return [];
        }
        if ($run->channel !== null) {
            throw JobError::at($pointer, sprintf(
                '%s is taken out of %s, and is written with that', $run->name, $run->channel->channel->block->name,
            ));
        }
        foreach (Spool::ofOneStock($solved->laid) as $laid) {
            if (RunBody::of($laid)->folds()) {
                throw JobError::at(
                    $pointer, sprintf('the body of %s folds over and is not written%s', $run->name, self::why($solved)),
                );
            }
        }
        $spools = Spool::all($solved->laid);
        $colour = $run->service?->rgb() ?? self::colour($run->stock->kind);
        $parts = [];
        foreach ($spools as $spool) {
            $solid = RunBody::of($spool->laid)->solid();
            if ($solid !== null && ! $solid->isClosed()) {
                throw JobError::at($pointer, sprintf('the body of %s does not close and is not written', $run->name));
            }
            if ($solid !== null) {
                $isOnly = count($spools) === 1;
                $parts[] = new ExactPart(
                    $isOnly ? $run->id : $spool->mark, $isOnly ? $run->name : $spool->laid->run->name, $solid, $colour,
                );
            }
        }

        return $parts;
    }

    /**
     * Returns what goes over the spools of a run: what is bought for its joints, and what repeats along it.
     *
     * @return list<ExactPart>
     */
    public static function over(LaidRun $laid): array
    {
        $parts = [];
        foreach (LaidJoint::all($laid) as $number => $joint) {
            $bought = [
                [Sleeve::of($laid, $joint), $joint->joint->kind->value, self::FITTINGS],
                [Gasket::of($laid, $joint)?->solid($laid, $joint), 'gasket', self::GASKETS],
            ];
            foreach ($bought as [$solid, $words, $colour]) {
                if ($solid !== null) {
                    $parts[] = new ExactPart(
                        sprintf('%s-joint-%d', $laid->run->id, $number + 1),
                        sprintf('%s, %s', $laid->run->name, $words), $solid, $colour,
                    );
                }
            }
        }

        foreach ($laid->run->repeats as $index => $repeat) {
            foreach (RepeatBody::all($laid, $repeat) as $number => $solid) {
                $parts[] = new ExactPart(
                    sprintf('%s-%s-%d-%d', $laid->run->id, $repeat->kind->value, $index + 1, $number + 1),
                    sprintf('%s, %s', $laid->run->name, $solid->name), $solid, self::FITTINGS,
                );
            }
        }

        return $parts;
    }

    /**
     * Passes parts on as they are made.
     *
     * @param  iterable<Part>  $parts
     * @return Generator<int, Part>
     *
     * @throws JobError where there are none: a file with nothing in it would be taken for a whole one
     */
    public static function atLeastOne(iterable $parts): Generator
    {
        $count = 0;
        foreach ($parts as $part) {
            yield $count++ => $part;
        }
        if ($count === 0) {
            throw JobError::at(
                '/runs',
                'no run here has a body to write: a trunk is the wires in it, a channel is taken out of its block, '
                    .'and what has no length has none',
            );
        }
    }

    /**
     * Returns equipment and surroundings, a part for each of their bodies.
     *
     * @param  (callable(ItemRef, Shape, Pose): bool)|null  $wanted  of an item, one of its shapes and the pose of that
     *     in space; null for all
     * @return Generator<Part> without meshes whose triangles are not at hand
     *
     * @throws JobError where the triangles of a mesh cannot be read
     */
    public static function around(Site $site, ?callable $wanted = null): Generator
    {
        $wanted ??= static fn (): bool => true;
        foreach ($site->fittings as $fitting) {
            foreach ($fitting->solids as $number => $solid) {
                $pose = $solid->pose->within($fitting->pose);
                if ($wanted(ItemRef::fitting($fitting->id), $solid->shape, $pose)) {
                    $name = $fitting->name.(count($fitting->solids) === 1 ? '' : ' '.($number + 1));
                    $id = sprintf('fittings/%s/%d', $fitting->id, $number + 1);
                    yield from self::placed($id, $name, $solid->shape, $pose, self::EQUIPMENT);
                }
            }
        }
        foreach ($site->surroundings as $body) {
            if ($wanted(ItemRef::of('surroundings', $body->id), $body->shape, $body->pose)) {
                $id = 'surroundings/'.$body->id;
                yield from self::placed($id, $body->name, $body->shape, $body->pose, self::SURROUNDINGS);
            }
        }
    }

    /**
     * @param  array{float, float, float}  $colour
     * @return list<Part> one, or none
     */
    private static function placed(string $id, string $name, Shape $shape, Pose $pose, array $colour): array
    {
        $triangles = $shape->triangles();
        if ($triangles !== null) {
            return [new MeshPart($id, $name, Mesh::ofTriangles($triangles->packed, $pose), $colour)];
        }
        $solid = ShapeBody::of($name, $shape, $pose);

        return $solid === null ? [] : [new ExactPart($id, $name, $solid, $colour)];
    }

    /** Returns the finding that says where a body folds, behind a colon. */
    private static function why(SolvedRun $solved): string
    {
        foreach (self::FOLDING as $rule) {
            foreach ($solved->findings as $finding) {
                if ($finding->rule === $rule) {
                    return sprintf(': %s. %s', lcfirst($finding->title), $finding->message);
                }
            }
        }

        return '';
    }

    /** @return array{float, float, float} as in the view: rubber and sheaths are darker than metal */
    public static function colour(StockKind $kind): array
    {
        return match ($kind) {
            StockKind::Tube, StockKind::Pipe => [0.60, 0.64, 0.66],
            default => [0.20, 0.22, 0.24],
        };
    }
}
