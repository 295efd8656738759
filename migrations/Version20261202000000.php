<?php

declare(strict_types=1);

namespace App\Migrations;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Schema\Schema;

final class Version20261202000000 extends GuardedMigration
{
    public function getDescription(): string
    {
        return 'Who is signed in where, and when each part of the app last gave a sign of life.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE open_session (id BINARY(16) NOT NULL, created_at DATETIME(6) NOT NULL, utc_offset_minutes SMALLINT NOT NULL, user_id BINARY(16) NOT NULL,
            seen_at DATETIME(6) NOT NULL, address VARCHAR(64) NOT NULL, handheld TINYINT(1) NOT NULL, ended_at DATETIME(6) DEFAULT NULL,
            INDEX IDX_open_session_user (user_id, ended_at), INDEX IDX_open_session_begun (created_at), PRIMARY KEY (id),
            CONSTRAINT FK_open_session_user FOREIGN KEY (user_id) REFERENCES user_account (id) ON DELETE CASCADE) DEFAULT CHARACTER SET utf8mb4');
        $this->addSql('CREATE TABLE sign_of_life (name VARCHAR(40) NOT NULL, at DATETIME(6) NOT NULL, PRIMARY KEY (name)) DEFAULT CHARACTER SET utf8mb4');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE open_session');
        $this->addSql('DROP TABLE sign_of_life');
    }
}
