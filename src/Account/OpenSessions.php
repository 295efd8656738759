<?php

declare(strict_types=1);

namespace App\Account;

use App\Platform\Database\UtcType;
use App\Platform\Now;
use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Uid\Uuid;

/** Who is signed in where: begun at the door, looked at with every request, ended by hand, by the clock or at the way out. */
final readonly class OpenSessions
{
    /** The longest shift and its handing over; then the password is asked again, however busy somebody was. */
    public const LONGEST_HOURS = 16;
    private const KEY = 'open_session';
    /** When somebody was seen last is not worth a write with every request. */
    private const SEEN_EVERY_SECONDS = 120;
    private const KEPT_DAYS = 30;

    public function __construct(
        private EntityManagerInterface $entities,
        private Connection $database,
        private ClockInterface $clock,
        private Now $now,
    ) {
    }

    public function begin(User $user, Request $request): void
    {
        $session = new OpenSession(
            Uuid::v7(),
            $this->now->time(),
            $user,
            substr((string) $request->getClientIp(), 0, 64),
            1 === preg_match('/Mobi|Tablet|Android/i', (string) $request->headers->get('User-Agent')),
        );
        $this->entities->persist($session);
        $this->entities->flush();
        $this->end($request);
        // Also where the same person signs in again, of whom the framework keeps the old one.
        $request->getSession()->migrate(true);
        $request->getSession()->set(self::KEY, $session->id->toRfc4122());
    }

    /** The one that this request belongs to. */
    public function here(Request $request): ?Uuid
    {
        $id = $request->hasSession() ? $request->getSession()->get(self::KEY) : null;

        return \is_string($id) && Uuid::isValid($id) ? Uuid::fromString($id) : null;
    }

    /** Whether it still stands; that somebody was seen is noted. */
    public function stands(Request $request): bool
    {
        $id = $this->here($request);
        $row = null === $id ? false : $this->database->fetchAssociative(
            'SELECT created_at, seen_at FROM open_session WHERE id = ? AND ended_at IS NULL',
            [$id->toBinary()],
        );
        if (null === $id || false === $row || self::time($row['created_at']) < $this->longestAgo()) {
            return false;
        }
        if (self::time($row['seen_at']) < $this->clock->now()->modify('-'.self::SEEN_EVERY_SECONDS.' seconds')) {
            $this->database->update('open_session', ['seen_at' => UtcType::text($this->clock->now())], ['id' => $id->toBinary()]);
        }

        return true;
    }

    /** The one of this request, at the way out. */
    public function end(Request $request): void
    {
        $id = $this->here($request);
        null === $id || $this->endOne($id);
    }

    public function endOne(Uuid $id): void
    {
        $this->database->executeStatement(
            'UPDATE open_session SET ended_at = ? WHERE id = ? AND ended_at IS NULL',
            [UtcType::text($this->clock->now()), $id->toBinary()],
        );
    }

    /** All of an account: its password was changed, or it was closed. */
    public function endAllOf(User $user): void
    {
        $this->database->executeStatement(
            'UPDATE open_session SET ended_at = ? WHERE user_id = ? AND ended_at IS NULL',
            [UtcType::text($this->clock->now()), $user->id->toBinary()],
        );
    }

    /** @return list<OpenSession> that stand, of one or of everybody, those seen last first */
    public function standing(?User $user): array
    {
        $query = $this->entities->createQueryBuilder()->select('s', 'u')->from(OpenSession::class, 's')->join('s.user', 'u')
            ->where('s.endedAt IS NULL AND s.createdAt >= :since')->setParameter('since', $this->longestAgo(), 'utc')
            ->orderBy('s.seenAt', 'DESC')->setMaxResults(200);
        if (null !== $user) {
            $query->andWhere('s.user = :user')->setParameter('user', $user->id, 'uuid');
        }

        return array_values((array) $query->getQuery()->getResult());
    }

    /** What is over is forgotten after a month, and what the browsers keep for it at once. */
    public function purge(): void
    {
        $since = $this->clock->now()->modify('-'.self::KEPT_DAYS.' days');
        $this->database->executeStatement('DELETE FROM open_session WHERE created_at < ?', [UtcType::text($since)]);
        $this->database->executeStatement('DELETE FROM session WHERE sess_lifetime < ?', [$this->clock->now()->getTimestamp()]);
    }

    private function longestAgo(): \DateTimeImmutable
    {
        return $this->clock->now()->modify('-'.self::LONGEST_HOURS.' hours');
    }

    private static function time(mixed $stored): \DateTimeImmutable
    {
        return new \DateTimeImmutable(\is_string($stored) ? $stored : '@0', new \DateTimeZone('UTC'));
    }
}
