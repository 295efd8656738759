<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261201000000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'What was made on a sheet stands in a row, and what a profile is trusted for apart from its evidence; a print has a room only if somebody said it.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE sheet_tally (material_id VARCHAR(40) NOT NULL, fitting_id BINARY(16) NOT NULL, made MEDIUMTEXT NOT NULL,
            INDEX IDX_sheet_tally_fitting (fitting_id), PRIMARY KEY (material_id, fitting_id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql("ALTER TABLE profile ADD terms LONGTEXT AS (JSON_OBJECT('scope', JSON_EXTRACT(document, '$.scope'),
            'setting', JSON_EXTRACT(document, '$.setting'))) STORED");
        $this->addSql('ALTER TABLE job MODIFY room_c DOUBLE PRECISION DEFAULT NULL');
        // What came by a table (its keys are of the lines) or was taken to be like the print before had a room that nobody measured.
        $this->addSql("UPDATE job SET room_c = NULL WHERE assumed = 1 OR SUBSTR(HEX(id), 13, 1) = '5'");
        $this->addSql('ALTER TABLE run_tally MODIFY room_c DOUBLE PRECISION DEFAULT NULL');
        $this->addSql('ALTER TABLE job ADD warm_wh DOUBLE PRECISION DEFAULT NULL, ADD draws_w DOUBLE PRECISION DEFAULT NULL, ADD energy_wh DOUBLE PRECISION DEFAULT NULL');
        $this->addSql("ALTER TABLE shop_setting ADD address VARCHAR(200) DEFAULT '' NOT NULL");
        $this->addSql('ALTER TABLE audit_entry ADD INDEX IDX_audit_person (user_name, id), ADD INDEX IDX_audit_action (action, id)');
        $this->addSql('ALTER TABLE job ADD lift_mm DOUBLE PRECISION DEFAULT NULL');
        $this->addSql('CREATE TABLE job_mark (id BINARY(16) NOT NULL, created_at DATETIME(6) NOT NULL, utc_offset_minutes SMALLINT NOT NULL, job_id BINARY(16) NOT NULL,
            kind VARCHAR(10) NOT NULL, x DOUBLE PRECISION NOT NULL, y DOUBLE PRECISION NOT NULL, place SMALLINT DEFAULT NULL, INDEX IDX_job_mark_job (job_id), PRIMARY KEY (id),
            CONSTRAINT FK_job_mark_job FOREIGN KEY (job_id) REFERENCES job (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE TABLE job_photo (id BINARY(16) NOT NULL, created_at DATETIME(6) NOT NULL, utc_offset_minutes SMALLINT NOT NULL, job_id BINARY(16) NOT NULL,
            width SMALLINT NOT NULL, height SMALLINT NOT NULL, digest VARCHAR(64) NOT NULL, taken_by VARCHAR(80) NOT NULL, withdrawn_at DATETIME(6) DEFAULT NULL,
            INDEX IDX_job_photo_job (job_id), PRIMARY KEY (id), CONSTRAINT FK_job_photo_job FOREIGN KEY (job_id) REFERENCES job (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE TABLE job_photo_image (photo_id BINARY(16) NOT NULL, image MEDIUMBLOB NOT NULL, PRIMARY KEY (photo_id),
            CONSTRAINT FK_job_photo_image_photo FOREIGN KEY (photo_id) REFERENCES job_photo (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('ALTER TABLE job_tally ADD energy_wh DOUBLE PRECISION DEFAULT 0 NOT NULL, ADD energy_known INT DEFAULT 0 NOT NULL,
            ADD bed_first_c DOUBLE PRECISION DEFAULT NULL, ADD exposure_s DOUBLE PRECISION DEFAULT NULL');
        $this->addSql('ALTER TABLE profile_tally DROP prints');
        $this->addSql('ALTER TABLE side_tally CHANGE since_coat on_coat TEXT DEFAULT NULL');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE profile_tally ADD prints INT DEFAULT 0 NOT NULL');
        $this->addSql('DELETE FROM side_tally');
        $this->addSql('ALTER TABLE side_tally CHANGE on_coat since_coat INT DEFAULT NULL');
        $this->addSql('ALTER TABLE audit_entry DROP INDEX IDX_audit_person, DROP INDEX IDX_audit_action');
        $this->addSql('ALTER TABLE shop_setting DROP address');
        foreach (['job_photo_image', 'job_photo', 'job_mark'] as $table) {
            $this->addSql("DROP TABLE $table");
        }
        $this->addSql('ALTER TABLE job DROP lift_mm, DROP warm_wh, DROP draws_w, DROP energy_wh');
        $this->addSql('ALTER TABLE job_tally DROP energy_wh, DROP energy_known, DROP bed_first_c, DROP exposure_s');
        $this->addSql('DROP TABLE sheet_tally');
        $this->addSql('ALTER TABLE profile DROP terms');
        $this->addSql('UPDATE job SET room_c = 20 WHERE room_c IS NULL');
        $this->addSql('ALTER TABLE job MODIFY room_c DOUBLE PRECISION NOT NULL');
        $this->addSql('DELETE FROM run_tally WHERE room_c IS NULL');
        $this->addSql('ALTER TABLE run_tally MODIFY room_c DOUBLE PRECISION NOT NULL');
    }
}
