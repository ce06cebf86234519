<?php

declare(strict_types=1);

namespace Bowline\Proposals\Division;

use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Job\FileValue;
use Bowline\Job\Node;
use Bowline\Routing\LaidRun;
use Bowline\Routing\SpringRoute;
use stdClass;

/**
 * Trunks of a given length that hang or spring: each piece has its part of the length, and lies as it did because a
 * part of a catenary is one, and a part of an elastica too where its direction is held.
 */
final readonly class LengthDivision implements Division
{
    use DividesCurves;

    public function __construct(private TrialLaying $trial)
    {
    }

    public function pieces(LaidRun $laid, float $at): array
    {
        $this->refuseShort($laid);
        $spans = self::spans($laid);
        $gates = count(array_filter($laid->gates, static fn (array $gate): bool => $gate[2] <= $at));
        $told = self::gates($laid, $spans);
        $behind = array_slice($told, $gates);
        if ($behind !== []) {
            $behind[0]->length = FileValue::roundForFile($laid->gates[$gates][1] - $at);
        }
        [$point, $direction] = [$laid->path->pointAt($at), $laid->path->directionAt($at)];
        $isHeld = ! $laid->run->route->isLimp();
        $first = RunDraft::of($laid)->run();
        $second = RunDraft::of($laid)->run();
        $first->to = TrialLaying::end($point, $isHeld ? $direction->times(-1.0) : null);
        $second->from = TrialLaying::end($point, $isHeld ? $direction : null);
        $first->route = self::route($first, $at, array_slice($told, 0, $gates));
        $second->route = self::route($second, self::lengthOf($laid) - $at, $behind);

        return [$this->asItLay($first, $laid, 0.0, $at), $this->asItLay($second, $laid, $at, $laid->length())];
    }

    public function joined(LaidRun $first, LaidRun $second): stdClass
    {
        $this->refuseShort($first);
        $this->refuseShort($second);
        $behind = self::gates($second, self::spans($second));
        if ($behind !== []) {
            $spans = self::spans($first);
            $behind[0]->length = FileValue::roundForFile(
                $spans[count($spans) - 1] + $second->gates[0][1],
            );
        }
        $joined = RunDraft::of($first)->run();
        $joined->to = RunDraft::of($second)->run()->to;
        $joined->route = self::route($joined, self::lengthOf($first) + self::lengthOf($second), [
            ...self::gates($first, self::spans($first)), ...$behind,
        ]);

        return $joined;
    }

    /**
     * Returns a piece in the first of its shapes at rest in which it lies as it did.
     *
     * @throws EditError where none is
     */
    private function asItLay(stdClass $piece, LaidRun $whole, float $from, float $to): stdClass
    {
        $shapes = $whole->run->route->sprung() === null ? 1 : SpringRoute::MOST_SHAPES;
        for ($shape = 0; $shape < $shapes; $shape++) {
            $tried = clone $piece;
            $tried->route = (object) [
                ...get_object_vars((new Node($piece))->get('route')->object()),
                ...$shape === 0 ? [] : ['shape' => $shape],
            ];
            $laid = $this->trial->lay($tried);
            if (TrialLaying::deviation($laid->path, $whole->path, $from, $to) < TrialLaying::KEPT) {
                return $tried;
            }
        }
        throw new EditError('Broken there it would not stay in its shape; turn it into points first.');
    }

    /** @throws EditError */
    private function refuseShort(LaidRun $laid): void
    {
        if ($laid->run->route->shortage($laid) !== null) {
            throw new EditError(sprintf('%s is too short for where its ends are; cure that first.', $laid->run->name));
        }
    }

    private static function lengthOf(LaidRun $laid): float
    {
        return $laid->run->route->sprung()?->length() ?? $laid->run->route->span($laid->run)[1] ?? $laid->length();
    }

    /** @return non-empty-list<float> lengths between the clamps, mm */
    private static function spans(LaidRun $laid): array
    {
        $spans = [];
        $at = 0.0;
        foreach ($laid->gates as [, $from, $to]) {
            $spans[] = $from - $at;
            $at = $to;
        }

        return [...$spans, $laid->length() - $at];
    }

    /**
     * Returns its clamps as told, each with the length of the span before it, so that a part of them shares no slack.
     *
     * @param  list<float>  $spans
     * @return list<stdClass>
     */
    private static function gates(LaidRun $laid, array $spans): array
    {
        return array_map(
            static fn (Node $gate, float $span): stdClass => (object) [
                'length' => FileValue::roundForFile($span), ...get_object_vars($gate->object()),
            ],
            $gates = (new Node(RunDraft::of($laid)->run()))->get('route')->list('through'),
            array_slice($spans, 0, count($gates)),
        );
    }

    /** @param  list<stdClass>  $through */
    private static function route(stdClass $run, float $length, array $through): stdClass
    {
        $kept = array_diff_key(get_object_vars((new Node($run))->get('route')->object()), [
            'slack' => 0, 'last_span' => 0, 'through' => 0, 'shape' => 0,
        ]);

        return (object) [
            ...$kept, 'length' => FileValue::roundForFile($length), ...$through === [] ? [] : ['through' => $through],
        ];
    }
}
