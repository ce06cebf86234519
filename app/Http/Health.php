<?php

declare(strict_types=1);

namespace App\Http;

use App\Queue\Tasks;
use Illuminate\Database\QueryException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;

/** Whether the database answers, the folders are writable and have room, and somebody works on the queue. */
final class Health
{
    /** Least free space in bytes with which edits are safe. */
    private const LEAST_ROOM = 20_000_000;

    /** For how long a task waits at most where somebody works, s. */
    private const LEFT = 120;

    /** Messages of SQLite and their meaning for the user. */
    private const WORDS = [
        'disk is full' => 'The disk of the server is full: nothing was changed. Make room, and try again.',
        'readonly database' => 'The database may not be written to: nothing was changed. Check who owns storage/ '.
            'and whether its disk is read-only.',
        'malformed' => 'The database is damaged. Stop Bowline and put a backup in its place (bin/bowline-admin '.
            'restore FILE), or begin anew and keep it beside (bin/demo --aside).',
        'not a database' => 'The file that should hold the jobs is not a database. Stop Bowline and put a backup '.
            'in its place (bin/bowline-admin restore FILE), or begin anew and keep it beside '.
            '(bin/demo --aside).',
        'unable to open database' => 'The database cannot be opened. Check who owns storage/ and whether it is there.',
        'disk I/O error' => 'The disk of the server does not answer as it should: nothing was changed. Check it, '.
            'and try again.',
        'database is locked' => 'The database is busy: nothing was changed. Try again in a moment.',
    ];

    /**
     * Returns plain words for an error of the disk or the database file; null for any other, which is a program error.
     */
    public static function wordsFor(string $error): ?string
    {
        foreach (self::WORDS as $part => $words) {
            if (str_contains($error, $part)) {
                return $words;
            }
        }

        return null;
    }

    /** Answers 204 where requests can be answered, else 503 with the reasons. */
    public function __invoke(): Response|JsonResponse
    {
        return self::answer(self::reasons());
    }

    /** Answers likewise for whoever watches the server: somebody has to work on the queue, too. */
    public function up(): Response|JsonResponse
    {
        $reasons = self::reasons();
        if ($reasons === [] && self::isQueueLeft()) {
            $reasons[] = 'Nothing is taken from the queue: long calculations wait. Is bin/work running?';
        }

        return self::answer($reasons);
    }

    /** @param  list<string>  $reasons */
    private static function answer(array $reasons): Response|JsonResponse
    {
        return $reasons === []
            ? response()->noContent()
            : response()->json(['message' => implode(' ', $reasons), 'reasons' => $reasons], 503);
    }

    /** @return list<string> */
    public static function reasons(): array
    {
        $reasons = [];
        try {
            DB::table('jobs')->exists();
        } catch (QueryException $error) {
            $reasons[] = self::wordsFor($error->getMessage()) ?? 'The database does not answer.';
        }
        $storage = storage_path();
        if (! is_writable($storage) || ! is_writable(storage_path('app'))) {
            $reasons[] = 'storage/ may not be written to.';
        }
        $room = disk_free_space($storage);
        if ($room !== false && $room < self::LEAST_ROOM) {
            $reasons[] = sprintf('Only %s MB are left on the disk of the server.', number_format($room / 1e6, 1));
        }

        return $reasons;
    }

    /** Whether the oldest task has waited long while nobody works on any. */
    private static function isQueueLeft(): bool
    {
        ['working' => $working, 'oldest' => $oldest] = Tasks::figures();

        return $working === 0 && $oldest !== null && $oldest < time() - self::LEFT;
    }
}
