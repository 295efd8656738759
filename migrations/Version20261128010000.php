<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261128010000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'What a table calls a setup is remembered by its side and agent.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE known_setup (id BINARY(16) NOT NULL, created_at DATETIME(6) NOT NULL, utc_offset_minutes SMALLINT NOT NULL,
            given VARCHAR(200) NOT NULL, side_id BINARY(16) NOT NULL, agent_id BINARY(16) DEFAULT NULL, UNIQUE INDEX UNIQ_known_setup_given (given),
            INDEX IDX_known_setup_side (side_id), INDEX IDX_known_setup_agent (agent_id), PRIMARY KEY (id),
            CONSTRAINT FK_known_setup_side FOREIGN KEY (side_id) REFERENCES plate_side (id),
            CONSTRAINT FK_known_setup_agent FOREIGN KEY (agent_id) REFERENCES agent_stock (id))
            DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_unicode_ci`');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE known_setup');
    }
}
