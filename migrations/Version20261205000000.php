<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261205000000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'What a look has settled is kept where a run that it rests on is changed; a profile knows since when its runs do not carry it.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE profile ADD evidence_fails_since DATE DEFAULT NULL');
        $this->addSql('CREATE TABLE settled_look (id BINARY(16) NOT NULL, created_at DATETIME(6) NOT NULL, utc_offset_minutes SMALLINT NOT NULL, hold VARCHAR(10) NOT NULL,
            lets_go VARCHAR(10) NOT NULL, run_ids JSON NOT NULL, core_version VARCHAR(20) NOT NULL, setup_id BINARY(16) NOT NULL,
            INDEX IDX_settled_look_setup (setup_id), PRIMARY KEY (id), CONSTRAINT FK_settled_look_setup FOREIGN KEY (setup_id) REFERENCES setup (id))
            DEFAULT CHARACTER SET utf8mb4');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE settled_look');
        $this->addSql('ALTER TABLE profile DROP evidence_fails_since');
    }
}
