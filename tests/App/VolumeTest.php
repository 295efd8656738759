<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Platform\Database\KeyedPage;
use App\Test\RunTally;
use Doctrine\DBAL\Connection;

/** With thousands of runs no page reads a whole table of what grows: by the plans that the database says it would follow. */
final class VolumeTest extends ApiTestCase
{
    private const RUNS = 5000;
    /** Tables that grow with every day of work. */
    private const GROWING = ['run', 'part', 'standing', 'reading', 'audit_entry', 'gauge_sample', 'temperature_sample', 'job'];
    private const MOST_ROWS = 1000;

    private static ?string $database = null;

    protected function setUp(): void
    {
        self::$database = (string) ($_SERVER['SITZPLATZ_DATABASE_URL'] ?? '');
        self::point(str_replace('/sitzplatz_test', '/sitzplatz_volume', self::$database));
        parent::setUp();
    }

    protected function tearDown(): void
    {
        parent::tearDown();
        self::point((string) self::$database);
    }

    private static function point(string $url): void
    {
        $_SERVER['SITZPLATZ_DATABASE_URL'] = $_ENV['SITZPLATZ_DATABASE_URL'] = $url;
        putenv('SITZPLATZ_DATABASE_URL='.$url);
    }

    public function testNoPageReadsAWholeTableOfWhatGrows(): void
    {
        $database = $this->database();
        self::assertSame('sitzplatz_volume', $database->fetchOne('SELECT DATABASE()'));
        $database->rollBack();
        $this->fill();
        // The plans are those of an optimizer that has looked at the tables.
        $database->fetchAllAssociative('ANALYZE TABLE '.implode(', ', self::GROWING).', comparison, setup, profile, run_tally, setup_tally, side_tally, care_event');
        self::assertGreaterThanOrEqual(self::RUNS, (int) $database->fetchOne('SELECT COUNT(*) FROM run'));
        $database->beginTransaction();

        $this->signIn('technician');
        $comparison = $this->ask('GET', '/api/verdicts', null, 200)[0]['id'];
        $run = $this->ask('GET', "/api/comparisons/$comparison", null, 200)['runs'][0]['id'];
        $profile = $this->ask('GET', '/api/profiles', null, 200)[0]['id'];
        $printer = $this->pick('/api/printers', 'kind', 'filament')['id'];
        $part = ['contactAreaMm2' => 752, 'outlineMm' => 210, 'spanMm' => 100, 'barWidthMm' => 8, 'heightMm' => 15];
        $seen = self::getContainer()->get(SeenSql::class);
        self::assertInstanceOf(SeenSql::class, $seen);
        $seen->listens = true;
        foreach ([
            '/api/session', '/api/bench', '/api/overview', '/api/comparisons', '/api/comparisons?find=petg', '/api/verdicts', '/api/verdicts?find=petg', '/api/find?words=p1', "/api/profiles?materialId=pla&printerId=$printer&status=validated", "/api/comparisons/$comparison", "/api/comparisons/$comparison/judgement",
            "/api/comparisons/$comparison/table", "/api/runs/$run", '/api/plates', '/api/plates?find=pei&retired=false', '/api/plate-sides', '/api/lots', '/api/lots/in-use', '/api/profiles', '/api/profiles?find=pla', "/api/profiles/$profile", "/api/profiles/$profile/assessment",
            '/api/jobs', '/api/jobs?status=open', '/api/jobs?find=part', '/api/jobs/came-true', '/api/learned', '/api/benches', '/api/care', '/api/catalogue/pairs', '/api/catalogue/pairs/pla/pei_textured',
        ] as $path) {
            self::assertSame(200, $this->send('GET', $path, null)->getStatusCode(), $path);
        }
        foreach ([$printer, null] as $on) {
            $this->ask('POST', '/api/choose', ['materialId' => 'pla', 'printerId' => $on, 'lotId' => null, 'roomC' => 20, 'partCount' => 1, 'jobMinutes' => null, 'part' => $part], 200);
        }
        $this->ask('PUT', '/api/bench/printer', ['printerId' => $printer], 200);
        $seen->listens = false;
        self::assertGreaterThan(40, \count($seen->reads));

        $whole = [];
        foreach ($seen->reads as $sql => $parameters) {
            foreach (self::explained($database, $sql, $parameters) as $step) {
                $table = self::table($sql, (string) $step['table']);
                if (\in_array($step['type'], ['ALL', 'index'], true) && \in_array($table, self::GROWING, true) && (int) $step['rows'] > self::MOST_ROWS) {
                    $whole[] = "{$step['type']} of {$step['rows']} rows of $table: ".preg_replace('/\s+/', ' ', $sql);
                }
            }
        }
        self::assertSame([], $whole);
        foreach (['/api/plates' => 'number', '/api/lots' => 'label'] as $path => $name) {
            $this->aShelfComesPageByPage($path, $name);
        }
        $this->aSideIsCountedFromItsOwnPrints($this->database());
    }

    /** By the rows that the database touches, as a plan says nothing of what is done again with every print. */
    private function aSideIsCountedFromItsOwnPrints(Connection $database): void
    {
        $busiest = $database->fetchAssociative('SELECT s.id, COUNT(*) AS prints
            FROM plate_side s JOIN (SELECT fitting_id FROM run UNION ALL SELECT fitting_id FROM job) p ON p.fitting_id = s.fitting_id GROUP BY s.id ORDER BY prints DESC LIMIT 1');
        self::assertIsArray($busiest);
        self::assertGreaterThan(100, $busiest['prints']);
        $tally = self::getContainer()->get(RunTally::class);
        self::assertInstanceOf(RunTally::class, $tally);
        $touched = static fn (): int => array_sum(array_map(intval(...), $database->fetchAllKeyValue("SHOW SESSION STATUS LIKE 'Handler_read%'")));
        $before = $touched();
        $tally->recountSide($busiest['id']);
        // Its runs by the index, its prints for use by the month: one by one only what came after its last care.
        self::assertLessThan($busiest['prints'], $touched() - $before);
        $counted = [];
        foreach ($database->iterateAssociative("SELECT s.id, t.washed_at, t.coated_at, p.at, p.held, p.damage
            FROM plate_side s JOIN side_tally t ON t.side_id = s.id LEFT JOIN (
                SELECT fitting_id, finished_at AS at, held, damage FROM run WHERE finished_at IS NOT NULL
                UNION ALL SELECT fitting_id, answered_at, outcome = 'held', damaged FROM job WHERE status = 'answered') p ON p.fitting_id = s.fitting_id") as $row) {
            $of = $counted[bin2hex($row['id'])] ?? ['runs' => 0, 'since_wash' => 0, 'on_coat' => 0, 'damages' => 0, 'last_held' => null, 'last_print' => null];
            $after = static fn (?string $care): int => null !== $row['at'] && $row['at'] > $care ? 1 : 0;
            $counted[bin2hex($row['id'])] = [
                'runs' => $of['runs'] + $after(null),
                'since_wash' => $of['since_wash'] + $after($row['washed_at']),
                'on_coat' => $of['on_coat'] + (null === $row['coated_at'] ? 0 : $after($row['coated_at'])),
                'damages' => $of['damages'] + (int) $row['damage'],
                'last_held' => 1 === (int) $row['held'] ? max($of['last_held'], $row['at']) : $of['last_held'],
                'last_print' => max($of['last_print'], $row['at']),
            ];
        }
        foreach ($database->fetchAllAssociativeIndexed('SELECT HEX(side_id), runs, since_wash, on_coat, damages, last_held, last_print FROM side_tally') as $side => $kept) {
            $kept['on_coat'] = array_sum(array_map(static fn (string $one): int => (int) substr((string) strrchr($one, ','), 1), explode(';', (string) $kept['on_coat'])));
            self::assertEquals($counted[strtolower((string) $side)], $kept);
        }
        foreach (['since_wash', 'on_coat', 'damages'] as $figure) {
            self::assertGreaterThan(0, array_sum(array_column($counted, $figure)));
        }
    }

    private function aShelfComesPageByPage(string $path, string $name): void
    {
        $all = $inUse = [];
        foreach (['true', 'false'] as $retired) {
            $after = '';
            do {
                $page = $this->ask('GET', "$path?retired=$retired".('' === $after ? '' : "&after=$after"), null, 200);
                self::assertLessThanOrEqual(KeyedPage::AT_ONCE, \count($page));
                $names = 'true' === $retired ? $all = [...$all, ...array_column($page, $name)] : $inUse = [...$inUse, ...array_column($page, $name)];
                $after = $page[KeyedPage::AT_ONCE - 1]['id'] ?? '';
            } while ('' !== $after);
            $sorted = $names;
            natsort($sorted);
            self::assertSame(array_values($sorted), $names, 'P2 comes before P10.');
        }
        self::assertCount(\count(array_unique($all)), $all);
        self::assertGreaterThan(KeyedPage::AT_ONCE, \count($all));
        self::assertGreaterThan(\count($inUse), \count($all), 'What is retired is there where it is asked for.');
        self::assertSame([], array_diff($inUse, $all));
        $last = $all[\count($all) - 1];
        self::assertContains($last, array_column($this->ask('GET', "$path?find=".rawurlencode($last), null, 200), $name), 'It is found without going through the pages.');
    }

    public function testAPageIsAsLongAsTheContractAndTheInterfaceTakeIt(): void
    {
        self::assertStringContainsString('const PAGE = '.KeyedPage::AT_ONCE.';', (string) file_get_contents(\dirname(__DIR__, 2).'/web/src/ui/useFound.ts'));
        $contract = (string) file_get_contents(\dirname(__DIR__, 2).'/docs/openapi.yaml');
        foreach (['listPlates', 'listLots', 'listProfiles', 'listComparisons', 'listJobs'] as $operation) {
            self::assertMatchesRegularExpression("/operationId: $operation, .*maxItems: ".KeyedPage::AT_ONCE.', items/', $contract);
        }
    }

    /** As an operator would, in processes of their own. */
    private function fill(): void
    {
        foreach (['sitzplatz:demo:load --quiet --without-year', 'sitzplatz:load-volume --runs='.self::RUNS] as $command) {
            exec(\PHP_BINARY.' -d memory_limit=1G '.escapeshellarg(\dirname(__DIR__, 2).'/bin/console')." $command 2>&1", $output, $code);
            self::assertSame(0, $code, implode("\n", $output));
        }
    }

    /**
     * @param array<mixed> $parameters
     *
     * @return list<array<string, mixed>>
     */
    private static function explained(Connection $database, string $sql, array $parameters): array
    {
        $quoted = static fn (mixed $value): string => match (true) {
            null === $value => 'NULL',
            \is_int($value), \is_float($value) => (string) $value,
            \is_bool($value) => $value ? '1' : '0',
            // A key is sent as it is stored; a text has to stay one, or no index on text is of use.
            \is_string($value) => 1 === preg_match('/^[\x20-\x7e]*$/', $value) ? $database->quote($value) : "X'".bin2hex($value)."'",
            default => throw new \LogicException('No such parameter.'),
        };
        ksort($parameters);
        $parts = explode('?', $sql);
        $filled = array_shift($parts);
        foreach ($parts as $i => $part) {
            $filled .= $quoted(array_values($parameters)[$i] ?? null).$part;
        }

        return $database->fetchAllAssociative('EXPLAIN '.$filled);
    }

    /** The table behind an alias. */
    private static function table(string $sql, string $alias): string
    {
        return 1 === preg_match('/(?:FROM|JOIN|,)\s+`?(\w+)`?\s+(?:AS\s+)?'.preg_quote($alias, '/').'\b/i', $sql, $found) ? $found[1] : $alias;
    }
}
