<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261127100000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'How the columns of a table were matched is remembered by its heading.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE known_table (id BINARY(16) NOT NULL, created_at DATETIME(6) NOT NULL, utc_offset_minutes SMALLINT NOT NULL,
            signature VARCHAR(64) NOT NULL, columns JSON NOT NULL, UNIQUE INDEX UNIQ_8E1B6E7EAE880141 (signature), PRIMARY KEY (id))
            DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_unicode_ci`');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE known_table');
    }
}
