<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261126120000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'Finished runs that are alike are counted where they change; a run knows its sheet.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE run ADD fitting_id BINARY(16) DEFAULT NULL');
        $this->addSql('UPDATE run r JOIN setup s ON s.id = r.setup_id SET r.fitting_id = s.fitting_id');
        $this->addSql('ALTER TABLE run MODIFY fitting_id BINARY(16) NOT NULL, ADD CONSTRAINT FK_run_fitting FOREIGN KEY (fitting_id) REFERENCES fitting (id)');
        $this->addSql('CREATE INDEX IDX_run_fitting_finished ON run (fitting_id, finished_at)');
        $this->addSql('CREATE TABLE run_tally (
            id INT UNSIGNED AUTO_INCREMENT NOT NULL, seat BINARY(16) NOT NULL, material_id VARCHAR(40) NOT NULL, surface_id VARCHAR(40) NOT NULL,
            agent_kind_id VARCHAR(40) DEFAULT NULL, side_id BINARY(16) NOT NULL, fitting_id BINARY(16) NOT NULL, lot_id BINARY(16) NOT NULL,
            printer_id BINARY(16) NOT NULL, bed_first_c DOUBLE PRECISION DEFAULT NULL, bed_other_c DOUBLE PRECISION DEFAULT NULL,
            nozzle_first_c DOUBLE PRECISION DEFAULT NULL, gap_mm DOUBLE PRECISION DEFAULT NULL, feeler VARCHAR(120) NOT NULL, parts INT NOT NULL,
            about INT DEFAULT NULL, void TINYINT NOT NULL, held TINYINT DEFAULT NULL, effort SMALLINT DEFAULT NULL, damage TINYINT DEFAULT NULL,
            times INT NOT NULL, minutes DOUBLE PRECISION DEFAULT NULL, last_at DATETIME(6) NOT NULL,
            INDEX IDX_run_tally_seat (seat), INDEX IDX_run_tally_material (material_id, fitting_id), INDEX IDX_run_tally_fitting (fitting_id), PRIMARY KEY (id)
        ) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE TABLE setup_tally (
            setup_id BINARY(16) NOT NULL, material_id VARCHAR(40) NOT NULL, surface_id VARCHAR(40) NOT NULL, agent_kind_id VARCHAR(40) DEFAULT NULL,
            pulls INT NOT NULL, pull_sum DOUBLE PRECISION NOT NULL, pull_squares DOUBLE PRECISION NOT NULL, lifts INT NOT NULL, lifted INT NOT NULL,
            lift_sum DOUBLE PRECISION NOT NULL, runs INT NOT NULL, held INT NOT NULL,
            INDEX IDX_setup_tally_kind (material_id, surface_id, agent_kind_id), PRIMARY KEY (setup_id)
        ) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE TABLE sheet_tally (
            fitting_id BINARY(16) NOT NULL, runs INT NOT NULL, damages INT NOT NULL, last_held DATETIME(6) DEFAULT NULL, last_print DATETIME(6) NOT NULL,
            PRIMARY KEY (fitting_id)
        ) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE INDEX IDX_comparison_created ON comparison (created_at)');
        $this->addSql('CREATE INDEX IDX_comparison_status ON comparison (status)');
        $this->addSql('CREATE INDEX IDX_profile_created ON profile (created_at, id)');
        $this->addSql('CREATE INDEX IDX_care_last ON care_event (side_id, kind, created_at)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE run_tally');
        $this->addSql('DROP TABLE setup_tally');
        $this->addSql('DROP TABLE sheet_tally');
        $this->addSql('ALTER TABLE care_event DROP INDEX IDX_care_last');
        $this->addSql('ALTER TABLE profile DROP INDEX IDX_profile_created');
        $this->addSql('ALTER TABLE comparison DROP INDEX IDX_comparison_created, DROP INDEX IDX_comparison_status');
        $this->addSql('ALTER TABLE run DROP FOREIGN KEY FK_run_fitting');
        $this->addSql('ALTER TABLE run DROP INDEX IDX_run_fitting_finished, DROP fitting_id');
    }
}
