<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Evidence\LearnedShop;
use App\Test\RunTally;
use Sitzplatz\Choose\Expectation\OwnRuns;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Component\Console\Tester\CommandTester;
use Symfony\Component\Uid\Uuid;

/** What is counted for speed is what the runs themselves give, whatever is done to them. */
final class TallyTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('technician');
    }

    public function testTheTalliesOfTheDemoAreRight(): void
    {
        self::assertSame(0, $this->tally()->wrong());
        self::assertGreaterThan(10, $this->rowsIn('run_tally'));
        $done = $this->database()->fetchOne('SELECT COUNT(*) FROM run WHERE finished_at IS NOT NULL');
        self::assertEquals($done, $this->database()->fetchOne('SELECT SUM(times) FROM run_tally'));
        self::assertEquals($done, $this->database()->fetchOne('SELECT SUM(runs) FROM side_tally'));
    }

    public function testTheyFollowAmendmentsAndVoidRuns(): void
    {
        $before = $this->held();
        $run = $this->database()->fetchAssociative("SELECT r.id, r.version, v.id AS reading FROM run r JOIN part p ON p.run_id = r.id JOIN standing s ON s.part_id = p.id AND s.measure = 'held'
            JOIN reading v ON v.id = s.reading_id JOIN comparison c ON c.id = r.comparison_id WHERE r.status = 'done' AND r.held = 1 AND c.status = 'running' ORDER BY r.id LIMIT 1");
        self::assertIsArray($run);
        $reading = Uuid::fromBinary((string) $run['reading'])->toRfc4122();
        $this->ask('POST', "/api/readings/$reading/amendments", ['value' => 0, 'unit' => '', 'atLeast' => false, 'reason' => 'it had lifted', 'outcome' => 'lifted'], 201);
        self::assertSame(0, $this->tally()->wrong());
        self::assertSame($before - 1, $this->held());
        $this->signIn('lead');
        $id = Uuid::fromBinary((string) $run['id'])->toRfc4122();
        $version = $this->ask('GET', "/api/runs/$id", null, 200)['run']['version'];
        $this->ask('POST', "/api/runs/$id/void", ['version' => $version, 'reason' => 'was knocked'], 200);
        self::assertSame(0, $this->tally()->wrong());
        self::assertSame(1, $this->database()->fetchOne("SELECT CAST(SUM(times) AS INT) FROM run_tally WHERE void = 1 AND outcomes LIKE '0,%' AND fitting_id = (SELECT fitting_id FROM run WHERE id = ?)", [$run['id']]));
    }

    public function testAChangeToAPrinterPartsWhatWasMadeBeforeFromWhatWasMadeAfter(): void
    {
        $run = $this->database()->fetchAssociative(
            'SELECT c.printer_id, MIN(r.finished_at) AS first, MAX(r.finished_at) AS last FROM run r JOIN comparison c ON c.id = r.comparison_id
             WHERE r.finished_at IS NOT NULL GROUP BY c.printer_id ORDER BY COUNT(*) DESC LIMIT 1',
        );
        self::assertIsArray($run);
        $printer = Uuid::fromBinary((string) $run['printer_id']);
        $epochs = fn (): int => (int) $this->database()->fetchOne('SELECT COUNT(DISTINCT epoch) FROM run_tally WHERE printer_id = ?', [$printer->toBinary()]);
        $before = $epochs();
        $first = new \DateTimeImmutable((string) $run['first'], new \DateTimeZone('UTC'));
        $during = (new \DateTimeImmutable((string) $run['last'], new \DateTimeZone('UTC')))->modify('-1 second');
        self::assertGreaterThan($first, $during);
        $candidates = fn (): array => $this->ask('POST', '/api/choose', [
            'materialId' => 'pla', 'printerId' => $printer->toRfc4122(), 'lotId' => null, 'roomC' => 20, 'partCount' => 1, 'jobMinutes' => null,
        ], 200)['candidates'];
        $wide = static fn (array $found): float => max(0.0, ...array_map(
            static fn (array $each): float => 'P1 front, bare' === $each['label'] ? $each['hold']['range90'][1] - $each['hold']['range90'][0] : 0.0,
            $found,
        ));
        $held = static fn (array $found): int => array_sum(array_column(array_merge(...array_column($found, 'ownRuns')), 'held'));
        $usual = $candidates();
        $learned = self::getContainer()->get(LearnedShop::class);
        self::assertInstanceOf(LearnedShop::class, $learned);
        $learned->learn();
        $usual = $candidates();
        $fault = ['kind' => 'machine_fault', 'note' => '', 'from' => $first->modify('-1 hour')->format(\DATE_ATOM)];
        $this->ask('POST', "/api/printers/$printer/changes", ['until' => $during->format(\DATE_ATOM)] + $fault, 201);
        self::assertGreaterThan($before, $epochs());
        self::assertSame(0, $this->tally()->wrong());
        self::assertLessThan($held($usual), $held($candidates()), 'What a faulty machine made says nothing.');
        $this->ask('POST', "/api/printers/$printer/changes", ['kind' => 'nozzle', 'note' => ''], 201);
        self::assertSame(0, $this->tally()->wrong());
        self::assertGreaterThan($wide($usual) + 0.005, $wide($candidates()), 'Of a printer with another nozzle less is known.');
    }

    public function testWhatIsDoneToASideAndAStockIsFollowed(): void
    {
        $this->signIn('lead');
        $side = $this->side('P1 front');
        $of = fn (): array => $this->database()->fetchAssociative('SELECT since_wash, washed_at FROM side_tally WHERE side_id = ?', [Uuid::fromString($side)->toBinary()]) ?: [];
        $this->ask('POST', "/api/plate-sides/$side/care", ['kind' => 'wash', 'agentId' => null, 'note' => ''], 201);
        self::assertSame(0, (int) $of()['since_wash']);
        $agent = $this->database()->fetchAssociative('SELECT a.id, a.kind_id FROM agent_stock a JOIN setup s ON s.agent_id = a.id JOIN run r ON r.setup_id = s.id AND r.finished_at IS NOT NULL LIMIT 1');
        self::assertIsArray($agent);
        $row = $this->pick('/api/agents', 'id', Uuid::fromBinary((string) $agent['id'])->toRfc4122());
        $kinds = array_column($this->ask('GET', '/api/catalogue', null, 200)['agents'], 'id');
        $other = array_values(array_diff($kinds, [$row['kindId']]))[0];
        $this->ask('PUT', '/api/agents/'.$row['id'], ['kindId' => $other] + array_diff_key($row, ['id' => 1]), 200);
        self::assertGreaterThan(0, (int) $this->database()->fetchOne('SELECT COUNT(*) FROM run_tally WHERE agent_kind_id = ?', [$other]));
        self::assertSame(0, $this->tally()->wrong());
    }

    public function testAWrongTallyIsFoundAndCountedAgain(): void
    {
        $this->database()->executeStatement('UPDATE side_tally SET damages = damages + 1 LIMIT 1');
        self::assertSame(2, $this->tally()->wrong(), 'One as it is, one as it should be.');
        $this->tally()->rebuild();
        $this->database()->executeStatement("UPDATE sheet_tally SET made = '[]' LIMIT 1");
        self::assertSame(2, $this->tally()->wrong());
        $this->tally()->rebuild();
        $this->database()->executeStatement('UPDATE run_tally SET times = times + 1 LIMIT 1');
        $this->database()->executeStatement('UPDATE setup_tally SET pulls = pulls + 1 LIMIT 1');
        $command = new CommandTester((new Application(self::$kernel ?? self::fail()))->find('sitzplatz:tally'));
        self::assertSame(1, $command->execute([]));
        self::assertStringContainsString('not what the runs give', $command->getDisplay());
        self::assertSame(0, $command->execute(['--rebuild' => true]));
        self::assertSame(0, $command->execute([]));
        self::assertStringContainsString('right', $command->getDisplay());
        $profile = $this->database()->fetchOne("SELECT id FROM profile WHERE status = 'validated' LIMIT 1");
        $this->database()->executeStatement("REPLACE INTO profile_tally (profile_id, drift, drifted_on) VALUES (?, 'hold', '2026-01-01')", [$profile]);
        self::assertSame(1, $command->execute([]), 'What was learned of prints is held against them, too.');
        self::assertStringContainsString('1 group', $command->getDisplay());
        self::assertSame(0, $command->execute(['--rebuild' => true]));
        self::assertSame(0, $command->execute([]));
    }

    public function testProfilesComePageByPageAndAreFound(): void
    {
        $like = $this->database()->fetchAssociative("SELECT * FROM profile WHERE title = 'House grey PLA on textured P1'");
        self::assertIsArray($like);
        unset($like['terms']);
        for ($i = 0; $i < 60; ++$i) {
            $this->database()->insert('profile', ['id' => $id = Uuid::v7()->toBinary(), 'series' => $id, 'title' => "Shelf 100% copy $i", 'created_at' => '2026-01-01 00:00:00'] + $like);
        }
        $first = $this->ask('GET', '/api/profiles', null, 200);
        self::assertCount(50, $first);
        $second = $this->ask('GET', '/api/profiles?after='.$first[49]['id'], null, 200);
        self::assertCount(13, $second);
        self::assertCount(63, array_unique([...array_column($first, 'id'), ...array_column($second, 'id')]));
        self::assertCount(1, $this->ask('GET', '/api/profiles?find='.rawurlencode('copy 100% textured 59'), null, 200));
        self::assertNotSame([], $this->ask('GET', '/api/profiles?find='.rawurlencode('grey P1 front'), null, 200), 'By the side that it was proven on.');
        self::assertSame([], $this->ask('GET', '/api/profiles?find=100_', null, 200), 'A sign of the search is a sign.');
        $this->ask('GET', '/api/profiles?after=gone', null, 422);
    }

    private function tally(): RunTally
    {
        $tally = self::getContainer()->get(RunTally::class);
        self::assertInstanceOf(RunTally::class, $tally);

        return $tally;
    }

    private function held(): int
    {
        $held = 0;
        foreach ($this->database()->fetchFirstColumn('SELECT outcomes FROM run_tally WHERE void = 0') as $outcomes) {
            $held += OwnRuns::tallied((string) $outcomes)[1];
        }

        return $held;
    }
}
