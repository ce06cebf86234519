<?php

declare(strict_types=1);

namespace Bowline\Harness\Change;

use Bowline\Harness\BoardChange;
use Bowline\Harness\BoardMark;
use Bowline\Job\Harness\Splice;
use Bowline\Job\Units;

/** A splice at another place than on the board that was built, a new one, or one that is gone. */
final readonly class SpliceChange extends BoardChange
{
    /**
     * @param  Splice|null  $was  null where it is new
     * @param  Splice|null  $is  null where it is gone
     * @param  string|null  $from  name of the trunk that it was on, where that is another
     * @param  string|null  $to  name of the trunk that it is on now, where that is another
     */
    public function __construct(
        public ?Splice $was,
        public ?Splice $is,
        public ?string $from = null,
        public ?string $to = null,
    ) {
        parent::__construct('splice', $is?->run, null);
    }

    public function say(Units $units): string
    {
        return match (true) {
            $this->was === null => sprintf('Splice %s is new', $this->is->name ?? ''),
            $this->is === null => sprintf('Splice %s is gone', $this->was->name),
            default => sprintf(
                'Splice %s: %s along%s, %s', $this->is->name, $units->say($this->is->along),
                $this->to === null ? '' : ' '.$this->to, $this->label($units),
            ),
        };
    }

    public function label(Units $units): string
    {
        return 'was '.$units->say($this->was->along ?? 0.0).($this->from === null ? '' : ' along '.$this->from);
    }

    public function rings(BoardMark $mark): bool
    {
        return $mark->kind === 'splice' && $mark->name === $this->is?->name;
    }
}
