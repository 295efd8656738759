<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261203000000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'What a side has seen is counted from an index alone, with where its prints stood; tests are told from prints for use in one, and the last gap of each seat is read from one; how the tests on a sheet ended stands beside its groups.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE run DROP INDEX IDX_run_fitting_seen, ADD INDEX IDX_run_fitting_seen (fitting_id, finished_at, held, damage, spot)');
        $this->addSql('ALTER TABLE job DROP INDEX IDX_job_seen, ADD INDEX IDX_job_seen (fitting_id, status, answered_at, damaged, outcome, spot, parts)');
        $this->addSql('ALTER TABLE run_tally DROP INDEX IDX_run_tally_fitting, ADD INDEX IDX_run_tally_fitting (fitting_id, source, void, side_id),
            ADD INDEX IDX_run_tally_gap (material_id, void, printer_id, side_id, gap_mm, feeler, held_at)');
        $this->addSql("ALTER TABLE sheet_tally ADD ended MEDIUMTEXT DEFAULT '[]' NOT NULL");
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE sheet_tally DROP ended');
        $this->addSql('ALTER TABLE run DROP INDEX IDX_run_fitting_seen, ADD INDEX IDX_run_fitting_seen (fitting_id, finished_at, held, damage)');
        $this->addSql('ALTER TABLE job DROP INDEX IDX_job_seen, ADD INDEX IDX_job_seen (fitting_id, status, answered_at, damaged, outcome)');
        $this->addSql('ALTER TABLE run_tally DROP INDEX IDX_run_tally_fitting, DROP INDEX IDX_run_tally_gap, ADD INDEX IDX_run_tally_fitting (fitting_id)');
    }
}
