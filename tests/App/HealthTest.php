<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Account\OpenSessions;
use App\Platform\Health\DiskRoom;
use App\Platform\Health\SignsOfLife;
use App\Start\KeepCommand;
use Doctrine\DBAL\DriverManager;
use Sitzplatz\Tests\OperationRoles;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;
use Symfony\Component\Console\Input\ArrayInput;
use Symfony\Component\Console\Output\BufferedOutput;

final class HealthTest extends ApiTestCase
{
    use ClockSensitiveTrait;

    protected function tearDown(): void
    {
        unset($_SERVER['SITZPLATZ_DISK_FLOOR_MB'], $_ENV['SITZPLATZ_DISK_FLOOR_MB']);
        parent::tearDown();
    }

    public function testReadyIsMoreThanAlive(): void
    {
        $clock = self::mockTime('2026-03-01 12:00:00');
        self::assertSame('alive', $this->ask('GET', '/api/health/alive', null, 200)['status']);
        $life = self::getContainer()->get(SignsOfLife::class);
        self::assertInstanceOf(SignsOfLife::class, $life);
        $life->give(SignsOfLife::KEEPER);
        $life->give(SignsOfLife::BACKUP);
        $health = $this->ask('GET', '/api/health', null, 200);
        self::assertSame(['ready', true, true, true], [$health['status'], $health['databaseWritable'], $health['tablesCurrent'], $health['diskAboveFloor']]);
        self::assertSame([true, true, false], [$health['keeperAlive'], $health['backupFresh'], $health['gaugeReaderAlive']]);
        $clock->sleep(31);
        self::assertFalse($this->ask('GET', '/api/health', null, 200)['keeperAlive']);
        $clock->sleep(2 * 86_400);
        $health = $this->ask('GET', '/api/health', null, 200);
        self::assertSame([false, 48.0], [$health['backupFresh'], (float) $health['backupAgeHours']]);
        $this->database()->executeStatement('DELETE FROM doctrine_migration_versions ORDER BY version DESC LIMIT 1');
        $late = $this->ask('GET', '/api/health', null, 503);
        self::assertSame([503, false, 'The tables are of another version: run bin/start.'], [$late['status'], $late['tablesCurrent'], $late['detail']]);
    }

    public function testOnADiskThatIsNearlyFullNothingNewIsTakenAndEverybodyComesInAndReads(): void
    {
        $_SERVER['SITZPLATZ_DISK_FLOOR_MB'] = $_ENV['SITZPLATZ_DISK_FLOOR_MB'] = '1000000000';
        self::ensureKernelShutdown();
        parent::setUp();
        $this->signIn('technician');
        $lots = $this->ask('GET', '/api/lots', null, 200);
        $full = $this->ask('POST', '/api/lots', ['label' => 'F-1', 'materialId' => 'pla', 'name' => '', 'driedOn' => null, 'note' => ''], 507);
        self::assertMatchesRegularExpression('/^Only \d+ MB are free .* Nothing was saved/', $full['detail']);
        self::assertSame($lots, $this->ask('GET', '/api/lots', null, 200));
        self::assertFalse($this->ask('GET', '/api/health', null, 503)['diskAboveFloor']);
        // Whatever is none of this is refused before anybody looks into it.
        $goOn = [];
        foreach (OperationRoles::all(\dirname(__DIR__, 2)) as $name => [, $method, $path]) {
            if ('GET' !== $method && 'closeSession' !== $name) {
                $this->signIn('lead');
                $this->send($method, str_replace('{id}', '01a21069-0d5e-7462-8f3a-38958df615d9', $path), '{}');
                507 === $this->browser->getResponse()->getStatusCode() || $goOn[] = $name;
            }
        }
        $questions = ['choose', 'lookBeyond', 'holdSideBySide', 'diagnose', 'assessEvidence', 'reckonHeat', 'calculate', 'drawTestPiece', 'beginPlan', 'orderPlan'];
        self::assertEqualsCanonicalizing([...$questions, 'openSession', 'openDemoSession', 'endSession'], $goOn);
        $this->ask('DELETE', '/api/session', null, 204);
    }

    public function testTheReserveIsHeldWhileThereIsRoomAndNotWhereThereIsNone(): void
    {
        $this->inAFolderOfItsOwn(static function (string $folder): void {
            (new DiskRoom(1_000_000_000))->tendReserve();
            self::assertFileDoesNotExist($folder.'/reserve/room');
            (new DiskRoom(1))->tendReserve();
            self::assertSame(48 * 1_048_576, filesize($folder.'/reserve/room'));
        });
    }

    /** On a full disk the database takes no sign of life, and the room that is kept for this moment has to be given up all the same. */
    public function testTheReserveIsTendedAlsoWhereNoSignOfLifeCanBeWritten(): void
    {
        $out = DriverManager::getConnection(['driver' => 'pdo_mysql', 'host' => '127.0.0.1', 'port' => 1]);
        $clock = new class implements ClockInterface {
            public ?KeepCommand $ends = null;

            public function now(): \DateTimeImmutable
            {
                return new \DateTimeImmutable();
            }

            public function sleep(float|int $seconds): void
            {
                $this->ends?->handleSignal(\SIGTERM);
            }

            public function withTimeZone(\DateTimeZone|string $timezone): static
            {
                return $this;
            }
        };
        $sessions = self::getContainer()->get(OpenSessions::class);
        self::assertInstanceOf(OpenSessions::class, $sessions);
        $clock->ends = new KeepCommand($out, $clock, new DiskRoom(1), $sessions, new SignsOfLife($out, $clock));
        $this->inAFolderOfItsOwn(static function (string $folder) use ($clock): void {
            $clock->ends?->run(new ArrayInput([]), $said = new BufferedOutput());
            self::assertStringContainsString('Connection refused', $said->fetch());
            self::assertFileExists($folder.'/reserve/room');
        });
    }

    /** @param \Closure(string): void $try */
    private function inAFolderOfItsOwn(\Closure $try): void
    {
        $folder = sys_get_temp_dir().'/sitzplatz-reserve-'.bin2hex(random_bytes(4));
        mkdir($folder.'/reserve', 0o755, true);
        $was = $_SERVER['SITZPLATZ_VAR'] ?? null;
        $_SERVER['SITZPLATZ_VAR'] = $folder;
        try {
            $try($folder);
        } finally {
            $_SERVER['SITZPLATZ_VAR'] = $was;
            exec('rm -rf '.escapeshellarg($folder));
        }
    }
}
