<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261215000000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'A soak test keeps its forces, and a printer how hard it slings its bed.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE printer ADD magnet_before_n JSON DEFAULT '[]' NOT NULL, ADD magnet_after_n JSON DEFAULT '[]' NOT NULL,
            ADD bed_accel_mm_s2 DOUBLE PRECISION DEFAULT NULL");
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE printer DROP COLUMN magnet_before_n, DROP COLUMN magnet_after_n, DROP COLUMN bed_accel_mm_s2');
    }
}
