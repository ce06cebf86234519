<?php

declare(strict_types=1);

namespace Bowline\Job\End;

use Bowline\Job\End\Standard\FlangeSize;
use Bowline\Job\End\Standard\FlangeTable;
use Bowline\Job\End\Standard\FlangeTables;
use Bowline\Job\FileValue;
use Bowline\Job\Section;
use stdClass;

/** A flange of a standard: of the size that was chosen, or of that made for the pipe nearest to the run's own. */
final readonly class StandardFlange implements End
{
    use IsFlange;

    /** @param  float  $turn  from the upright, radians */
    public function __construct(
        private FlangeTable $table,
        private ?FlangeSize $size,
        private float $turn,
        private bool $isBlind,
    ) {
    }

    public function flange(Section $section): Flange
    {
        return FlangeTables::flange(
            $this->table, $this->size ?? FlangeTables::nearest($this->table, $section->outsideDiameter),
            $this->turn, $this->isBlind,
        );
    }

    public function toFile(): stdClass
    {
        return (object) [
            'type' => 'flange',
            'standard' => $this->table->name(),
            ...$this->size === null ? [] : ['nominal' => $this->size->name],
            ...$this->turn === 0.0 ? [] : ['turn' => FileValue::roundForFile(rad2deg($this->turn))],
            ...$this->isBlind ? ['blind' => true] : [],
        ];
    }
}
