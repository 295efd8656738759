<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261128020000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'A run knows on which spot of the plate its part stands.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE run ADD spot INT DEFAULT NULL');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE run DROP spot');
    }
}
