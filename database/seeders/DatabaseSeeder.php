<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Editing\JobFiles;
use App\Editing\JobState;
use App\Models\Job;
use Bowline\Job\JobFile;
use Illuminate\Database\Seeder;
use RuntimeException;

/**
 * Puts the demo jobs into an empty database: the engine space of the pilot boat "Ternwake", its exhaust elbow, a
 * manifold block, a skid, its hoses and cables, its wiring, all invented.
 */
final class DatabaseSeeder extends Seeder
{
    /** The last one is the one that opens. */
    private const JOBS = ['hoses.json', 'skid.json', 'exhaust.json', 'manifold.json', 'wiring.json', 'ternwake.json'];

    /** How long solving one of them may take, s. */
    private const LONGEST = 120.0;

    public function run(JobFiles $files, JobState $state): void
    {
        if (Job::query()->exists()) {
            return;
        }
        foreach (self::JOBS as $name) {
            $json = file_get_contents(database_path('demo/'.$name));
            $job = $files->keep(
                JobFile::decode($json === false ? throw new RuntimeException('A demo job cannot be read.') : $json),
            );
            $state->solve($job, self::LONGEST);
        }
    }
}
