<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261212000000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'What else stood on a plate beside the material is kept with prints and comparisons.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE job ADD also_materials VARCHAR(300) DEFAULT '' NOT NULL");
        $this->addSql("ALTER TABLE comparison ADD also_materials VARCHAR(300) DEFAULT '' NOT NULL");
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE comparison DROP COLUMN also_materials');
        $this->addSql('ALTER TABLE job DROP COLUMN also_materials');
    }
}
