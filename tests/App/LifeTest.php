<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Test\RunTally;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;
use Symfony\Component\Uid\Uuid;

/** The faults that two people, a repeated send or a closed sheet brought into the record; each test is named after one. */
final class LifeTest extends ApiTestCase
{
    use ClockSensitiveTrait;
    use GoesThroughARun;

    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('technician');
    }

    public function testAReadingSentByTwoPeopleStandsOnce(): void
    {
        [$id] = $this->pulled('hot');
        for ($i = 0; $i < 3; ++$i) {
            $this->ask(
                'POST',
                "/api/runs/$id/readings",
                ['id' => Uuid::v7()->toRfc4122(), 'measure' => 'pull_hot', 'value' => 20 + $i, 'unit' => 'N', 'atLeast' => false],
                201,
            );
        }
        $sheet = $this->ask('GET', "/api/runs/$id", null, 200);
        $pulls = array_values(array_filter($sheet['readings'], static fn (array $r): bool => 'pull_hot' === $r['measure']));
        self::assertCount(3, $pulls, 'Nothing is deleted.');
        self::assertSame(
            [22],
            array_values(array_map(static fn (array $r): int => (int) $r['value'], array_filter($pulls, static fn (array $r): bool => $r['stands']))),
        );
    }

    public function testTheDatabaseItselfHoldsOneStandingReadingOfAMeasure(): void
    {
        [$id] = $this->pulled('hot');
        $this->ask(
            'POST',
            "/api/runs/$id/readings",
            ['id' => Uuid::v7()->toRfc4122(), 'measure' => 'pull_hot', 'value' => 20, 'unit' => 'N', 'atLeast' => false],
            201,
        );
        $row = $this->database()->fetchAssociative('SELECT * FROM standing ORDER BY reading_id DESC LIMIT 1');
        self::assertIsArray($row);
        $this->expectException(\Doctrine\DBAL\Exception\UniqueConstraintViolationException::class);
        $this->database()->insert('standing', $row);
    }

    public function testOneCaptureTakenBySeveralGivesOneReading(): void
    {
        [$id] = $this->pulled('hot');
        $key = Uuid::v7();
        $this->ask('POST', "/api/runs/$id/captures", ['id' => $key->toRfc4122()], 201);
        foreach ([0, 25.5, 0.5] as $i => $force) {
            $this->database()->insert('gauge_sample', ['capture_id' => $key->toBinary(), 'milliseconds' => 50 * $i, 'force_n' => $force]);
        }
        $this->database()->executeStatement("UPDATE gauge_capture SET state = 'ended', range_n = 200");
        $before = $this->rowsIn('reading');
        $first = $this->ask('POST', "/api/captures/$key/reading", ['id' => Uuid::v7()->toRfc4122(), 'partBroke' => false], 201);
        $second = $this->ask('POST', "/api/captures/$key/reading", ['id' => Uuid::v7()->toRfc4122(), 'partBroke' => false], 200);
        self::assertSame($first['id'], $second['id']);
        self::assertSame($before + 1, $this->rowsIn('reading'));
        $this->ask('POST', "/api/captures/$key/reading", ['partBroke' => true], 409);
    }

    public function testEveryChangeOfARunMovesItsVersion(): void
    {
        [$id, $version] = $this->pulled('cold');
        $this->ask(
            'POST',
            "/api/runs/$id/readings",
            ['id' => Uuid::v7()->toRfc4122(), 'measure' => 'pull_cold', 'value' => 3, 'unit' => 'N', 'atLeast' => false],
            201,
        );
        $stale = $this->ask('POST', "/api/runs/$id/step", ['version' => $version, 'step' => 'inspect'], 409);
        self::assertSame('Changed meanwhile', $stale['title']);
        self::assertSame($version + 1, $stale['theirs']['version']);
    }

    public function testRunsAreAddedOncePerKeyAndOncePerVersion(): void
    {
        $comparison = $this->pick('/api/comparisons', 'status', 'closed');
        $detail = $this->ask('GET', '/api/comparisons/'.$comparison['id'], null, 200);
        $body = ['id' => Uuid::v7()->toRfc4122(), 'version' => $detail['version'], 'setupId' => $detail['setups'][0]['id'], 'count' => 3, 'pull' => 'both'];
        $path = "/api/comparisons/{$comparison['id']}/runs";
        $this->ask('POST', $path, $body, 200);
        $again = $this->ask('POST', $path, $body, 200);
        self::assertCount(\count($detail['runs']) + 3, $again['runs'], 'The same send twice is the same runs.');
        $this->ask('POST', $path, ['id' => Uuid::v7()->toRfc4122()] + $body, 409);
        $this->ask('POST', $path, ['version' => $again['version'], 'count' => 4] + $body, 409);
    }

    public function testNoReadingComesInAfterItsRunHasFinished(): void
    {
        [$id] = $this->pulled('hot');
        $sheet = $this->ask('POST', "/api/runs/$id/readings", ['measure' => 'pull_hot', 'value' => 30, 'unit' => 'N', 'atLeast' => false], 201);
        $done = $this->ask('POST', "/api/runs/$id/finish", ['version' => $sheet['run']['version']], 200);
        self::assertSame('done', $done['run']['status']);
        $before = $this->rowsIn('reading');
        $this->ask('POST', "/api/runs/$id/readings", ['measure' => 'lift', 'value' => 0.1, 'unit' => 'mm', 'atLeast' => false], 409);
        self::assertSame($before, $this->rowsIn('reading'));
    }

    public function testARunFinishedTooSoonGoesOnAndCountsNoMore(): void
    {
        $clock = self::mockTime('2026-03-01 12:00:00');
        [$id] = $this->pulled('hot');
        $sheet = $this->ask('POST', "/api/runs/$id/readings", ['measure' => 'pull_hot', 'value' => 30, 'unit' => 'N', 'atLeast' => false], 201);
        self::assertFalse($sheet['mayTakeBack']);
        $done = $this->ask('POST', "/api/runs/$id/finish", ['version' => $sheet['run']['version']], 200);
        self::assertTrue($done['mayTakeBack']);
        $tally = self::getContainer()->get(RunTally::class);
        self::assertInstanceOf(RunTally::class, $tally);
        $open = $this->ask('POST', "/api/runs/$id/take-back", ['version' => $done['run']['version']], 200);
        self::assertSame(['running', null, $done['run']['step'], 'held'], [$open['run']['status'], $open['run']['finishedAt'], $open['run']['step'], $open['run']['outcome']]);
        self::assertSame(0, $tally->wrong());
        $this->ask('POST', "/api/runs/$id/take-back", ['version' => $open['run']['version']], 409);
        $done = $this->ask('POST', "/api/runs/$id/finish", ['version' => $open['run']['version']], 200);
        $clock->sleep(601);
        self::assertFalse($this->ask('GET', "/api/runs/$id", null, 200)['mayTakeBack']);
        self::assertStringContainsString('10', $this->ask('POST', "/api/runs/$id/take-back", ['version' => $done['run']['version']], 409)['detail']);
    }

    public function testARunDoesNotFinishWithSomethingUnsaid(): void
    {
        [$id, $version] = $this->pulled('cold');
        $refused = $this->ask('POST', "/api/runs/$id/finish", ['version' => $version], 422);
        self::assertSame('Not said yet: cold pull, release effort and plate damage. Enter it, or mark it as not taken, with the reason.', $refused['detail']);
        foreach (['pull_cold', 'effort'] as $measure) {
            $version = $this->ask(
                'POST',
                "/api/runs/$id/not-taken",
                ['version' => $version, 'measure' => $measure, 'reason' => 'the gauge was away'],
                200,
            )['run']['version'];
        }
        $sheet = $this->ask('POST', "/api/runs/$id/readings", ['measure' => 'damage', 'value' => 0, 'unit' => '', 'atLeast' => false], 201);
        self::assertSame([], $sheet['missing']);
        $done = $this->ask('POST', "/api/runs/$id/finish", ['version' => $sheet['run']['version']], 200);
        self::assertSame(['pull_cold' => 'the gauge was away', 'effort' => 'the gauge was away'], $done['run']['notTaken']);
    }

    public function testHeldCanBeAmendedAfterTheRun(): void
    {
        [$id] = $this->pulled('hot');
        $sheet = $this->ask('POST', "/api/runs/$id/readings", ['measure' => 'pull_hot', 'value' => 30, 'unit' => 'N', 'atLeast' => false], 201);
        $this->ask('POST', "/api/runs/$id/finish", ['version' => $sheet['run']['version']], 200);
        $held = array_values(array_filter($sheet['readings'], static fn (array $r): bool => 'held' === $r['measure']))[0];
        $amended = $this->ask(
            'POST',
            "/api/readings/{$held['id']}/amendments",
            ['value' => 0, 'unit' => '', 'atLeast' => false, 'outcome' => 'lifted', 'reason' => 'a corner was up after all'],
            201,
        );
        self::assertSame('lifted', $amended['run']['outcome']);
        self::assertSame(0, (int) $this->database()->fetchOne('SELECT held FROM run WHERE id = ?', [Uuid::fromString($id)->toBinary()]));
    }

    public function testAVerdictIsReckonedFromExactlyTheRunsItNames(): void
    {
        $running = $this->pick('/api/comparisons', 'title', self::UNDER_WAY);
        [$id] = $this->pulled('hot', $running['id']);
        // An open run with an outcome that would condemn its setup.
        $sheet = $this->ask('GET', "/api/runs/$id", null, 200);
        $this->ask('POST', "/api/runs/$id/outcome", ['version' => $sheet['run']['version'], 'outcome' => 'came_off', 'note' => ''], 200);
        $judgement = $this->ask('GET', "/api/comparisons/{$running['id']}/judgement", null, 200);
        self::assertSame(2, $judgement['openRuns'], 'One of the demo, and ours: left out, and said.');
        $this->ask('POST', "/api/comparisons/{$running['id']}/close", ['version' => $judgement['comparison']['version']], 200);
        $record = $this->database()->fetchAssociative('SELECT judgement, run_ids FROM verdict_record ORDER BY created_at DESC LIMIT 1');
        self::assertIsArray($record);
        $named = json_decode((string) $record['run_ids'], true);
        self::assertNotContains($id, $named);
        self::assertSame(
            \count($named),
            (int) $this->database()->fetchOne(
                "SELECT COUNT(*) FROM run WHERE comparison_id = ? AND status = 'done'",
                [Uuid::fromString($running['id'])->toBinary()],
            ),
        );
        $judged = json_decode((string) $record['judgement'], true);
        self::assertSame(\count($named), array_sum(array_column($judged['setups'], 'heldRuns')), 'Every run it names speaks in it, and no other.');
        self::assertArrayHasKey('key', $judged['setups'][0]['hold']['reasons'][0], 'A record keeps key and quantities.');
        self::assertNotSame('', $judged['setups'][0]['hold']['reasons'][0]['text']);
    }

    public function testTwoRunsDoNotHeatOnePrinter(): void
    {
        $running = $this->pick('/api/comparisons', 'title', self::UNDER_WAY);
        [$first, $version] = $this->planned('cold', $running['id']);
        $version = $this->step($first, $version, 'heat_and_soak');
        [$second, $other] = $this->planned('hot', $running['id']);
        $other = $this->step($second, $other, 'prepare');
        $refused = $this->ask('POST', "/api/runs/$second/step", ['version' => $other, 'step' => 'heat_and_soak'], 409);
        self::assertStringContainsString('The printer is taken by run', $refused['detail']);
        $freed = $this->ask('POST', "/api/runs/$first/leave-printer", ['version' => $version, 'reason' => 'plate is off already'], 200);
        self::assertFalse($freed['run']['occupiesPrinter']);
        $this->step($second, $other, 'heat_and_soak');
    }

    public function testTwoPeopleOfTheSameNameAreTwoPeopleAndOneUnderAnotherNameIsOne(): void
    {
        [$id] = $this->pulled('cold');
        $this->database()->executeStatement("UPDATE user_account SET display_name = 'Mara'");
        $sheet = $this->ask('GET', "/api/runs/$id", null, 200);
        $this->ask('POST', "/api/runs/$id/void", ['version' => $sheet['run']['version'], 'reason' => 'was knocked'], 403);
        $this->database()->executeStatement("UPDATE user_account SET display_name = 'Somebody else' WHERE role = 'technician'");
        $this->ask('POST', "/api/runs/$id/void", ['version' => $sheet['run']['version'], 'reason' => 'was knocked'], 403);
        $this->signIn('lead');
        $this->ask('POST', "/api/runs/$id/void", ['version' => $sheet['run']['version'], 'reason' => 'was knocked'], 200);
    }

    public function testAShopOfOnePersonVoidsAfterAWhileAndItIsSaid(): void
    {
        [$id] = $this->pulled('cold');
        $this->signIn('lead');
        $settings = $this->ask('GET', '/api/settings', null, 200);
        self::assertFalse($settings['onePerson']);
        $this->ask('PUT', '/api/settings', ['onePerson' => true, 'voidAfterHours' => 12] + $settings, 200);
        $this->ask('PUT', '/api/settings', $settings, 409);
        $this->signIn('technician');
        $version = $this->ask('GET', "/api/runs/$id", null, 200)['run']['version'];
        $refused = $this->ask('POST', "/api/runs/$id/void", ['version' => $version, 'reason' => 'was knocked'], 403);
        self::assertStringContainsString('Alone you may declare it void in', $refused['detail']);
        $this->database()->executeStatement(
            'UPDATE run SET outcome_said_at = outcome_said_at - INTERVAL 13 HOUR WHERE id = ?',
            [Uuid::fromString($id)->toBinary()],
        );
        $void = $this->ask('POST', "/api/runs/$id/void", ['version' => $version, 'reason' => 'was knocked'], 200);
        self::assertTrue($void['run']['voidedAlone']);
        $judgement = $this->ask('GET', "/api/comparisons/{$void['comparison']['id']}/judgement", null, 200);
        self::assertSame(1, array_sum(array_column($judgement['setups'], 'voidsAlone')));
    }

    public function testAPrintIsMeasuredByItsStepsAndNotByThePlan(): void
    {
        [$id] = $this->pulled('hot');
        $sheet = fn (): array => $this->ask('GET', "/api/runs/$id", null, 200);
        self::assertNull($sheet()['run']['printMinutes'], 'The test printed for a moment: the piece cannot be had in that.');
        self::assertStringContainsString('How long was it?', $sheet()['printAsked']);

        $minutes = fn (float $value, int $status): array => $this->ask(
            'POST',
            "/api/runs/$id/readings",
            ['measure' => 'print_minutes', 'value' => $value, 'unit' => 'min', 'atLeast' => false],
            $status,
        );
        self::assertStringStartsWith('By the steps of this sheet the print took', $minutes(600, 422)['detail']);
        self::assertNull($minutes(0.5, 201)['run']['printMinutes'], 'Told, it proves no more.');
        // Begun half an hour ago, as the plan has it, and said late: the clock does not measure it, whoever knows does.
        $this->database()->executeStatement('UPDATE run SET print_began_at = print_began_at - INTERVAL 9 HOUR WHERE id = ?', [Uuid::fromString($id)->toBinary()]);
        self::assertStringContainsString("9\u{a0}h", $sheet()['printAsked']);
        self::assertEqualsWithDelta(26, $minutes(26, 201)['run']['printMinutes'], 1e-9);
        self::assertNull($sheet()['printAsked']);
    }

    /** A device without network sends both touches at once, later: the print took as long as between them. */
    public function testAPrintIsMeasuredRightlyWhereItsStepsArriveLate(): void
    {
        [$id, $version] = $this->planned('hot', $this->pick('/api/comparisons', 'title', self::UNDER_WAY)['id']);
        $version = $this->step($id, $version, 'heat_and_soak');
        // An hour ago, as far as the server can know.
        $this->database()->executeStatement(
            'UPDATE run SET step_began_at = step_began_at - INTERVAL 1 HOUR, started_at = started_at - INTERVAL 1 HOUR WHERE id = ?',
            [Uuid::fromString($id)->toBinary()],
        );
        $entities = self::getContainer()->get(EntityManagerInterface::class);
        self::assertInstanceOf(EntityManagerInterface::class, $entities);
        $entities->clear();
        $touched = fn (string $command, array $body, int $version, float $ago): int => $this->ask(
            'POST',
            "/api/runs/$id/$command",
            [...$body, 'version' => $version, 'heldSeconds' => $ago],
            200,
        )['run']['version'];
        $version = $touched('step', ['step' => 'print'], $version, 2400);
        $version = $touched('step', ['step' => 'first_layer'], $version, 2100);
        $version = $touched('outcome', ['outcome' => 'held', 'note' => ''], $version, 600);
        $run = $this->ask('GET', "/api/runs/$id", null, 200)['run'];
        self::assertEqualsWithDelta(25, $run['printMinutes'], 0.1, 'From 35 minutes ago, when it began, to 10 minutes ago.');
        // A reading sent twice is one, however long it waited each time.
        $reading = ['id' => Uuid::v7()->toRfc4122(), 'measure' => 'pull_hot', 'value' => 25, 'unit' => 'N', 'atLeast' => false];
        $this->step($id, $version, 'hot_pull');
        $this->ask('POST', "/api/runs/$id/readings", [...$reading, 'heldSeconds' => 3], 201);
        $sheet = $this->ask('POST', "/api/runs/$id/readings", [...$reading, 'heldSeconds' => 9], 200);
        self::assertCount(1, array_filter($sheet['readings'], static fn (array $each): bool => 'pull_hot' === $each['measure']));
        // A tablet that lay in a drawer for a fortnight is late, and no less right.
        $this->ask('POST', "/api/runs/$id/readings", ['measure' => 'lift', 'value' => 0.1, 'unit' => 'mm', 'atLeast' => false, 'heldSeconds' => 14 * 86_400], 201);
    }

    /** A run that was planned four days ago got a print of 96 h by what a device said of itself, and that became the proven length. */
    public function testThatARunWasPlannedIsNoTouch(): void
    {
        [$id, $version] = $this->planned('hot', $this->pick('/api/comparisons', 'title', self::UNDER_WAY)['id']);
        $this->database()->executeStatement('UPDATE run SET created_at = created_at - INTERVAL 96 HOUR WHERE id = ?', [Uuid::fromString($id)->toBinary()]);
        $entities = self::getContainer()->get(EntityManagerInterface::class);
        self::assertInstanceOf(EntityManagerInterface::class, $entities);
        $entities->clear();
        foreach ([['step', ['step' => 'print'], 345_600], ['step', ['step' => 'first_layer'], 345_000], ['outcome', ['outcome' => 'held', 'note' => ''], 0]] as [$command, $body, $ago]) {
            $sheet = $this->ask('POST', "/api/runs/$id/$command", [...$body, 'version' => $version, 'heldSeconds' => $ago], 200);
            $version = $sheet['run']['version'];
        }
        self::assertNull($sheet['run']['printMinutes']);
        self::assertStringContainsString('How long was it?', $sheet['printAsked']);
    }

    /** @return array{string, int} a run whose part held */
    private function pulled(string $pull, ?string $comparison = null): array
    {
        [$id, $version] = $this->planned($pull, $comparison);
        $version = $this->step($id, $version, 'first_layer');

        return [$id, $this->ask('POST', "/api/runs/$id/outcome", ['version' => $version, 'outcome' => 'held', 'note' => ''], 200)['run']['version']];
    }
}
