<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Job;
use App\Support\DatabaseFile;
use Illuminate\Console\Command;
use Illuminate\Filesystem\Filesystem;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use PharData;
use Throwable;

/** Restores a backup; the present data is kept beside it. Only while Bowline does not run. */
final class Restore extends Command
{
    protected $signature = 'bowline:restore {file : a .tar file that bowline:backup wrote}';

    protected $description = 'Puts a backup in place of the jobs and meshes that are there';

    public function handle(Filesystem $files): int
    {
        $file = $this->argument('file');
        $unpacked = sys_get_temp_dir().'/bowline-restore-'.bin2hex(random_bytes(6));
        try {
            if (! is_file($file)) {
                throw new \RuntimeException('there is no such file');
            }
            (new PharData($file))->extractTo($unpacked);
            DatabaseFile::refuseDamaged($unpacked.'/bowline.sqlite');
            $database = config('database.connections.sqlite.database');
            $database = is_string($database) ? $database : '';
            DB::disconnect();
            $before = $database.'.before-'.date('Ymd-His');
            if (is_file($database) && ! rename($database, $before)) {
                throw new \RuntimeException('what is there could not be put aside');
            }
            foreach (['-wal', '-shm'] as $ending) {
                if (is_file($database.$ending)) {
                    rename($database.$ending, $before.$ending);
                }
            }
            if (! copy($unpacked.'/bowline.sqlite', $database)) {
                throw new \RuntimeException(
                    sprintf('it could not be copied to its place; what was there is %s', $before),
                );
            }
            $meshes = glob($unpacked.'/meshes/*');
            foreach ($meshes === false ? [] : $meshes as $mesh) {
                Storage::put('meshes/'.basename($mesh), (string) file_get_contents($mesh));
            }
        } catch (Throwable $error) {
            $this->error(sprintf('%s was not restored: %s.', $file, rtrim($error->getMessage(), '.')));

            return self::FAILURE;
        } finally {
            $files->deleteDirectory($unpacked);
        }
        $this->info(
            sprintf(
                'Restored %d jobs. What was there before is kept as %s.',
                Job::countWithoutRevisions(),
                basename($before),
            ),
        );
        // That they are what they were is shown by solving them.
        if ($this->call('bowline:check') !== self::SUCCESS) {
            $this->error('Not all of it is as it was. What was there before is kept as '.basename($before).'.');

            return self::FAILURE;
        }

        return self::SUCCESS;
    }
}
