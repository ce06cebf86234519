<?php

declare(strict_types=1);

namespace App\Machines;

use Illuminate\Support\Facades\Config;

/** A calculation as a value: what it is, and all that it follows from. The same task has the same id everywhere. */
final readonly class Task
{
    /**
     * @param  string  $kind  a word of Calculations
     * @param  string  $question  JSON
     */
    public function __construct(
        public string $kind,
        public string $question,
    ) {
    }

    /** Returns its hash, over the program that works it too. */
    public function id(): string
    {
        return hash('sha256', Config::string('bowline.core')."\n".$this->kind."\n".$this->question);
    }
}
