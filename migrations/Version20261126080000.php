<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261126080000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'Says of plate and printer what holds the one on the other, how far the nozzle reaches, and what a sheet stood in a soak test.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE plate ADD held_by VARCHAR(10) DEFAULT 'clips' NOT NULL, ADD round TINYINT(1) DEFAULT 0 NOT NULL");
        $this->addSql("UPDATE plate SET held_by = CASE WHEN fixed = 1 THEN 'glue' WHEN magnetic = 1 THEN 'magnet' ELSE 'clips' END");
        $this->addSql('ALTER TABLE plate ALTER held_by DROP DEFAULT, ALTER round DROP DEFAULT, DROP magnetic, DROP fixed');
        $this->addSql(<<<'SQL'
            ALTER TABLE printer ADD holds JSON DEFAULT '[]' NOT NULL, ADD clips_open_mm DOUBLE PRECISION DEFAULT NULL,
                ADD print_width_mm DOUBLE PRECISION DEFAULT NULL, ADD print_depth_mm DOUBLE PRECISION DEFAULT NULL,
                ADD bed_round TINYINT(1) DEFAULT 0 NOT NULL, ADD heater_area_cm2 DOUBLE PRECISION DEFAULT NULL,
                ADD board_heater TINYINT(1) DEFAULT 0 NOT NULL
            SQL);
        $this->addSql('ALTER TABLE printer ALTER holds DROP DEFAULT, ALTER bed_round DROP DEFAULT, ALTER board_heater DROP DEFAULT');
        $this->addSql('ALTER TABLE fitting ADD soak_c DOUBLE PRECISION DEFAULT NULL');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE fitting DROP soak_c');
        $this->addSql(<<<'SQL'
            ALTER TABLE printer DROP holds, DROP clips_open_mm, DROP print_width_mm, DROP print_depth_mm, DROP bed_round,
                DROP heater_area_cm2, DROP board_heater
            SQL);
        $this->addSql('ALTER TABLE plate ADD magnetic TINYINT(1) DEFAULT 0 NOT NULL, ADD fixed TINYINT(1) DEFAULT 0 NOT NULL');
        $this->addSql("UPDATE plate SET magnetic = held_by = 'magnet', fixed = held_by IN ('glue', 'screws')");
        $this->addSql('ALTER TABLE plate DROP held_by, DROP round');
    }
}
