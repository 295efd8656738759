<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Platform\Database\GuardedMigration;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\DriverManager;
use Doctrine\DBAL\Exception\DriverException;
use Doctrine\DBAL\Schema\Schema;
use PHPUnit\Framework\TestCase;
use Psr\Log\NullLogger;

/** A change of the tables that is cut off anywhere and run again does each of its steps once. */
final class MigrationTest extends TestCase
{
    private const STEPS = [
        'CREATE TABLE cut_off (x INT NOT NULL)',
        'INSERT INTO cut_off VALUES (1)',
        'ALTER TABLE cut_off ADD y INT DEFAULT 0 NOT NULL, ADD INDEX IDX_y (y)',
        'UPDATE cut_off SET y = y + 1',
        'ALTER TABLE cut_off CHANGE y z INT NOT NULL',
    ];

    private Connection $database;

    protected function setUp(): void
    {
        $name = posix_getpwuid(posix_geteuid())['name'] ?? '';
        // As whoever starts the app: its own account cannot change a table.
        $this->database = DriverManager::getConnection(['driver' => 'pdo_mysql', 'unix_socket' => (string) getenv('SITZPLATZ_TEST_SOCKET'), 'user' => $name, 'dbname' => 'sitzplatz_test']);
        $this->clear();
    }

    protected function tearDown(): void
    {
        $this->clear();
        $this->database->close();
    }

    private function clear(): void
    {
        $this->database->executeStatement('DROP TABLE IF EXISTS cut_off');
        $this->database->executeStatement("DELETE FROM migration_step WHERE version LIKE '%anonymous%'");
    }

    /** @param list<string> $steps */
    private function migrate(array $steps): void
    {
        $migration = new class($this->database, new NullLogger(), $steps) extends GuardedMigration {
            /** @param list<string> $steps */
            public function __construct(Connection $database, NullLogger $logger, private readonly array $steps)
            {
                parent::__construct($database, $logger);
            }

            public function up(Schema $schema): void
            {
                array_map($this->addSql(...), $this->steps);
            }
        };
        $migration->preUp(new Schema());
        $migration->up(new Schema());
    }

    public function testEachStepIsDoneOnceWhereverItWasCutOff(): void
    {
        foreach (array_keys(self::STEPS) as $cut) {
            $this->clear();
            $this->migrate(\array_slice(self::STEPS, 0, $cut + 1));
            // Killed between a change of a table and its note.
            if (1 === preg_match('/^(CREATE|ALTER)/', self::STEPS[$cut])) {
                $this->database->executeStatement("UPDATE migration_step SET done = 0 WHERE version LIKE '%anonymous%' AND step = ?", [$cut + 1]);
            }
            $this->migrate(self::STEPS);
            $this->migrate(self::STEPS);
            self::assertSame([['x' => 1, 'z' => 1]], $this->database->fetchAllAssociative('SELECT * FROM cut_off'), "Cut off at step $cut.");
        }
    }

    /** What was never begun here and is there all the same is somebody else's, and no step that was cut off. */
    public function testATableThatIsThereAlreadyIsAFault(): void
    {
        $this->database->executeStatement('CREATE TABLE cut_off (other INT)');
        $this->expectException(DriverException::class);
        $this->migrate(self::STEPS);
    }
}
