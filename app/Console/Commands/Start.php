<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Http\Health;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use PDOException;

/** Run by bin/demo before it serves: migrates the database, or says in plain words why it cannot. */
final class Start extends Command
{
    protected $signature = 'bowline:start {--no-demo : leaves an empty database empty}';

    protected $description = 'Brings the database up to date, and puts the demo into an empty one';

    public function handle(): int
    {
        try {
            // A truncated file may be readable for a while before an error shows.
            $check = DB::scalar('PRAGMA quick_check(1)');
            if ($check !== 'ok') {
                $this->line((string) Health::wordsFor('malformed'));

                return self::FAILURE;
            }
            Artisan::call('migrate', ['--force' => true, '--seed' => $this->option('no-demo') !== true]);
        } catch (PDOException $error) {
            $this->line(
                Health::wordsFor($error->getMessage()) ??
                    'The database cannot be brought up to date: '.$error->getMessage(),
            );

            return self::FAILURE;
        }

        return self::SUCCESS;
    }
}
