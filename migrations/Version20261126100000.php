<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261126100000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'A shop has kinds of surface and material of its own, with what their makers say of them.';
    }

    public function up(Schema $schema): void
    {
        foreach (['own_surface', 'own_material'] as $table) {
            $this->addSql("CREATE TABLE $table (id BINARY(16) NOT NULL, created_at DATETIME(6) NOT NULL, utc_offset_minutes SMALLINT NOT NULL, version INT DEFAULT 1 NOT NULL, name VARCHAR(80) NOT NULL, retired TINYINT NOT NULL, who VARCHAR(80) NOT NULL, details JSON NOT NULL, UNIQUE INDEX name_of_$table (name), PRIMARY KEY(id))");
        }
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE own_surface');
        $this->addSql('DROP TABLE own_material');
    }
}
