<?php

declare(strict_types=1);

namespace App\Platform\Database;

use Doctrine\DBAL\Exception\DriverException;
use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/**
 * A migration that can be cut off anywhere and run again: each of its steps is done once.
 *
 * A step that changes rows stands in one transaction with the note that it is done. One that changes a table ends every
 * transaction; the server does it whole or not at all, so it is noted before and after: one that was begun and never noted as
 * done may have been done, and says so when it is tried again (the table, column or key is there, or gone).
 *
 * Expand before contract: a step may add what the version before does not know; what that one still reads goes in a later release.
 */
abstract class GuardedMigration extends AbstractMigration
{
    private const CHANGES_A_TABLE = '/^\s*(CREATE|ALTER|DROP|RENAME|TRUNCATE)\s/i';
    /** The table is there, it is unknown; the column is there, it is unknown; the key is there, it cannot be dropped; the constraint is there. */
    private const DONE_ALREADY = [1050, 1051, 1060, 1054, 1061, 1091, 1826, 121, 1005, 1146];

    private int $step = 0;
    private bool $back = false;

    public function isTransactional(): bool
    {
        return false;
    }

    public function preUp(Schema $schema): void
    {
        $this->connection->executeStatement('CREATE TABLE IF NOT EXISTS migration_step (version VARCHAR(40) NOT NULL, step SMALLINT NOT NULL,
            done TINYINT(1) NOT NULL, PRIMARY KEY (version, step)) DEFAULT CHARACTER SET utf8mb4');
    }

    public function preDown(Schema $schema): void
    {
        $this->back = true;
        $this->connection->delete('migration_step', ['version' => $this->version()]);
    }

    /** Done at once, not kept for later: whether the next is due is known only then. */
    protected function addSql(string $sql, array $params = [], array $types = []): void
    {
        ++$this->step;
        if ($this->back) {
            $this->connection->executeStatement($sql, $params, $types);

            return;
        }
        $which = ['version' => $this->version(), 'step' => $this->step];
        $done = $this->connection->fetchOne('SELECT done FROM migration_step WHERE version = ? AND step = ?', array_values($which));
        if (1 === (int) $done) {
            return;
        }
        if (1 !== preg_match(self::CHANGES_A_TABLE, $sql)) {
            $this->connection->transactional(function () use ($sql, $params, $types, $which): void {
                $this->connection->executeStatement($sql, $params, $types);
                $this->connection->insert('migration_step', [...$which, 'done' => 1]);
            });

            return;
        }
        if (false === $done) {
            $this->connection->insert('migration_step', [...$which, 'done' => 0]);
        }
        try {
            $this->connection->executeStatement($sql, $params, $types);
        } catch (DriverException $e) {
            // Only a step that was begun before and not noted as done may be done already.
            if (false === $done || !\in_array($e->getCode(), self::DONE_ALREADY, true)) {
                throw $e;
            }
        }
        $this->connection->update('migration_step', ['done' => 1], $which);
    }

    private function version(): string
    {
        return substr(static::class, (int) strrpos(static::class, '\\') + 1, 40);
    }
}
