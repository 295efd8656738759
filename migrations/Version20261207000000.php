<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261207000000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'Which key backups are proven by, and whether somebody wrote it down.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE backup_key (id BINARY(16) NOT NULL, made_at DATETIME(6) NOT NULL, fingerprint VARCHAR(16) NOT NULL, end_digest VARCHAR(64) NOT NULL,
            written_down_at DATETIME(6) DEFAULT NULL, PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE backup_key');
    }
}
