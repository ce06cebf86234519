<?php

declare(strict_types=1);

namespace Bowline\Job\End;

use Bowline\Job\Section;
use stdClass;

/** The finish of an end of a run. */
interface End
{
    /** Returns its word in the file. */
    public function type(): string;

    /** Returns the flange that it is on this section; null where it is none. */
    public function flange(Section $section): ?Flange;

    /** Returns itself where it is a cap, else null. */
    public function cap(): ?Cap;

    /** Returns itself where it is a reducer, else null. */
    public function reducer(): ?Reducer;

    /** Returns itself where it is a collar, else null. */
    public function collar(): ?Collar;

    /** Returns the length of tube from the end that it covers outside or replaces, mm. */
    public function covers(Section $section): float;

    /** @return stdClass as a job file has it, with nothing left that follows another end */
    public function toFile(): stdClass;

    /** Returns the thickness of what closes the bore, mm; null when it is open. */
    public function plugThickness(float $wall): ?float;
}
