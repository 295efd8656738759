<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261129000000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'Prints for use are logged: with which setup, what was said of them, and how they came out.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE job (id BINARY(16) NOT NULL, created_at DATETIME(6) NOT NULL, utc_offset_minutes SMALLINT NOT NULL,
            version INT DEFAULT 1 NOT NULL, status VARCHAR(10) NOT NULL, title VARCHAR(160) NOT NULL, bed_first_c DOUBLE PRECISION DEFAULT NULL,
            bed_other_c DOUBLE PRECISION DEFAULT NULL, exposure_s DOUBLE PRECISION DEFAULT NULL, room_c DOUBLE PRECISION NOT NULL, parts SMALLINT NOT NULL,
            planned_minutes DOUBLE PRECISION DEFAULT NULL, said_chance DOUBLE PRECISION DEFAULT NULL, practice_chance DOUBLE PRECISION DEFAULT NULL,
            basis VARCHAR(10) NOT NULL, reported_minutes DOUBLE PRECISION DEFAULT NULL, outcome VARCHAR(20) DEFAULT NULL, effort INT DEFAULT NULL,
            damaged TINYINT DEFAULT NULL, minutes DOUBLE PRECISION DEFAULT NULL, came_true TINYINT DEFAULT NULL, note VARCHAR(500) NOT NULL,
            answered_at DATETIME(6) DEFAULT NULL, answered_by VARCHAR(80) NOT NULL, begun_by VARCHAR(80) NOT NULL, material_id VARCHAR(40) NOT NULL,
            agent_id BINARY(16) DEFAULT NULL, lot_id BINARY(16) DEFAULT NULL, fitting_id BINARY(16) NOT NULL, printer_id BINARY(16) NOT NULL,
            side_id BINARY(16) NOT NULL, INDEX IDX_job_status (status, created_at), INDEX IDX_job_seen (fitting_id, status, answered_at, damaged, outcome),
            INDEX IDX_job_agent (agent_id), INDEX IDX_job_lot (lot_id), INDEX IDX_job_printer (printer_id), INDEX IDX_job_side (side_id),
            INDEX IDX_job_created (created_at, id), PRIMARY KEY (id),
            CONSTRAINT FK_job_agent FOREIGN KEY (agent_id) REFERENCES agent_stock (id), CONSTRAINT FK_job_lot FOREIGN KEY (lot_id) REFERENCES lot (id),
            CONSTRAINT FK_job_fitting FOREIGN KEY (fitting_id) REFERENCES fitting (id), CONSTRAINT FK_job_printer FOREIGN KEY (printer_id) REFERENCES printer (id),
            CONSTRAINT FK_job_side FOREIGN KEY (side_id) REFERENCES plate_side (id))
            DEFAULT CHARACTER SET utf8mb4');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE job');
    }
}
