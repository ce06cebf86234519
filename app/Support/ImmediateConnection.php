<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Database\SQLiteConnection;
use PDOException;

/**
 * A connection to SQLite whose transactions take the write lock when they begin (BEGIN IMMEDIATE), and wait for it as
 * long as `busy_timeout` says. SQLite refuses a transaction that has read before its first write as “locked”, without
 * waiting, where another process has written in between; Laravel's queue reads first, and fails a task that it cannot
 * reserve.
 */
final class ImmediateConnection extends SQLiteConnection
{
    /**
     * Laravel leaves the mode to `transaction_mode` from PHP 8.4 on only: before, PDO must begin a transaction to
     * commit it, and it begins deferred ones.
     */
    protected function executeBeginTransactionStatement(): void
    {
        parent::executeBeginTransactionStatement();
        if (PHP_VERSION_ID >= 80400) {
            return;
        }
        $pdo = $this->getPdo();
        // The deferred transaction has neither read nor written yet: another takes its place, as far as PDO knows the
        // same.
        try {
            $pdo->exec('COMMIT; BEGIN IMMEDIATE');
        } catch (PDOException $error) {
            // PDO still counts as in a transaction, and leaves it only by ending one that exists.
            $pdo->exec('BEGIN');
            $pdo->rollBack();
            throw $error;
        }
    }
}
