<?php

declare(strict_types=1);

namespace App\Platform\Database;

use App\Platform\Http\Problem;
use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Uid\Uuid;

/** Finds rows and changes them, refusing a write that rests on an older version. */
final readonly class StoredEdit
{
    public function __construct(private EntityManagerInterface $entities, private Transaction $transaction)
    {
    }

    /**
     * @template T of Row
     *
     * @param class-string<T> $class
     *
     * @return T
     *
     * @throws Problem 404 if there is none
     */
    public function find(string $class, string $id): Row
    {
        return (Uuid::isValid($id) ? $this->entities->find($class, Uuid::fromString($id)) : null) ?? throw Problem::notFound();
    }

    /**
     * Like find, for a key inside a body.
     *
     * @template T of Row
     *
     * @param class-string<T> $class
     *
     * @return T
     *
     * @throws Problem 422 if there is none
     */
    public function reference(string $class, mixed $id, string $field): Row
    {
        $found = \is_string($id) && Uuid::isValid($id) ? $this->entities->find($class, Uuid::fromString($id)) : null;

        return $found ?? throw Problem::invalid($field, 'This is not on the shelf: choose another.');
    }

    /**
     * Locks a row, moves its version, and changes it.
     *
     * @template T of VersionedRow
     *
     * @param class-string<T>      $class
     * @param array<string, mixed> $body   what was sent, with the "version" that it rests on
     * @param \Closure(T): void    $change
     *
     * @return T
     *
     * @throws Problem 409 with both versions, if somebody else was faster
     */
    public function save(string $class, string $id, array $body, \Closure $change): VersionedRow
    {
        try {
            return $this->transaction->run(function () use ($class, $id, $body, $change): VersionedRow {
                $row = $this->locked($class, $id);
                self::rests($row, $body);
                $change($row);
                ++$row->version;
                $this->entities->flush();

                return $row;
            });
        } catch (UniqueConstraintViolationException $e) {
            throw Problem::invalid('', 'This name or number is taken already: choose another.', 409, $e);
        }
    }

    /**
     * The row as it is now, kept from others until the transaction ends.
     *
     * @template T of Row
     *
     * @param class-string<T> $class
     *
     * @return T
     *
     * @throws Problem 404 if there is none
     */
    public function locked(string $class, string $id, LockMode $mode = LockMode::PESSIMISTIC_WRITE): Row
    {
        return (Uuid::isValid($id) ? $this->entities->find($class, Uuid::fromString($id), $mode) : null) ?? throw Problem::notFound();
    }

    /**
     * @param array<string, mixed> $body what was sent, with the "version" that it rests on
     *
     * @throws Problem 409 with both versions, if the row has moved on
     */
    public static function rests(VersionedRow $row, array $body): void
    {
        if ($row->version !== ($body['version'] ?? null)) {
            throw Problem::stale($body, $row->toArray());
        }
    }
}
