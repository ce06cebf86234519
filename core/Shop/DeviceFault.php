<?php

declare(strict_types=1);

namespace Bowline\Shop;

use RuntimeException;

/** A device that stopped with a code, answered something else than it should, or is gone. */
final class DeviceFault extends RuntimeException
{
    /** @param  int  $code  of the device; 0 where it gave none */
    public function __construct(string $message, int $code = 0)
    {
        parent::__construct($message, $code);
    }

    /** Returns what whoever stands at the bench can do about it. */
    public function advice(): string
    {
        return match ($this->getCode()) {
            20, 21, 23 => 'Take a machine that has it.',
            22 => 'Leave more straight there, or bend from the other end.',
            24 => 'Cut the tube longer.',
            30, 31, 32 => 'Bend it from the other end, or in two pieces.',
            40, 41 => 'Look whether bender and arm share a rack.',
            0 => 'Look whether the device runs. Take out the tube that is in the bender, and bend another.',
            default => 'Take out the tube that is in the bender, and bend another.',
        };
    }

    /**
     * Returns an answer of a device without its first word.
     *
     * @throws self when it is another word, or an error
     */
    public static function unless(string $word, string $answer): string
    {
        if (preg_match('/^ERR (\d+) (.*)$/', $answer, $error) === 1) {
            throw new self(ucfirst($error[2]).'.', (int) $error[1]);
        }
        if ($answer !== $word && ! str_starts_with($answer, $word.' ')) {
            throw new self(sprintf(
                'It answered “%s”, which is no answer to that.', mb_strimwidth($answer, 0, 60, '…'),
            ));
        }

        return ltrim(substr($answer, strlen($word)));
    }
}
