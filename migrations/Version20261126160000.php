<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Test\RunTally;
use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261126160000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'A tally keeps only what something reads, and is counted once all its columns are there.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE run_tally DROP first_at, DROP damages');
        foreach (RunTally::rebuilding() as [$sql, $parameters]) {
            $this->addSql($sql, $parameters);
        }
    }

    public function down(Schema $schema): void
    {
        // What was counted has to be counted again by the version that reads it: sitzplatz:tally --rebuild.
        $this->addSql('DELETE FROM run_tally');
        $this->addSql('ALTER TABLE run_tally ADD damages INT NOT NULL AFTER times, ADD first_at DATETIME(6) NOT NULL AFTER minutes');
    }
}
