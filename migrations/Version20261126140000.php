<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261126140000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'Runs that are counted together are alike in all that matters: the room, the air of the printer as it was, the changes to it.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE run ADD has_enclosure TINYINT(1) DEFAULT NULL, ADD chamber_c DOUBLE PRECISION DEFAULT NULL');
        $this->addSql('UPDATE run r JOIN comparison c ON c.id = r.comparison_id JOIN printer p ON p.id = c.printer_id
            SET r.has_enclosure = p.has_enclosure, r.chamber_c = p.chamber_c');
        $this->addSql('ALTER TABLE run MODIFY has_enclosure TINYINT(1) NOT NULL');
        $this->addSql('DROP TABLE run_tally');
        $this->addSql('CREATE TABLE run_tally (
            id INT UNSIGNED AUTO_INCREMENT NOT NULL, seat BINARY(16) NOT NULL, material_id VARCHAR(40) NOT NULL, surface_id VARCHAR(40) NOT NULL,
            agent_kind_id VARCHAR(40) DEFAULT NULL, side_id BINARY(16) NOT NULL, fitting_id BINARY(16) NOT NULL, lot_id BINARY(16) NOT NULL,
            printer_id BINARY(16) NOT NULL, bed_first_c DOUBLE PRECISION DEFAULT NULL, bed_other_c DOUBLE PRECISION DEFAULT NULL,
            nozzle_mm DOUBLE PRECISION NOT NULL, nozzle_first_c DOUBLE PRECISION DEFAULT NULL, gap_mm DOUBLE PRECISION DEFAULT NULL,
            feeler VARCHAR(120) NOT NULL, speed_mm_s DOUBLE PRECISION DEFAULT NULL, epoch DATETIME(6) DEFAULT NULL, has_enclosure TINYINT(1) NOT NULL,
            chamber_c DOUBLE PRECISION DEFAULT NULL, room_c DOUBLE PRECISION NOT NULL, source VARCHAR(10) NOT NULL, many INT NOT NULL,
            about INT DEFAULT NULL, void TINYINT(1) NOT NULL, outcomes VARCHAR(500) NOT NULL, times INT NOT NULL, damages INT NOT NULL,
            parts INT NOT NULL, minutes DOUBLE PRECISION DEFAULT NULL, first_at DATETIME(6) NOT NULL, held_at DATETIME(6) DEFAULT NULL,
            last_at DATETIME(6) NOT NULL,
            INDEX IDX_run_tally_seat (seat), INDEX IDX_run_tally_material (material_id, fitting_id), INDEX IDX_run_tally_fitting (fitting_id),
            INDEX IDX_run_tally_printer (printer_id, material_id), PRIMARY KEY (id)
        ) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('ALTER TABLE setup_tally ADD has_enclosure TINYINT(1) NOT NULL AFTER setup_id, DROP PRIMARY KEY, ADD PRIMARY KEY (setup_id, has_enclosure)');
        $this->addSql('DROP TABLE sheet_tally');
        $this->addSql('CREATE TABLE side_tally (
            side_id BINARY(16) NOT NULL, fitting_id BINARY(16) NOT NULL, runs INT NOT NULL, since_wash INT NOT NULL, since_coat INT DEFAULT NULL,
            damages INT NOT NULL, last_held DATETIME(6) DEFAULT NULL, last_print DATETIME(6) DEFAULT NULL, washed_at DATETIME(6) DEFAULT NULL,
            coated_at DATETIME(6) DEFAULT NULL, coat_agent_id BINARY(16) DEFAULT NULL, scuffed_at DATETIME(6) DEFAULT NULL, PRIMARY KEY (side_id)
        ) DEFAULT CHARACTER SET utf8mb4');
    }

    public function down(Schema $schema): void
    {
        // What was counted has to be counted again by the version that reads it: sitzplatz:tally --rebuild.
        $this->addSql('DROP TABLE run_tally');
        $this->addSql('CREATE TABLE run_tally (
            id INT UNSIGNED AUTO_INCREMENT NOT NULL, seat BINARY(16) NOT NULL, material_id VARCHAR(40) NOT NULL, surface_id VARCHAR(40) NOT NULL,
            agent_kind_id VARCHAR(40) DEFAULT NULL, side_id BINARY(16) NOT NULL, fitting_id BINARY(16) NOT NULL, lot_id BINARY(16) NOT NULL,
            printer_id BINARY(16) NOT NULL, bed_first_c DOUBLE PRECISION DEFAULT NULL, bed_other_c DOUBLE PRECISION DEFAULT NULL,
            nozzle_first_c DOUBLE PRECISION DEFAULT NULL, gap_mm DOUBLE PRECISION DEFAULT NULL, feeler VARCHAR(120) NOT NULL, parts INT NOT NULL,
            about INT DEFAULT NULL, void TINYINT NOT NULL, held TINYINT DEFAULT NULL, effort SMALLINT DEFAULT NULL, damage TINYINT DEFAULT NULL,
            times INT NOT NULL, minutes DOUBLE PRECISION DEFAULT NULL, last_at DATETIME(6) NOT NULL,
            INDEX IDX_run_tally_seat (seat), INDEX IDX_run_tally_material (material_id, fitting_id), INDEX IDX_run_tally_fitting (fitting_id), PRIMARY KEY (id)
        ) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('DROP TABLE side_tally');
        $this->addSql('CREATE TABLE sheet_tally (
            fitting_id BINARY(16) NOT NULL, runs INT NOT NULL, damages INT NOT NULL, last_held DATETIME(6) DEFAULT NULL, last_print DATETIME(6) NOT NULL,
            PRIMARY KEY (fitting_id)
        ) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('DELETE FROM setup_tally');
        $this->addSql('ALTER TABLE setup_tally DROP PRIMARY KEY, DROP has_enclosure, ADD PRIMARY KEY (setup_id)');
        $this->addSql('ALTER TABLE run DROP has_enclosure, DROP chamber_c');
    }
}
