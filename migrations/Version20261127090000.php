<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261127090000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'Parts may be taken off hot, a comparison has an earlier one beside it, and a run has its file, marks on the plate and photos.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE setup ADD taken_hot TINYINT(1) NOT NULL DEFAULT 0');
        $this->addSql('ALTER TABLE setup ALTER taken_hot DROP DEFAULT');
        $this->addSql('ALTER TABLE comparison ADD control_id BINARY(16) NULL, ADD CONSTRAINT FK_E54AC6D632BEC70E FOREIGN KEY (control_id) REFERENCES comparison (id),
            ADD INDEX IDX_E54AC6D632BEC70E (control_id)');
        $this->addSql('ALTER TABLE run ADD file_digest VARCHAR(64) NULL');
        $this->addSql('CREATE TABLE plate_mark (id BINARY(16) NOT NULL, run_id BINARY(16) NOT NULL, created_at DATETIME(6) NOT NULL, utc_offset_minutes SMALLINT NOT NULL,
            kind VARCHAR(10) NOT NULL, x DOUBLE NOT NULL, y DOUBLE NOT NULL, place SMALLINT NULL, marked_by VARCHAR(80) NOT NULL, withdrawn_at DATETIME(6) NULL,
            INDEX IDX_EB820DD84E3FEC4 (run_id), PRIMARY KEY (id), CONSTRAINT FK_EB820DD84E3FEC4 FOREIGN KEY (run_id) REFERENCES run (id))
            DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_unicode_ci`');
        $this->addSql('CREATE TABLE run_photo (id BINARY(16) NOT NULL, run_id BINARY(16) NOT NULL, created_at DATETIME(6) NOT NULL, utc_offset_minutes SMALLINT NOT NULL,
            shows VARCHAR(10) NOT NULL, width SMALLINT NOT NULL, height SMALLINT NOT NULL, digest VARCHAR(64) NOT NULL, taken_by VARCHAR(80) NOT NULL,
            withdrawn_at DATETIME(6) NULL, INDEX IDX_28289E9684E3FEC4 (run_id), PRIMARY KEY (id), CONSTRAINT FK_28289E9684E3FEC4 FOREIGN KEY (run_id) REFERENCES run (id))
            DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_unicode_ci`');
        $this->addSql('CREATE TABLE photo_image (photo_id BINARY(16) NOT NULL, image MEDIUMBLOB NOT NULL, PRIMARY KEY (photo_id),
            CONSTRAINT FK_6B4A2B7E7E9E4C8C FOREIGN KEY (photo_id) REFERENCES run_photo (id)) DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_unicode_ci`');
        // The tallies are counted anew by the last migration that changes what is counted.
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE photo_image');
        $this->addSql('DROP TABLE run_photo');
        $this->addSql('DROP TABLE plate_mark');
        $this->addSql('ALTER TABLE run DROP file_digest');
        $this->addSql('ALTER TABLE comparison DROP FOREIGN KEY FK_E54AC6D632BEC70E');
        $this->addSql('ALTER TABLE comparison DROP control_id');
        // What was counted has to be counted again by the version that reads it: sitzplatz:tally --rebuild.
        $this->addSql('DELETE FROM run_tally');
        $this->addSql('ALTER TABLE setup DROP taken_hot');
    }
}
