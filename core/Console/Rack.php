<?php

declare(strict_types=1);

namespace Bowline\Console;

use Bowline\Job\JobError;
use Bowline\Shop\MadeTube;

/** The rack between the simulated bender and the simulated arm: a folder with a file for each part. */
final readonly class Rack
{
    /** @throws JobError when the folder cannot be made */
    public function __construct(private string $folder)
    {
        if (! is_dir($folder) && ! @mkdir($folder, 0o700, true)) {
            throw JobError::at('', sprintf('the rack %s cannot be made', $folder));
        }
    }

    public static function usual(): string
    {
        return sys_get_temp_dir().'/bowline-rack';
    }

    /** Puts a part into the rack, and returns its number. */
    public function put(MadeTube $tube): string
    {
        $parts = glob($this->folder.'/*.json');
        $number = 1 + count($parts === false ? [] : $parts);
        file_put_contents(sprintf('%s/%d.json', $this->folder, $number), json_encode($tube->toArray()));

        return (string) $number;
    }

    public function get(string $number): ?MadeTube
    {
        $path = sprintf('%s/%d.json', $this->folder, (int) $number);
        $part = is_file($path) ? json_decode((string) file_get_contents($path), true) : null;
        if (! is_array($part) || ! is_array($part['bends'] ?? null)) {
            return null;
        }
        $bends = [];
        foreach ($part['bends'] as $bend) {
            if (is_array($bend) && count($bend) === 4) {
                [$straight, $turn, $angle, $radius] = array_map(
                    static fn (mixed $one): float => is_numeric($one) ? (float) $one : 0.0, array_values($bend),
                );
                $bends[] = [$straight, $turn, $angle, $radius];
            }
        }
        $number = static fn (string $key): float => is_numeric($part[$key] ?? null) ? (float) $part[$key] : 0.0;

        return new MadeTube($bends, $number('tail'), $number('od'));
    }
}
