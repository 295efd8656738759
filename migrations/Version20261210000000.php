<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261210000000 extends GuardedMigration
{
    /** Of groups of runs: in what they were unlike is a matter of the learned model. */
    private const GONE = [
        'lot_id' => 'BINARY(16) DEFAULT NULL',
        'bed_other_c' => 'DOUBLE PRECISION DEFAULT NULL',
        'nozzle_mm' => 'DOUBLE PRECISION DEFAULT NULL',
        'nozzle_first_c' => 'DOUBLE PRECISION DEFAULT NULL',
        'speed_mm_s' => 'DOUBLE PRECISION DEFAULT NULL',
        'has_enclosure' => 'TINYINT(1) DEFAULT 0 NOT NULL',
        'chamber_c' => 'DOUBLE PRECISION DEFAULT NULL',
        'room_c' => 'DOUBLE PRECISION DEFAULT NULL',
        'many' => 'INT DEFAULT 1 NOT NULL',
        'about' => 'INT DEFAULT NULL',
    ];

    public function getDescription(): string
    {
        return 'What moved a chance is kept with what was printed, and what was learned of each material; runs are counted by where and how warm they were made.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('DROP TABLE record_tally');
        $this->addSql('DROP TABLE learned_told');
        $this->addSql('ALTER TABLE job DROP INDEX IDX_job_record, DROP COLUMN uncorrected_chance, DROP COLUMN record_class, ADD measures JSON DEFAULT NULL');
        $this->addSql('ALTER TABLE setup ADD measures JSON DEFAULT NULL');
        $this->addSql('DELETE FROM sheet_tally');
        $this->addSql('DELETE FROM run_tally');
        $this->addSql('ALTER TABLE run_tally '.implode(', ', array_map(static fn (string $column): string => "DROP COLUMN $column", array_keys(self::GONE))));
        $this->addSql("CREATE TABLE learned_material (success VARCHAR(10) NOT NULL, material_id VARCHAR(40) NOT NULL COLLATE 'utf8mb4_bin', known LONGBLOB NOT NULL,
            PRIMARY KEY (success, material_id)) DEFAULT CHARACTER SET utf8mb4");
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE learned_material');
        // The version before counts in its own way: sitzplatz:tally --rebuild.
        $this->addSql('DELETE FROM sheet_tally');
        $this->addSql('DELETE FROM run_tally');
        $this->addSql('ALTER TABLE run_tally '.implode(', ', array_map(
            static fn (string $column, string $type): string => "ADD $column $type",
            array_keys(self::GONE),
            self::GONE,
        )));
        $this->addSql('ALTER TABLE setup DROP COLUMN measures');
        $this->addSql('ALTER TABLE job DROP COLUMN measures, ADD uncorrected_chance DOUBLE PRECISION DEFAULT NULL, ADD record_class SMALLINT DEFAULT NULL,
            ADD INDEX IDX_job_record (record_class, status, answered_at)');
        $this->addSql('CREATE TABLE learned_told (id SMALLINT NOT NULL, prints INT NOT NULL, brier DOUBLE PRECISION NOT NULL, log DOUBLE PRECISION NOT NULL,
            said_brier DOUBLE PRECISION NOT NULL, said_log DOUBLE PRECISION NOT NULL, PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE TABLE record_tally (record_class SMALLINT NOT NULL, prints INT NOT NULL, alpha DOUBLE PRECISION NOT NULL, beta DOUBLE PRECISION NOT NULL,
            PRIMARY KEY (record_class)) DEFAULT CHARACTER SET utf8mb4');
    }
}
