<?php

declare(strict_types=1);

namespace App\Machines;

use Illuminate\Support\Facades\Config;
use Predis\Client;
use Predis\PredisException;

/**
 * Tasks in Redis. `waiting` and `taken` are lists of ids; `task:ID` is a hash of the question, its state, how far it
 * has come and its answer; `lease:ID` lives as long as its worker is heard of, `wanted:ID` as long as somebody asks for
 * it, `hurried:ID` where it has to end with what it has. `workers` are those that are there, by when they were heard of
 * last.
 */
final class TaskBoard
{
    private const PREFIX = 'bowline:';

    /** How long the question of a task stays, s. */
    private const QUESTION = 3600;

    /** Puts a task up once, whoever asks at the same time (a script of Redis is one step). */
    private const PUT_UP = <<<'LUA'
        if redis.call('EXISTS', KEYS[1]) == 0 then
            redis.call('HSET', KEYS[1], 'kind', ARGV[3], 'question', ARGV[4], 'core', ARGV[5], 'state', 'waiting')
            redis.call('EXPIRE', KEYS[1], ARGV[2])
            redis.call('LPUSH', KEYS[2], ARGV[1])
        end
        LUA;

    private ?Client $client = null;

    /** Asks for a task: it is put up unless it is there already. */
    public function ask(Task $task): void
    {
        $this->try(static function (Client $redis) use ($task): void {
            $id = $task->id();
            $redis->setex("wanted:$id", Config::integer('machines.wanted'), '1');
            $redis->eval(
                self::PUT_UP, 2, "task:$id", 'waiting', $id, (string) self::QUESTION, $task->kind,
                Signed::pack($task->question), Config::string('bowline.core'),
            );
        });
    }

    /**
     * Returns how a task stands, and tells that it is wanted.
     *
     * @return array{state: string, progress: string|null, answer: string|null} state is waiting, taken, done, failed
     *     or gone
     */
    public function look(string $id): array
    {
        return $this->try(static function (Client $redis) use ($id): array {
            $redis->setex("wanted:$id", Config::integer('machines.wanted'), '1');
            [$state, $progress, $answer] = $redis->hmget("task:$id", ['state', 'progress', 'answer']);

            return [
                'state' => is_string($state) ? $state : 'gone', 'progress' => is_string($progress) ? $progress : null,
                'answer' => is_string($answer) ? $answer : null,
            ];
        });
    }

    /** Drops a task that nobody wants any more; its worker learns it at its next beat. */
    public function drop(string $id): void
    {
        $this->try(static function (Client $redis) use ($id): int {
            $redis->del(["wanted:$id"]);

            return $redis->lrem('waiting', 0, $id);
        });
    }

    /** Puts tasks of workers that have not been heard of back, and forgets those that were tried too often. */
    public function reap(): void
    {
        $this->try(static function (Client $redis): int {
            foreach ($redis->lrange('taken', 0, -1) as $id) {
                // Whoever takes it out of the list puts it back: once.
                if ($redis->exists("lease:$id") === 1 || $redis->lrem('taken', 0, $id) === 0) {
                    continue;
                }
                if ($redis->hincrby("task:$id", 'tries', 1) >= Config::integer('machines.tries')) {
                    $redis->hset("task:$id", 'state', 'failed');
                } elseif ($redis->exists("task:$id") === 1) {
                    $redis->hset("task:$id", 'state', 'waiting');
                    $redis->rpush('waiting', [$id]);
                }
            }

            return 0;
        });
    }

    /**
     * Takes the next task, waiting up to a second for one.
     *
     * @return array{id: string, kind: string, question: string}|null its question as it was signed
     */
    public function take(): ?array
    {
        return $this->try(static function (Client $redis): ?array {
            $id = $redis->brpoplpush('waiting', 'taken', 1);
            if (! is_string($id)) {
                return null;
            }
            $redis->setex("lease:$id", Config::integer('machines.lease'), '1');
            [$kind, $question, $core] = $redis->hmget("task:$id", ['kind', 'question', 'core']);
            $isWanted = $redis->exists("wanted:$id") === 1;
            if (! $isWanted || ! is_string($kind) || ! is_string($question)) {
                $redis->lrem('taken', 0, $id);
                $redis->del(["task:$id", "lease:$id"]);

                return null;
            }
            if ($core !== Config::string('bowline.core')) {
                // Another version of the program works it: it goes to the back, for others.
                $redis->lrem('taken', 0, $id);
                $redis->del(["lease:$id"]);
                $redis->lpush('waiting', [$id]);
                usleep(200_000);

                return null;
            }
            $redis->hset("task:$id", 'state', 'taken');

            return ['id' => $id, 'kind' => $kind, 'question' => $question];
        });
    }

    /** Asks whoever works a task to end with what it has found so far; learnt at the next beat. */
    public function hurry(string $id): void
    {
        $this->try(static fn (Client $redis): mixed => $redis->setex(
            "hurried:$id", Config::integer('machines.wanted'), '1',
        ));
    }

    /** Tells that a worker is there and how far it has come; returns how its task is wanted. */
    public function beat(string $worker, ?string $id = null, ?string $progress = null): Wish
    {
        return $this->try(static function (Client $redis) use ($worker, $id, $progress): Wish {
            $redis->zadd('workers', [$worker => self::now($redis)]);
            if ($id === null) {
                return Wish::Whole;
            }
            $redis->setex("lease:$id", Config::integer('machines.lease'), '1');
            if ($progress !== null) {
                $redis->hset("task:$id", 'progress', $progress);
            }

            return match (true) {
                $redis->exists("wanted:$id") === 0 => Wish::None,
                $redis->exists("hurried:$id") === 1 => Wish::SoFar,
                default => Wish::Whole,
            };
        });
    }

    /** Keeps the answer of a task. */
    public function answer(string $id, mixed $answer): void
    {
        $this->end($id, ['state' => 'done', 'answer' => Signed::pack($answer)], 'answered');
    }

    /** Gives a task up that cannot be worked. */
    public function giveUp(string $id): void
    {
        $this->end($id, ['state' => 'failed'], 'given-up');
    }

    /** Forgets a task that nobody wants any more. */
    public function forget(string $id): void
    {
        $this->try(static function (Client $redis) use ($id): int {
            $redis->lrem('taken', 0, $id);

            return $redis->del(["task:$id", "lease:$id"]);
        });
    }

    /** @return array{workers: int, waiting: int, taken: int, answered: int} */
    public function figures(): array
    {
        return $this->try(static fn (Client $redis): array => [
            'workers' => $redis->zcount('workers', self::now($redis) - Config::integer('machines.lease'), '+inf'),
            'waiting' => $redis->llen('waiting'),
            'taken' => $redis->llen('taken'), 'answered' => (int) $redis->get('answered'),
        ]);
    }

    /** The clock of Redis, s: those of the machines may differ. */
    private static function now(Client $redis): int
    {
        [$seconds] = $redis->time();

        return is_numeric($seconds) ? (int) $seconds : 0;
    }

    /** @param  array<string, string>  $fields */
    private function end(string $id, array $fields, string $counter): void
    {
        $this->try(static function (Client $redis) use ($id, $fields, $counter): int {
            // Another worker may have answered it meanwhile: the same.
            if ($redis->exists("task:$id") === 1) {
                $redis->hmset("task:$id", $fields);
                $redis->expire("task:$id", Config::integer('machines.kept'));
            }
            $redis->lrem('taken', 0, $id);
            $redis->del(["lease:$id"]);

            return $redis->incr($counter);
        });
    }

    /**
     * @template T
     *
     * @param  callable(Client): T  $do
     * @return T
     *
     * @throws MachinesAway
     */
    private function try(callable $do): mixed
    {
        try {
            return $do($this->client ??= new Client(Config::string('machines.redis'), [
                'prefix' => self::PREFIX, 'parameters' => ['timeout' => 1.0, 'read_write_timeout' => 5.0],
            ]));
        } catch (PredisException $error) {
            $this->client = null;
            throw new MachinesAway($error->getMessage(), 0, $error);
        }
    }
}
