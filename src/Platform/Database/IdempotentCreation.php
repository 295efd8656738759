<?php

declare(strict_types=1);

namespace App\Platform\Database;

use App\Platform\Http\Problem;
use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Uid\Uuid;

/** Creates a row once, however often it is sent: the same key with other content is refused. */
final readonly class IdempotentCreation
{
    public function __construct(private EntityManagerInterface $entities, private Transaction $transaction)
    {
    }

    /**
     * @template T of Row
     *
     * @param class-string<T>      $class
     * @param array<string, mixed> $body   what was sent; its "id" may be missing
     * @param \Closure(Uuid): T    $create
     *
     * @return array{T, bool} the row, and whether it is new
     */
    public function create(string $class, array $body, \Closure $create): array
    {
        $id = isset($body['id']) && \is_string($body['id']) ? Uuid::fromString($body['id']) : Uuid::v7();
        $digest = hash('sha256', json_encode(self::sorted([$class, $body]), \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION));
        $known = $this->known($class, $id, $digest);
        if (null !== $known) {
            return [$known, false];
        }
        try {
            $row = $this->transaction->run(function () use ($class, $id, $digest, $create): Row {
                // First of all: who sends the same at the same moment waits here, and is told of the row that was made.
                $this->entities->persist(new CreatedKey($id, substr(strrchr($class, '\\') ?: $class, 1), $digest));
                $this->entities->flush();
                $row = $create($id);
                $this->entities->persist($row);
                $this->entities->flush();

                return $row;
            });
        } catch (Problem $refused) {
            // While this waited, the same send may have come through another way, and moved on what it rests on.
            $known = 409 === $refused->status ? $this->known($class, $id, $digest) : null;
            if (null === $known) {
                throw $refused;
            }

            return [$known, false];
        } catch (UniqueConstraintViolationException $e) {
            // The same send may have arrived twice at once; else the clash is with something else.
            $known = $this->known($class, $id, $digest);
            if (null === $known) {
                throw Problem::invalid('', 'This name or number is taken already: choose another.', 409, $e);
            }

            return [$known, false];
        }

        /* @var T $row */
        return [$row, true];
    }

    /**
     * @template T of Row
     *
     * @param class-string<T> $class
     *
     * @return T|null
     */
    private function known(string $class, Uuid $id, string $digest): ?Row
    {
        $key = $this->entities->find(CreatedKey::class, $id);
        if (null === $key) {
            return null;
        }
        if ($key->digest !== $digest) {
            throw Problem::invalid('id', 'This key was used before with other content. Send the change as an edit, or use a new key.', 409);
        }

        return $this->entities->find($class, $id) ?? throw Problem::notFound();
    }

    private static function sorted(mixed $value): mixed
    {
        if (!\is_array($value)) {
            return \is_int($value) ? (float) $value : $value;
        }
        if (!array_is_list($value)) {
            ksort($value);
        }

        return array_map(self::sorted(...), $value);
    }
}
