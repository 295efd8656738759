<?php

declare(strict_types=1);

namespace App\Platform\Health;

use App\Platform\Http\Problem;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception as DatabaseException;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\Routing\Attribute\Route;

/** Whether the app lives, and whether it can do its work; asked by the start command and by whoever watches over the machine. */
final readonly class HealthController
{
    private const FRESH_SECONDS = 30;
    private const BACKUP_DAYS = 2;
    private const WRONG = [
        'databaseWritable' => 'The database takes nothing.',
        'tablesCurrent' => 'The tables are of another version: run bin/start.',
        'diskAboveFloor' => 'The disk is nearly full: make room.',
    ];

    public function __construct(
        private Connection $database,
        private SignsOfLife $life,
        private DiskRoom $room,
        private string $projectDir,
    ) {
    }

    #[Route('/api/health/alive', name: 'alive', methods: ['GET'])]
    public function alive(): JsonResponse
    {
        return new JsonResponse(['status' => 'alive', 'start' => self::start()]);
    }

    /** What keeps it from working makes it not ready; what only worries somebody is said and no more. */
    #[Route('/api/health', name: 'health', methods: ['GET'])]
    public function health(): JsonResponse
    {
        try {
            $this->life->give('health');
            $ages = $this->life->ages();
            $checks = ['databaseWritable' => true, 'tablesCurrent' => $this->tablesCurrent()];
        } catch (DatabaseException) {
            $ages = [];
            $checks = ['databaseWritable' => false, 'tablesCurrent' => false];
        }
        $checks['diskAboveFloor'] = !$this->room->isLow();
        $ready = !\in_array(false, $checks, true);
        $fresh = static fn (string $name): bool => ($ages[$name] ?? \PHP_INT_MAX) <= self::FRESH_SECONDS;

        $said = [
            'start' => self::start(),
            ...$checks,
            'diskFreeMb' => $this->room->freeMb(),
            'keeperAlive' => $fresh(SignsOfLife::KEEPER),
            'gaugeReaderAlive' => $fresh(SignsOfLife::GAUGE),
            'thermometerReaderAlive' => $fresh(SignsOfLife::THERMOMETER),
            'backupAgeHours' => isset($ages[SignsOfLife::BACKUP]) ? round($ages[SignsOfLife::BACKUP] / 3600, 1) : null,
            'backupFresh' => ($ages[SignsOfLife::BACKUP] ?? \PHP_INT_MAX) <= self::BACKUP_DAYS * 86_400,
        ];
        if (!$ready) {
            $wrong = array_intersect_key(self::WRONG, array_filter($checks, static fn (bool $fine): bool => !$fine));

            throw new Problem(503, 'Not ready', implode(' ', $wrong), more: $said);
        }

        return new JsonResponse(['status' => 'ready', ...$said]);
    }

    /** The word of this start, by which the start command knows its own. */
    private static function start(): string
    {
        return (string) getenv('SITZPLATZ_STARTED');
    }

    private function tablesCurrent(): bool
    {
        $files = glob($this->projectDir.'/migrations/Version*.php') ?: [];
        $known = array_map(static fn (string $file): string => 'App\\Migrations\\'.basename($file, '.php'), $files);
        $done = $this->database->fetchFirstColumn('SELECT version FROM doctrine_migration_versions');

        return [] === array_diff($known, $done);
    }
}
