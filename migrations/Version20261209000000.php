<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261209000000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'How near to what came the chances are that would have been said by what is learned.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE learned_told (id SMALLINT NOT NULL, prints INT NOT NULL, brier DOUBLE PRECISION NOT NULL, log DOUBLE PRECISION NOT NULL,
            said_brier DOUBLE PRECISION NOT NULL, said_log DOUBLE PRECISION NOT NULL, PRIMARY KEY (id)) DEFAULT CHARACTER SET utf8mb4');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE learned_told');
    }
}
