<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261214000000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'Bars with square and with round ends are compared.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE setup ADD ends VARCHAR(10) DEFAULT NULL');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE setup DROP COLUMN ends');
    }
}
