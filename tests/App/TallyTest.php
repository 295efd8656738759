<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Test\RunTally;
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
        self::assertGreaterThan(20, $this->rowsIn('run_tally'));
        $done = $this->database()->fetchOne('SELECT COUNT(*) FROM run WHERE finished_at IS NOT NULL');
        self::assertEquals($done, $this->database()->fetchOne('SELECT SUM(times) FROM run_tally'));
        self::assertEquals($done, $this->database()->fetchOne('SELECT SUM(runs) FROM sheet_tally'));
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
        self::assertSame(1, $this->database()->fetchOne('SELECT CAST(SUM(times) AS INT) FROM run_tally WHERE void = 1 AND held = 0 AND fitting_id = (SELECT fitting_id FROM run WHERE id = ?)', [$run['id']]));
    }

    public function testAWrongTallyIsFoundAndCountedAgain(): void
    {
        $this->database()->executeStatement('UPDATE sheet_tally SET damages = damages + 1 LIMIT 1');
        self::assertSame(2, $this->tally()->wrong(), 'One as it is, one as it should be.');
        $this->tally()->rebuild();
        $this->database()->executeStatement('UPDATE run_tally SET times = times + 1 LIMIT 1');
        $this->database()->executeStatement('UPDATE setup_tally SET pulls = pulls + 1 LIMIT 1');
        $command = new CommandTester((new Application(self::$kernel ?? self::fail()))->find('sitzplatz:tally'));
        self::assertSame(1, $command->execute([]));
        self::assertStringContainsString('not what the runs give', $command->getDisplay());
        self::assertSame(0, $command->execute(['--rebuild' => true]));
        self::assertSame(0, $command->execute([]));
        self::assertStringContainsString('right', $command->getDisplay());
    }

    public function testProfilesComePageByPageAndAreFound(): void
    {
        $like = $this->database()->fetchAssociative("SELECT * FROM profile WHERE title = 'House grey PLA on textured P1'");
        self::assertIsArray($like);
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
        $held = $this->database()->fetchOne('SELECT SUM(times) FROM run_tally WHERE held = 1 AND void = 0');

        return is_numeric($held) ? (int) $held : 0;
    }
}
