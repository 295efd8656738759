<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261213000000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'A coat is touched up by spot, plates have a wash of their own, and jars a date and a data sheet.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE care_event ADD spot SMALLINT DEFAULT NULL');
        $this->addSql('ALTER TABLE plate ADD wash_prints INT DEFAULT NULL');
        $this->addSql("ALTER TABLE agent_stock ADD expires_on DATE DEFAULT NULL, ADD data_sheet VARCHAR(300) DEFAULT '' NOT NULL");
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE agent_stock DROP COLUMN expires_on, DROP COLUMN data_sheet');
        $this->addSql('ALTER TABLE plate DROP COLUMN wash_prints');
        $this->addSql("DELETE FROM care_event WHERE kind = 'touch_up'");
        $this->addSql('ALTER TABLE care_event DROP COLUMN spot');
    }
}
