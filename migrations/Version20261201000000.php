<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Test\RunTally;
use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261201000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What was made on a sheet stands in a row, and what a profile is trusted for apart from its evidence: Choose asks for all of them.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE sheet_tally (material_id VARCHAR(40) NOT NULL, fitting_id BINARY(16) NOT NULL, made MEDIUMTEXT NOT NULL,
            INDEX IDX_sheet_tally_fitting (fitting_id), PRIMARY KEY (material_id, fitting_id)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql("ALTER TABLE profile ADD terms LONGTEXT AS (JSON_OBJECT('scope', JSON_EXTRACT(document, '$.scope'),
            'setting', JSON_EXTRACT(document, '$.setting'))) STORED");
        foreach (RunTally::rebuilding() as [$sql, $parameters]) {
            $this->addSql($sql, $parameters);
        }
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE sheet_tally');
        $this->addSql('ALTER TABLE profile DROP terms');
    }
}
