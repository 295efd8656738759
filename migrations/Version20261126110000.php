<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261126110000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'A printer carries the power of its chamber and what it takes to warm.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE printer ADD chamber_w DOUBLE PRECISION DEFAULT NULL, ADD chamber_minutes DOUBLE PRECISION DEFAULT NULL');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE printer DROP chamber_w, DROP chamber_minutes');
    }
}
