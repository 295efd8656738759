<?php

declare(strict_types=1);

namespace App\Platform\Database;

use App\Platform\Http\Problem;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception\ConnectionException;
use Doctrine\DBAL\Exception\DriverException;
use Doctrine\DBAL\Exception\RetryableException;
use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\Persistence\ManagerRegistry;

/**
 * Carries out a piece of work whole or not at all. Where two works lock each other out, one of them is tried again, up to
 * three times; then whoever asked is told that the database is busy, and may send the same again.
 */
final class Transaction
{
    private const TRIES = 3;
    /** A deadlock ends the whole transaction, and so the savepoint of a nested one. */
    private const SAVEPOINT_LOST = 1305;

    private bool $within = false;

    public function __construct(
        private readonly EntityManagerInterface $entities,
        private readonly ManagerRegistry $registry,
        private readonly Connection $database,
    ) {
    }

    /**
     * Work inside a work is part of it.
     *
     * @template T
     *
     * @param \Closure(): T $work
     *
     * @return T
     *
     * @throws Problem                            409 of the type "busy"
     * @throws UniqueConstraintViolationException if what is unique would be there twice
     */
    public function run(\Closure $work): mixed
    {
        if ($this->within) {
            return $work();
        }
        for ($try = 1;; ++$try) {
            try {
                return $this->once($work);
            } catch (\Throwable $e) {
                if (!self::lockedOut($e)) {
                    throw $e;
                }
                if (self::TRIES === $try) {
                    throw Problem::busy($e);
                }
                // Both would only meet again if they went on at the same moment.
                usleep(random_int(5_000, 40_000) * $try);
            }
        }
    }

    /**
     * @template T
     *
     * @param \Closure(): T $work
     *
     * @return T
     */
    private function once(\Closure $work): mixed
    {
        $this->within = true;
        $this->database->beginTransaction();
        try {
            $result = $work();
            $this->entities->flush();
            $this->database->commit();

            return $result;
        } catch (\Throwable $e) {
            if ($e instanceof ConnectionException) {
                // There is nothing to roll back where nobody answers; the next work begins on a connection of its own.
                $this->database->close();
                $this->registry->resetManager();

                throw $e;
            }
            try {
                $this->database->rollBack();
            } catch (DriverException $lost) {
                self::lockedOut($lost) || throw $lost;
                // The server has ended all of it, and the connection still counts the savepoints: on it each statement would stand alone.
                $this->database->close();
            }
            // What was changed in memory is not so in the database.
            $this->registry->resetManager();

            throw $e;
        } finally {
            $this->within = false;
        }
    }

    private static function lockedOut(\Throwable $e): bool
    {
        return $e instanceof RetryableException || ($e instanceof DriverException && self::SAVEPOINT_LOST === $e->getCode());
    }
}
