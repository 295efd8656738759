<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261126160000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'A tally keeps only what something reads; it is counted once all its columns are there, by the last migration that adds one.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE run_tally DROP first_at, DROP damages');
    }

    public function down(Schema $schema): void
    {
        // What was counted has to be counted again by the version that reads it: sitzplatz:tally --rebuild.
        $this->addSql('DELETE FROM run_tally');
        $this->addSql('ALTER TABLE run_tally ADD damages INT NOT NULL AFTER times, ADD first_at DATETIME(6) NOT NULL AFTER minutes');
    }
}
