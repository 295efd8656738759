<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261126060000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'A comparison freezes by what it judges; what was planned before is judged by the mean at one look, as it was.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE comparison ADD proof JSON DEFAULT NULL');
        $this->addSql(<<<'SQL'
            UPDATE comparison SET
                proof = JSON_OBJECT('criterion', 'mean', 'share', 0.8, 'design', 'fixed', 'measures', JSON_ARRAY('pull'), 'scaleStepN', 0.1, 'visits', 2, 'plateStays', FALSE),
                limits = JSON_INSERT(limits, '$.liftAtMostMm', NULL, '$.liftBy', 'mean_of_ends')
            SQL);
        $this->addSql('ALTER TABLE setup ADD expected_hold DOUBLE PRECISION DEFAULT NULL, ADD expected_release DOUBLE PRECISION DEFAULT NULL');
        $this->addSql('ALTER TABLE comparison MODIFY proof JSON NOT NULL');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE setup DROP expected_hold, DROP expected_release');
        $this->addSql('ALTER TABLE comparison DROP proof');
    }
}
