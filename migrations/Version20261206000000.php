<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261206000000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'A session is found by a digest of what the browser has; whoever was in stays in.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('UPDATE session SET sess_id = SHA2(sess_id, 256)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DELETE FROM session');
    }
}
