<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261128030000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'How long a coat lasts by own tests is kept.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE own_coat_life (id BINARY(16) NOT NULL, created_at DATETIME(6) NOT NULL, utc_offset_minutes SMALLINT NOT NULL,
            withdrawn_at DATETIME(6) DEFAULT NULL, withdrawn_by VARCHAR(80) NOT NULL, agent_kind_id VARCHAR(40) NOT NULL, surface_id VARCHAR(40) NOT NULL,
            prints SMALLINT NOT NULL, setup_id BINARY(16) NOT NULL, who VARCHAR(80) NOT NULL, INDEX IDX_own_coat_life_setup (setup_id), PRIMARY KEY (id))
            DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_unicode_ci`');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE own_coat_life');
    }
}
