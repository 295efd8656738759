<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261128000000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'Thermometers stand on the shelf and are watched while a run cools.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE thermometer (id BINARY(16) NOT NULL, created_at DATETIME(6) NOT NULL, utc_offset_minutes SMALLINT NOT NULL,
            version INT DEFAULT 1 NOT NULL, name VARCHAR(80) NOT NULL, address VARCHAR(120) NOT NULL, checked_on DATE DEFAULT NULL,
            checked_at_c DOUBLE PRECISION DEFAULT NULL, check_showed_c DOUBLE PRECISION DEFAULT NULL, simulated TINYINT NOT NULL, retired TINYINT NOT NULL,
            UNIQUE INDEX UNIQ_3EC2E71C5E237E06 (name), PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_unicode_ci`');
        $this->addSql('CREATE TABLE cooling (id BINARY(16) NOT NULL, created_at DATETIME(6) NOT NULL, utc_offset_minutes SMALLINT NOT NULL,
            state VARCHAR(10) NOT NULL, message VARCHAR(200) NOT NULL, began_at DATETIME(6) DEFAULT NULL, thermometer_id BINARY(16) NOT NULL,
            simulated TINYINT NOT NULL, run_id BINARY(16) NOT NULL, INDEX IDX_DBACDED384E3FEC4 (run_id), INDEX IDX_DBACDED3A393D2FB (state), PRIMARY KEY (id),
            CONSTRAINT FK_DBACDED384E3FEC4 FOREIGN KEY (run_id) REFERENCES run (id))
            DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_unicode_ci`');
        $this->addSql('CREATE TABLE temperature_sample (cooling_id BINARY(16) NOT NULL, milliseconds INT NOT NULL, celsius DOUBLE PRECISION NOT NULL,
            PRIMARY KEY (cooling_id, milliseconds)) DEFAULT CHARACTER SET utf8mb4 COLLATE `utf8mb4_unicode_ci`');
        $this->addSql('ALTER TABLE gauge_capture ADD began_at DATETIME(6) DEFAULT NULL');
        $this->addSql('ALTER TABLE reading ADD thermometer_id BINARY(16) DEFAULT NULL, CHANGE source source VARCHAR(12) NOT NULL');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE reading DROP thermometer_id, CHANGE source source VARCHAR(10) NOT NULL');
        $this->addSql('ALTER TABLE gauge_capture DROP began_at');
        $this->addSql('DROP TABLE temperature_sample, cooling, thermometer');
    }
}
