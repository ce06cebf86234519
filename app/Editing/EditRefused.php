<?php

declare(strict_types=1);

namespace App\Editing;

use Bowline\Job\JobError;
use Bowline\Job\Node;
use RuntimeException;
use stdClass;

/** An edit that would make the job invalid; nothing of it is stored. */
final class EditRefused extends RuntimeException
{
    /**
     * @param  string  $list  the list of the job file the trouble is in; empty for the job itself
     * @param  string  $id  the item
     * @param  string  $pointer  JSON pointer within the item
     */
    public function __construct(
        public readonly string $list,
        public readonly string $id,
        public readonly string $pointer,
        string $message,
    ) {
        parent::__construct($message);
    }

    /** Names the place by the id of the item instead of its index in the file. */
    public static function because(JobError $error, stdClass $file): self
    {
        if (preg_match('~^/(stock|fittings|clamps|surroundings|runs)/(\d+)(/.*)?$~', $error->pointer, $match) === 1) {
            $item = (new Node($file))->list($match[1])[(int) $match[2]] ?? null;
            $id = $item?->find('id')->value ?? '';

            return new self($match[1], is_string($id) ? $id : '', $match[3] ?? '', $error->getMessage());
        }

        return new self('', '', $error->pointer, $error->getMessage());
    }
}
