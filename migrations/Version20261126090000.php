<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261126090000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'A lot carries what its label recommends, a wash what it was done with.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE lot ADD label_bed_c DOUBLE PRECISION DEFAULT NULL, ADD label_nozzle_c DOUBLE PRECISION DEFAULT NULL');
        $this->addSql('ALTER TABLE care_event ADD cleaner_id VARCHAR(40) DEFAULT NULL');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE care_event DROP cleaner_id');
        $this->addSql('ALTER TABLE lot DROP label_bed_c, DROP label_nozzle_c');
    }
}
