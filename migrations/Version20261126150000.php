<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261126150000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'What a sheet has seen is counted from an index, without reading its runs.';
    }

    public function up(Schema $schema): void
    {
        // All ways in which a run can end, each with five digits of runs, have room in it.
        $this->addSql('ALTER TABLE run_tally MODIFY outcomes VARCHAR(1000) NOT NULL');
        $this->addSql('CREATE INDEX IDX_run_fitting_seen ON run (fitting_id, finished_at, held, damage)');
        $this->addSql('DROP INDEX IDX_run_fitting_finished ON run');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE run_tally MODIFY outcomes VARCHAR(500) NOT NULL');
        $this->addSql('CREATE INDEX IDX_run_fitting_finished ON run (fitting_id, finished_at)');
        $this->addSql('DROP INDEX IDX_run_fitting_seen ON run');
    }
}
