<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261126000000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'Which reading stands, people by id, what holds a printer, how long prints took, settings of the shop.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE shop_setting (id BINARY(16) NOT NULL, created_at DATETIME(6) NOT NULL, utc_offset_minutes SMALLINT NOT NULL, version INT DEFAULT 1 NOT NULL, one_person TINYINT NOT NULL, void_after_hours DOUBLE PRECISION NOT NULL, PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql("INSERT INTO shop_setting VALUES (UNHEX('01890000000070008000000000000001'), UTC_TIMESTAMP(6), 0, 1, 0, 12)");
        $this->addSql('CREATE TABLE added_runs (id BINARY(16) NOT NULL, created_at DATETIME(6) NOT NULL, utc_offset_minutes SMALLINT NOT NULL, count SMALLINT NOT NULL, added_by_id BINARY(16) NOT NULL, comparison_id BINARY(16) NOT NULL, setup_id BINARY(16) NOT NULL, INDEX IDX_3A2D3C1AE4EC5411 (comparison_id), INDEX IDX_3A2D3C1ACDCDB68E (setup_id), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('ALTER TABLE added_runs ADD CONSTRAINT FK_3A2D3C1AE4EC5411 FOREIGN KEY (comparison_id) REFERENCES comparison (id)');
        $this->addSql('ALTER TABLE added_runs ADD CONSTRAINT FK_3A2D3C1ACDCDB68E FOREIGN KEY (setup_id) REFERENCES setup (id)');
        $this->addSql("ALTER TABLE run ADD outcome_said_at DATETIME(6) DEFAULT NULL, ADD voided_alone TINYINT DEFAULT 0 NOT NULL, ADD voided_by_id BINARY(16) DEFAULT NULL, ADD made_by_id BINARY(16) DEFAULT NULL, ADD print_began_at DATETIME(6) DEFAULT NULL, ADD print_minutes DOUBLE PRECISION DEFAULT NULL, ADD not_taken JSON DEFAULT '[]' NOT NULL, ADD occupies_id BINARY(16) DEFAULT NULL, ADD CONSTRAINT FK_run_occupies FOREIGN KEY (occupies_id) REFERENCES printer (id), ADD UNIQUE INDEX UNIQ_run_occupies (occupies_id)");
        $this->addSql('UPDATE run r LEFT JOIN user_account u ON u.display_name = r.made_by SET r.made_by_id = u.id, r.outcome_said_at = IF(r.outcome IS NULL, NULL, COALESCE(r.finished_at, r.started_at))');
        $this->addSql('UPDATE run r JOIN user_account u ON u.display_name = r.voided_by SET r.voided_by_id = u.id');
        $this->addSql('ALTER TABLE reading ADD entered_by_id BINARY(16) DEFAULT NULL, ADD place SMALLINT DEFAULT 1 NOT NULL, ADD gauge_id BINARY(16) DEFAULT NULL, ADD simulated TINYINT DEFAULT 0 NOT NULL');
        $this->addSql('UPDATE reading m JOIN user_account u ON u.display_name = m.entered_by SET m.entered_by_id = u.id');
        $this->addSql('CREATE TABLE standing (part_id BINARY(16) NOT NULL, measure VARCHAR(20) NOT NULL, place SMALLINT NOT NULL, reading_id BINARY(16) NOT NULL, UNIQUE INDEX UNIQ_9D3FBB2C527275CD (reading_id), INDEX IDX_9D3FBB2C4CE34BEC (part_id), PRIMARY KEY (part_id, measure, place)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('ALTER TABLE standing ADD CONSTRAINT FK_9D3FBB2C4CE34BEC FOREIGN KEY (part_id) REFERENCES part (id), ADD CONSTRAINT FK_9D3FBB2C527275CD FOREIGN KEY (reading_id) REFERENCES reading (id)');
        // Where several stood, each end of a part had its lift; of the other measures the last one counts.
        $this->addSql("UPDATE reading m JOIN (SELECT id, ROW_NUMBER() OVER (PARTITION BY part_id, measure ORDER BY created_at, id) AS n FROM reading m WHERE measure = 'lift' AND NOT EXISTS (SELECT 1 FROM reading later WHERE later.amends_id = m.id)) k ON k.id = m.id SET m.place = k.n");
        $this->addSql('INSERT INTO standing (part_id, measure, place, reading_id) SELECT part_id, measure, place, id FROM (SELECT m.*, ROW_NUMBER() OVER (PARTITION BY part_id, measure, place ORDER BY created_at DESC, id DESC) AS newest FROM reading m WHERE NOT EXISTS (SELECT 1 FROM reading later WHERE later.amends_id = m.id)) last WHERE newest = 1');
        $this->addSql("ALTER TABLE comparison DROP imports, ADD nozzle_mm DOUBLE PRECISION DEFAULT 0.4 NOT NULL, ADD nozzle_first_c DOUBLE PRECISION DEFAULT NULL, ADD gap_mm DOUBLE PRECISION DEFAULT NULL, ADD feeler VARCHAR(120) DEFAULT '' NOT NULL");
        $this->addSql("UPDATE comparison SET nozzle_mm = JSON_VALUE(constants, '$.nozzleMm'), nozzle_first_c = JSON_VALUE(constants, '$.nozzleFirstC'), feeler = JSON_VALUE(constants, '$.firstLayerGap'), constants = JSON_REMOVE(constants, '$.nozzleMm', '$.nozzleFirstC', '$.firstLayerGap')");
        $this->addSql('CREATE INDEX IDX_comparison_material_printer ON comparison (material_id, printer_id)');
        $this->addSql('ALTER TABLE change_event MODIFY kind VARCHAR(20) NOT NULL, ADD done_by_id BINARY(16) DEFAULT NULL, ADD plate_id BINARY(16) DEFAULT NULL, ADD fault_from DATETIME(6) DEFAULT NULL, ADD fault_until DATETIME(6) DEFAULT NULL, ADD CONSTRAINT FK_677EB7EADF66E98B FOREIGN KEY (plate_id) REFERENCES plate (id)');
        $this->addSql('ALTER TABLE care_event ADD done_by_id BINARY(16) DEFAULT NULL');
        $this->addSql("ALTER TABLE profile ADD fitting_id BINARY(16) DEFAULT NULL, ADD evidence_until DATETIME(6) DEFAULT NULL, ADD proposed_by_id BINARY(16) DEFAULT NULL, ADD signed_by_id BINARY(16) DEFAULT NULL, ADD signed_digest VARCHAR(64) DEFAULT '' NOT NULL, ADD CONSTRAINT FK_8157AA0FC98604CA FOREIGN KEY (fitting_id) REFERENCES fitting (id)");
        $this->addSql("UPDATE profile p JOIN setup s ON s.id = UNHEX(REPLACE(JSON_VALUE(p.document, '$.origin.setupId'), '-', '')) SET p.fitting_id = IF(p.side_id IS NULL, NULL, s.fitting_id), p.evidence_until = (SELECT MAX(r.finished_at) FROM run r WHERE r.setup_id = s.id AND r.status = 'done')");
        $this->addSql("UPDATE profile SET document = JSON_REMOVE(JSON_SET(document, '$.formatVersion', 2, '$.setting.feeler', JSON_VALUE(document, '$.setting.firstLayerGap'), '$.setting.gapMm', NULL, '$.evidence.incomplete', 0, '$.evidence.voidsAlone', 0), '$.setting.firstLayerGap')");
        $this->addSql('ALTER TABLE plate ADD fixed TINYINT DEFAULT 0 NOT NULL');
        $this->addSql('ALTER TABLE verdict_record ADD judged_by_id BINARY(16) DEFAULT NULL');
        $this->addSql('CREATE TABLE gauge (id BINARY(16) NOT NULL, created_at DATETIME(6) NOT NULL, utc_offset_minutes SMALLINT NOT NULL, version INT DEFAULT 1 NOT NULL, name VARCHAR(80) NOT NULL, address VARCHAR(120) NOT NULL, range_n DOUBLE PRECISION NOT NULL, resolution_n DOUBLE PRECISION NOT NULL, checked_on DATE DEFAULT NULL, checked_with_n DOUBLE PRECISION DEFAULT NULL, check_showed_n DOUBLE PRECISION DEFAULT NULL, retired TINYINT NOT NULL, simulated TINYINT NOT NULL, UNIQUE INDEX UNIQ_gauge_name (name), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('ALTER TABLE gauge_capture ADD gauge_id BINARY(16) DEFAULT NULL, ADD simulated TINYINT DEFAULT 0 NOT NULL');
    }
}
