<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261211000000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'A lead may let be tried what practice rules out, and say of a pair that it goes without a chamber.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE setup ADD risk_taken JSON DEFAULT NULL');
        $this->addSql('ALTER TABLE shop_fact ADD open_printer TINYINT(1) DEFAULT 0 NOT NULL');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE shop_fact DROP COLUMN open_printer');
        $this->addSql('ALTER TABLE setup DROP COLUMN risk_taken');
    }
}
