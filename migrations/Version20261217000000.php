<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use App\Test\RunTally;
use Doctrine\DBAL\Schema\Schema;

/** Tallies are counted as the program that comes with it counts: they are made after all tables are as it wants them. */
final class Version20261217000000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'Runs of several materials at once are counted apart, and coats by where they were touched up.';
    }

    public function up(Schema $schema): void
    {
        foreach (RunTally::rebuilding() as [$sql, $parameters]) {
            $this->addSql($sql, $parameters);
        }
    }

    public function down(Schema $schema): void
    {
        // The version before counts in its own way: sitzplatz:tally --rebuild.
        $this->addSql('DELETE FROM sheet_tally');
        $this->addSql('DELETE FROM run_tally');
    }
}
