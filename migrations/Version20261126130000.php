<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261126130000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'The runs of a comparison are counted from an index, without reading them.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE INDEX IDX_run_comparison_status ON run (comparison_id, status)');
        $this->addSql('DROP INDEX IDX_5076A4C0E4EC5411 ON run');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('CREATE INDEX IDX_5076A4C0E4EC5411 ON run (comparison_id)');
        $this->addSql('DROP INDEX IDX_run_comparison_status ON run');
    }
}
