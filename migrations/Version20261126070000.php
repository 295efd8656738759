<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261126070000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'A shop says in which order it climbs the ladder of trust.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE shop_setting ADD ladder VARCHAR(20) DEFAULT 'heat_first' NOT NULL");
        $this->addSql('ALTER TABLE shop_setting ALTER ladder DROP DEFAULT');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE shop_setting DROP ladder');
    }
}
