<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261125050000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'What Choose asks of the shelf: heaters, probes, layers, prices; measured surfaces; the shop\'s own facts.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE shop_fact (id BINARY(16) NOT NULL, created_at DATETIME(6) NOT NULL, utc_offset_minutes SMALLINT NOT NULL, withdrawn_at DATETIME(6) DEFAULT NULL, withdrawn_by VARCHAR(80) NOT NULL, material_id VARCHAR(40) NOT NULL, surface_id VARCHAR(40) NOT NULL, agent_kind_id VARCHAR(40) DEFAULT NULL, window_points JSON DEFAULT NULL, release_c DOUBLE PRECISION DEFAULT NULL, role VARCHAR(10) NOT NULL, hold VARCHAR(10) NOT NULL, release_grade VARCHAR(10) NOT NULL, barrier TINYINT NOT NULL, why VARCHAR(500) NOT NULL, who VARCHAR(80) NOT NULL, PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE TABLE surface_measurement (id BINARY(16) NOT NULL, created_at DATETIME(6) NOT NULL, utc_offset_minutes SMALLINT NOT NULL, display_c DOUBLE PRECISION NOT NULL, surface_c DOUBLE PRECISION NOT NULL, room_c DOUBLE PRECISION NOT NULL, measured_by VARCHAR(80) NOT NULL, printer_id BINARY(16) NOT NULL, fitting_id BINARY(16) NOT NULL, INDEX IDX_E77750BC46EC494AC98604CA (printer_id, fitting_id), INDEX IDX_E77750BC46EC494A (printer_id), INDEX IDX_E77750BCC98604CA (fitting_id), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('ALTER TABLE surface_measurement ADD CONSTRAINT FK_E77750BC46EC494A FOREIGN KEY (printer_id) REFERENCES printer (id)');
        $this->addSql('ALTER TABLE surface_measurement ADD CONSTRAINT FK_E77750BCC98604CA FOREIGN KEY (fitting_id) REFERENCES fitting (id)');
        $this->addSql('ALTER TABLE agent_stock ADD price DOUBLE PRECISION DEFAULT NULL, ADD coats INT DEFAULT NULL');
        $this->addSql('ALTER TABLE lot ADD opened_on DATE DEFAULT NULL');
        $this->addSql('ALTER TABLE plate ADD layers JSON DEFAULT \'[]\' NOT NULL, ADD marked TINYINT DEFAULT 1 NOT NULL, ADD slicer_type VARCHAR(60) DEFAULT \'\' NOT NULL, ADD price DOUBLE PRECISION DEFAULT NULL, ADD purchased_on DATE DEFAULT NULL');
        $this->addSql('ALTER TABLE printer ADD magnet_soak_c DOUBLE PRECISION DEFAULT NULL, ADD magnet_grade VARCHAR(20) DEFAULT \'\' NOT NULL, ADD hold_down VARCHAR(60) DEFAULT \'\' NOT NULL, ADD plate_holds_to_mm_s DOUBLE PRECISION DEFAULT NULL, ADD chamber_c DOUBLE PRECISION DEFAULT NULL, ADD heater_w DOUBLE PRECISION DEFAULT NULL, ADD heater_v DOUBLE PRECISION DEFAULT NULL, ADD limit_a DOUBLE PRECISION DEFAULT NULL, ADD probe VARCHAR(20) DEFAULT \'touch\' NOT NULL, ADD probe_range_mm DOUBLE PRECISION DEFAULT NULL, ADD z_travel_below_mm DOUBLE PRECISION DEFAULT NULL, ADD usual_plate_mm DOUBLE PRECISION DEFAULT NULL, ADD bed_moves TINYINT DEFAULT 0 NOT NULL, ADD looks_for_mark TINYINT DEFAULT 0 NOT NULL, ADD display_reads_high_k DOUBLE PRECISION DEFAULT 0 NOT NULL, ADD bed_layers JSON DEFAULT \'[]\' NOT NULL');
    }
}
