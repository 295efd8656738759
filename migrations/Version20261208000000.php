<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261208000000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'What the shop has learned from its runs and prints.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE learned (success VARCHAR(10) NOT NULL, learned_at DATETIME(6) NOT NULL, last_answer_at DATETIME(6) NOT NULL, answers INT NOT NULL,
            lessons LONGTEXT NOT NULL, PRIMARY KEY (success)) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE INDEX IDX_job_answered ON job (status, answered_at)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP INDEX IDX_job_answered ON job');
        $this->addSql('DROP TABLE learned');
    }
}
