<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261127080000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'A setup may have a lot, a first layer and an exposure of its own, and a comparison asks a kind of question.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE comparison ADD kind VARCHAR(30) NOT NULL DEFAULT 'grid'");
        $this->addSql('ALTER TABLE setup ADD lot_id BINARY(16) NULL, ADD material_id VARCHAR(40) NULL, ADD nozzle_first_c DOUBLE NULL,
            ADD gap_mm DOUBLE NULL, ADD speed_mm_s DOUBLE NULL, ADD brim VARCHAR(60) NULL, ADD exposure_s DOUBLE NULL');
        $this->addSql("UPDATE setup s JOIN comparison c ON c.id = s.comparison_id SET s.lot_id = c.lot_id, s.material_id = c.material_id,
            s.nozzle_first_c = c.nozzle_first_c, s.gap_mm = c.gap_mm, s.speed_mm_s = JSON_VALUE(c.constants, '$.firstLayerSpeedMmS'),
            s.brim = JSON_VALUE(c.constants, '$.brim')");
        $this->addSql('ALTER TABLE setup MODIFY lot_id BINARY(16) NOT NULL, MODIFY material_id VARCHAR(40) NOT NULL,
            MODIFY speed_mm_s DOUBLE NOT NULL, MODIFY brim VARCHAR(60) NOT NULL,
            ADD CONSTRAINT FK_251D5630A8CBA5F7 FOREIGN KEY (lot_id) REFERENCES lot (id), ADD INDEX IDX_251D5630A8CBA5F7 (lot_id)');
        $this->addSql('ALTER TABLE comparison ALTER kind DROP DEFAULT');
        $this->addSql('ALTER TABLE run_tally ADD exposure_s DOUBLE NULL AFTER speed_mm_s, ADD own_brim TINYINT NOT NULL AFTER exposure_s');
    }

    public function down(Schema $schema): void
    {
        // What was counted has to be counted again by the version that reads it: sitzplatz:tally --rebuild.
        $this->addSql('DELETE FROM run_tally');
        $this->addSql('ALTER TABLE run_tally DROP exposure_s, DROP own_brim');
        $this->addSql('ALTER TABLE setup DROP FOREIGN KEY FK_251D5630A8CBA5F7');
        $this->addSql('ALTER TABLE setup DROP lot_id, DROP material_id, DROP nozzle_first_c, DROP gap_mm, DROP speed_mm_s, DROP brim, DROP exposure_s');
        $this->addSql('ALTER TABLE comparison DROP kind');
    }
}
