<?php

declare(strict_types=1);

namespace App\Account;

use App\Platform\Database\UtcType;
use App\Platform\Http\Problem;
use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;

/** Slows sign-in down after repeated failures, per account and per address: each further failure doubles the wait. */
final readonly class SignInThrottle
{
    private const WINDOW = '-15 minutes';
    private const FREE_PER_ACCOUNT = 5;
    private const FREE_PER_ADDRESS = 20;
    private const LONGEST_WAIT_SECONDS = 600;

    public function __construct(private Connection $database, private ClockInterface $clock)
    {
    }

    /** @throws Problem 429 while the wait lasts */
    public function check(string $account, string $address): void
    {
        $wait = max(
            $this->waitSeconds('account', self::key($account), self::FREE_PER_ACCOUNT),
            $this->waitSeconds('address', $address, self::FREE_PER_ADDRESS),
        );
        if ($wait > 0) {
            throw new Problem(
                429,
                'Too many tries',
                \sprintf('Too many tries. Wait %d seconds, then try again.', $wait),
                headers: ['Retry-After' => (string) $wait],
            );
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

    public function succeeded(string $account): void
    {
        $this->database->delete('sign_in_failure', ['account' => self::key($account)]);
        $this->database->executeStatement('DELETE FROM sign_in_failure WHERE created_at < ?', [UtcType::text($this->clock->now()->modify(self::WINDOW))]);
    }

    private function waitSeconds(string $column, string $value, int $free): int
    {
        $row = $this->database->fetchAssociative(
            "SELECT COUNT(*) AS failures, MAX(created_at) AS latest FROM sign_in_failure WHERE $column = ? AND created_at > ?",
            [substr($value, 0, 64), UtcType::text($this->clock->now()->modify(self::WINDOW))],
        );
        $failures = is_numeric($row['failures'] ?? null) ? (int) $row['failures'] : 0;
        $latest = $row['latest'] ?? null;
        if ($failures < $free || !\is_string($latest)) {
            return 0;
        }
        $wait = min(self::LONGEST_WAIT_SECONDS, 2 ** min(20, $failures - $free + 1));
        $since = $this->clock->now()->getTimestamp() - (new \DateTimeImmutable($latest, new \DateTimeZone('UTC')))->getTimestamp();

        return max(0, $wait - $since);
    }

    private static function key(string $account): string
    {
        return hash('sha256', mb_strtolower($account));
    }
}
