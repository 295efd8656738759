<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261204000000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'Under which conditions a group of a sheet was made stands in one piece.';
    }

    public function up(Schema $schema): void
    {
        // A later version draws them together again, in its own way.
        $this->addSql('DELETE FROM sheet_tally');
    }

    public function down(Schema $schema): void
    {
        // The version before draws them together in its own way: sitzplatz:tally --rebuild.
        $this->addSql('DELETE FROM sheet_tally');
    }
}
