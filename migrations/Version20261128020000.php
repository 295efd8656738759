<?php

declare(strict_types=1);

namespace App\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261128020000 extends AbstractMigration
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
