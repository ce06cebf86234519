<?php

declare(strict_types=1);

namespace Bowline\Editing;

use Bowline\Geometry\Pose;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\FileValue;
use Bowline\Job\Fitting;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Port;
use Bowline\Job\PoseReader;
use Bowline\Job\Values;
use stdClass;

/** Moves and turns a fitting, a clamp or something of the surroundings, in the shape of the job file. */
final readonly class PlaceEdit
{
    private function __construct(
        private stdClass $item,
        private Values $values,
    ) {
    }

    /** @param  stdClass  $item  as it stands in the file; never changed */
    public static function of(stdClass $item, Values $values): self
    {
        return new self($item, $values);
    }

    /** @throws JobError */
    public function moved(Vector $by): stdClass
    {
        $copy = $this->copy();
        $holder = isset($copy->axis) ? $copy : $this->pose($copy);
        $holder->at = StopList::added($holder->at ?? [0, 0, 0], $by);

        return $copy;
    }

    /**
     * @param  Vector  $about  unit axis in space, through the thing's own origin
     * @param  float  $angle  radians
     *
     * @throws JobError
     */
    public function turned(Vector $about, float $angle): stdClass
    {
        $copy = $this->copy();
        if (isset($copy->axis)) {
            $axis = $this->values->direction((new Node($copy))->get('axis'))->turnedAbout($about, $angle);
            $copy->axis = $axis->axisName() ?? self::numbers($axis);

            return $copy;
        }
        $holder = $this->pose($copy);
        $pose = PoseReader::read(new Node($holder), $this->values)->turnedBy($about, $angle);
        unset($holder->turn);
        if (abs($pose->angle) > Tolerance::PARALLEL) {
            $holder->turn = self::turn($pose);
        }

        return $copy;
    }

    /**
     * Returns the pose of a fitting with one of its ports on another: face to face on one axis, with the smallest turn.
     * It is no longer mounted on anything.
     */
    public function portOnto(Fitting $fitting, Port $own, Port $target): stdClass
    {
        $copy = $this->copy();
        $towards = $target->axis->times(-1.0);
        $about = $own->axis->cross($towards);
        $about = $about->length() > Tolerance::PARALLEL ? $about->unit() : $own->axis->anySquare();
        $turned = $fitting->pose->turnedBy($about, $own->axis->angleTo($towards));
        $port = $turned->point($fitting->pose->ownPoint($own->at));
        unset($copy->on);
        $copy->pose = self::poseOf($turned->movedBy($target->at->minus($port)));

        return $copy;
    }

    /** Returns a pose in the shape of the file. */
    public static function poseOf(Pose $pose): stdClass
    {
        $said = (object) ['at' => self::numbers($pose->at)];
        if (abs($pose->angle) > Tolerance::PARALLEL) {
            $said->turn = self::turn($pose);
        }

        return $said;
    }

    private static function turn(Pose $pose): stdClass
    {
        // Written about a positive axis where it is one: "30° about z" instead of "−30° about −z".
        $isNegative = str_starts_with($pose->about->axisName() ?? '+', '-');
        $about = $isNegative ? $pose->about->times(-1.0) : $pose->about;

        return (object) [
            'about' => self::numbers($about),
            'by' => FileValue::roundForFile(rad2deg($isNegative ? -$pose->angle : $pose->angle)),
        ];
    }

    /** @return list<int|float> */
    private static function numbers(Vector $vector): array
    {
        return FileValue::vector($vector);
    }

    private function pose(stdClass $item): stdClass
    {
        $pose = $item->pose ?? null;
        if (! $pose instanceof stdClass) {
            $item->pose = $pose = new stdClass;
        }

        return $pose;
    }

    private function copy(): stdClass
    {
        $copy = json_decode(json_encode($this->item, JSON_THROW_ON_ERROR), false, 64, JSON_THROW_ON_ERROR);
        assert($copy instanceof stdClass);

        return $copy;
    }
}
