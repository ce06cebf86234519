<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Jobs\JobFiles;
use App\Models\Job;
use Bowline\Job\JobFile;
use Illuminate\Database\Seeder;
use RuntimeException;

/** Puts the demo job into an empty database: the engine space of the pilot boat "Ternwake", all invented. */
final class DatabaseSeeder extends Seeder
{
    public function run(JobFiles $files): void
    {
        if (Job::query()->exists()) {
            return;
        }
        $json = file_get_contents(database_path('demo/ternwake.json'));
        $files->keep(JobFile::decode($json === false ? throw new RuntimeException('The demo job cannot be read.') : $json));
    }
}
