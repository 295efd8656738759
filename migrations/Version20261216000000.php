<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261216000000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'Shims, cards and feelers are things on the shelf.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE feeler (id BINARY(16) NOT NULL, created_at DATETIME(6) NOT NULL, utc_offset_minutes SMALLINT NOT NULL,
            version INT DEFAULT 1 NOT NULL, name VARCHAR(80) NOT NULL, thickness_mm DOUBLE PRECISION NOT NULL, gives_mm DOUBLE PRECISION NOT NULL,
            drag VARCHAR(60) NOT NULL, retired TINYINT NOT NULL, PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE feeler');
    }
}
