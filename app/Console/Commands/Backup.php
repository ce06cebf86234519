<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Job;
use App\Support\DatabaseFile;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use PharData;
use RuntimeException;
use Throwable;

/** Copies all jobs and meshes to one file, while people go on editing. */
final class Backup extends Command
{
    protected $signature = 'bowline:backup {file : a .tar file to be written}';

    protected $description = 'Writes a copy of all jobs and meshes into one file';

    public function handle(): int
    {
        $file = $this->argument('file');
        if (! str_ends_with($file, '.tar')) {
            $this->error('Name a file that ends in .tar.');

            return self::INVALID;
        }
        if (file_exists($file)) {
            $this->error(sprintf('%s is there already; name another file, or move it away.', $file));

            return self::FAILURE;
        }
        $copy = (string) tempnam(sys_get_temp_dir(), 'bowline-backup');
        $beside = substr($file, 0, -4).'.part.tar';
        try {
            unlink($copy);
            // SQLite writes a consistent copy without blocking others.
            DB::statement('VACUUM INTO ?', [$copy]);
            DatabaseFile::refuseDamaged($copy);
            $hash = hash_file('sha256', $copy);
            $archive = new PharData($beside);
            $archive->addFile($copy, 'bowline.sqlite');
            foreach (array_filter(Storage::files('meshes'), is_string(...)) as $mesh) {
                $archive->addFile(Storage::path($mesh), $mesh);
            }
            unset($archive);
            // It is read back before it counts.
            if (hash_file('sha256', 'phar://'.$beside.'/bowline.sqlite') !== $hash) {
                throw new RuntimeException('it reads back otherwise than it was written');
            }
            if (! rename($beside, $file)) {
                throw new RuntimeException('it could not be moved to its place');
            }
        } catch (Throwable $error) {
            @unlink($beside);
            $this->error(
                sprintf('The backup was not written: %s. Nothing of it was left.', rtrim($error->getMessage(), '.')),
            );

            return self::FAILURE;
        } finally {
            @unlink($copy);
        }
        $this->info(
            sprintf(
                '%s holds %d jobs and %d meshes.',
                $file,
                Job::countWithoutRevisions(),
                count(Storage::files('meshes')),
            ),
        );

        return self::SUCCESS;
    }
}
