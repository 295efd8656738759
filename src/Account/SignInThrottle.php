<?php

declare(strict_types=1);

namespace App\Account;

use App\Platform\Database\UtcType;
use App\Platform\Http\Problem;
use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;

/**
 * Slows guessing down: each further failure doubles the wait, by account and address together, and by address. Who guesses at
 * an account from elsewhere makes its owner wait a few seconds at most. Guesses at one account come one after the other, so
 * that many sent at once are no more than many.
 */
final readonly class SignInThrottle
{
    private const WINDOW = '-15 minutes';
    private const FREE = 5;
    private const FREE_PER_ADDRESS = 20;
    /** From all addresses together. */
    private const FREE_PER_ACCOUNT = 50;
    private const LONGEST_WAIT_SECONDS = 600;
    private const LONGEST_WAIT_FOR_OTHERS_SECONDS = 10;
    private const LOCK_SECONDS = 5;

    public function __construct(private Connection $database, private ClockInterface $clock)
    {
    }

    /**
     * @param string           $address where it comes from; "": from a session that is signed in
     * @param \Closure(): bool $fits    whether the password does
     *
     * @throws Problem 429 while a wait lasts
     */
    public function guarded(string $account, string $address, \Closure $fits): bool
    {
        $lock = 'sitzplatz.guess.'.substr(self::key($account), 0, 40);
        if (1 !== (int) $this->database->fetchOne('SELECT GET_LOCK(?, ?)', [$lock, self::LOCK_SECONDS])) {
            throw self::tooMany(self::LOCK_SECONDS);
        }
        try {
            $this->check($account, $address);
            if (!$fits()) {
                $this->failed($account, $address);

                return false;
            }
            $this->succeeded($account, $address);

            return true;
        } finally {
            $this->database->fetchOne('SELECT RELEASE_LOCK(?)', [$lock]);
        }
    }

    /** @throws Problem 429 while the wait lasts */
    public function check(string $account, string $address): void
    {
        $key = self::key($account);
        $wait = max(
            $this->waitSeconds('account = ? AND address = ?', [$key, $address], self::FREE, self::LONGEST_WAIT_SECONDS),
            '' === $address ? 0 : $this->waitSeconds('address = ?', [$address], self::FREE_PER_ADDRESS, self::LONGEST_WAIT_SECONDS),
            $this->waitSeconds('account = ?', [$key], self::FREE_PER_ACCOUNT, self::LONGEST_WAIT_FOR_OTHERS_SECONDS),
        );
        if ($wait > 0) {
            throw self::tooMany($wait);
        }
    }

    public function failed(string $account, string $address): void
    {
        $this->database->insert('sign_in_failure', [
            'id' => Uuid::v7()->toBinary(),
            'created_at' => UtcType::text($this->clock->now()),
            'utc_offset_minutes' => 0,
            'account' => self::key($account),
            'address' => substr($address, 0, 64),
        ]);
    }

    private function succeeded(string $account, string $address): void
    {
        $this->database->delete('sign_in_failure', ['account' => self::key($account), 'address' => substr($address, 0, 64)]);
        $this->database->executeStatement('DELETE FROM sign_in_failure WHERE created_at < ?', [UtcType::text($this->clock->now()->modify(self::WINDOW))]);
    }

    /** @param list<string> $values */
    private function waitSeconds(string $which, array $values, int $free, int $longest): int
    {
        $row = $this->database->fetchAssociative(
            "SELECT COUNT(*) AS failures, MAX(created_at) AS latest FROM sign_in_failure WHERE $which AND created_at > ?",
            [...array_map(static fn (string $value): string => substr($value, 0, 64), $values), UtcType::text($this->clock->now()->modify(self::WINDOW))],
        );
        $failures = is_numeric($row['failures'] ?? null) ? (int) $row['failures'] : 0;
        $latest = $row['latest'] ?? null;
        if ($failures < $free || !\is_string($latest)) {
            return 0;
        }
        $wait = min($longest, 2 ** min(20, $failures - $free + 1));
        $since = $this->clock->now()->getTimestamp() - (new \DateTimeImmutable($latest, new \DateTimeZone('UTC')))->getTimestamp();

        return max(0, $wait - $since);
    }

    private static function tooMany(int $wait): Problem
    {
        return new Problem(
            429,
            'Too many tries',
            \sprintf('Too many tries. Wait %d seconds, then try again.', $wait),
            headers: ['Retry-After' => (string) $wait],
        );
    }

    private static function key(string $account): string
    {
        return hash('sha256', mb_strtolower($account));
    }
}
