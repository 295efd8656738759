<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261130000000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'Prints for use say what air they were made in and where they stood, and are counted with the runs; what was wrong is remembered.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE job ADD has_enclosure TINYINT(1) DEFAULT 0 NOT NULL AFTER room_c, ADD chamber_c DOUBLE PRECISION DEFAULT NULL AFTER has_enclosure,
            ADD spot SMALLINT DEFAULT NULL, ADD machine_key VARCHAR(80) DEFAULT NULL, ADD machine_begun_at DATETIME(6) DEFAULT NULL,
            ADD assumed TINYINT(1) DEFAULT 0 NOT NULL, ADD INDEX IDX_job_machine (printer_id, machine_key),
            ADD uncorrected_chance DOUBLE PRECISION DEFAULT NULL, ADD record_class SMALLINT DEFAULT NULL,
            ADD INDEX IDX_job_record (record_class, status, answered_at)');
        $this->addSql('UPDATE job j JOIN printer p ON p.id = j.printer_id SET j.has_enclosure = p.has_enclosure, j.chamber_c = p.chamber_c');
        $this->addSql('ALTER TABLE job ALTER has_enclosure DROP DEFAULT, ALTER assumed DROP DEFAULT');
        $this->addSql('ALTER TABLE run_tally MODIFY nozzle_mm DOUBLE PRECISION DEFAULT NULL, MODIFY lot_id BINARY(16) DEFAULT NULL');
        $this->addSql('CREATE TABLE fix_case (id BINARY(16) NOT NULL, created_at DATETIME(6) NOT NULL, utc_offset_minutes SMALLINT NOT NULL,
            who VARCHAR(80) NOT NULL, symptom_id VARCHAR(40) NOT NULL, tried JSON NOT NULL, cause_id VARCHAR(40) DEFAULT NULL, note VARCHAR(500) NOT NULL,
            printer_id BINARY(16) DEFAULT NULL, side_id BINARY(16) DEFAULT NULL, lot_id BINARY(16) DEFAULT NULL, INDEX IDX_fix_case_cause (symptom_id, cause_id),
            INDEX IDX_fix_case_created (created_at), INDEX IDX_fix_case_printer (printer_id), INDEX IDX_fix_case_side (side_id), INDEX IDX_fix_case_lot (lot_id),
            PRIMARY KEY (id), CONSTRAINT FK_fix_case_printer FOREIGN KEY (printer_id) REFERENCES printer (id),
            CONSTRAINT FK_fix_case_side FOREIGN KEY (side_id) REFERENCES plate_side (id), CONSTRAINT FK_fix_case_lot FOREIGN KEY (lot_id) REFERENCES lot (id))
            DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE TABLE printer_token (id BINARY(16) NOT NULL, created_at DATETIME(6) NOT NULL, utc_offset_minutes SMALLINT NOT NULL,
            withdrawn_at DATETIME(6) DEFAULT NULL, made_by VARCHAR(80) NOT NULL, printer_id BINARY(16) NOT NULL, digest VARCHAR(64) NOT NULL,
            INDEX IDX_printer_token_printer (printer_id), INDEX IDX_printer_token_digest (digest), PRIMARY KEY (id),
            CONSTRAINT FK_printer_token_printer FOREIGN KEY (printer_id) REFERENCES printer (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE TABLE job_tally (id INT UNSIGNED AUTO_INCREMENT NOT NULL, month CHAR(7) NOT NULL, fitting_id BINARY(16) NOT NULL,
            side_id BINARY(16) NOT NULL, printer_id BINARY(16) NOT NULL, material_id VARCHAR(40) NOT NULL, agent_id BINARY(16) DEFAULT NULL,
            outcome VARCHAR(20) NOT NULL, came_true TINYINT(1) NOT NULL, prints INT NOT NULL, minutes DOUBLE PRECISION NOT NULL, damaged INT NOT NULL,
            last_at DATETIME(6) NOT NULL, INDEX IDX_job_tally_month (month), INDEX IDX_job_tally_fitting (fitting_id, month), PRIMARY KEY (id))
            DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE TABLE record_tally (record_class SMALLINT NOT NULL, prints INT NOT NULL, alpha DOUBLE PRECISION NOT NULL, beta DOUBLE PRECISION NOT NULL,
            PRIMARY KEY (record_class)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE TABLE profile_tally (profile_id BINARY(16) NOT NULL, prints INT NOT NULL, drift VARCHAR(10) DEFAULT NULL, drifted_on DATE DEFAULT NULL,
            PRIMARY KEY (profile_id)) DEFAULT CHARACTER SET utf8mb4');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE job_tally');
        $this->addSql('DROP TABLE record_tally');
        $this->addSql('DROP TABLE printer_token');
        $this->addSql('DROP TABLE profile_tally');
        $this->addSql('DROP TABLE fix_case');
        $this->addSql("DELETE FROM run_tally WHERE source = 'use'");
        $this->addSql('ALTER TABLE run_tally MODIFY nozzle_mm DOUBLE PRECISION NOT NULL, MODIFY lot_id BINARY(16) NOT NULL');
        $this->addSql('ALTER TABLE job DROP has_enclosure, DROP chamber_c, DROP spot, DROP INDEX IDX_job_machine, DROP machine_key, DROP machine_begun_at, DROP INDEX IDX_job_record, DROP uncorrected_chance, DROP record_class, DROP assumed');
    }
}
