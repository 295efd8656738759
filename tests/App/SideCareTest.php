<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Test\RunTally;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Component\Console\Tester\CommandTester;

/** A plate side as a map of what was printed where, with its coat by spot. */
final class SideCareTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('technician');
    }

    public function testPrintsAreCountedWhereTheyStood(): void
    {
        $side = $this->pick('/api/plate-sides', 'label', 'P12 front')['id'];
        $before = $this->care($side);
        self::assertSame([6, 5], [$before['map']['columns'], $before['map']['rows']]);
        $this->printed('P12 front', ['spot' => 2]);
        $after = $this->care($side);
        self::assertSame($before['prints'] + 1, $after['prints']);
        $prints = static fn (array $care): array => array_column($care['map']['fields'], 'prints');
        $grown = array_keys(array_filter(array_map(static fn (int $is, int $was): int => $is - $was, $prints($after), $prints($before))));
        self::assertCount(1, $grown);
        $field = $after['map']['fields'][$grown[0]];
        self::assertLessThan(0.34, max($field['x'], $field['y']), 'In the front left.');
        self::assertTrue($after['last'][array_key_last($after['last'])]['forUse']);
    }

    public function testACoatIsCountedAtItsMostUsedSpot(): void
    {
        $side = $this->pick('/api/plate-sides', 'label', 'P3 front')['id'];
        $stick = $this->pick('/api/agents', 'name', 'White stick')['id'];
        $this->ask('POST', "/api/plate-sides/$side/care", ['kind' => 'coat', 'agentId' => $stick, 'note' => ''], 201);
        foreach ([2, 2, 3] as $spot) {
            $this->printed('P3 front', ['spot' => $spot]);
        }
        $care = $this->care($side);
        self::assertSame(2, $care['coat']['most']);
        self::assertSame([2, 1], array_values(array_filter(array_column($care['map']['fields'], 'onCoat'))));
        $listed = array_column($this->ask('GET', '/api/care', null, 200)['sides'], 'printsSinceCoat', 'plateSideId');
        self::assertSame(2, $listed[$side], 'The list says what the map says.');
        // Four stand a quarter in from the corners, as far as a single one there, and none of them in the middle.
        $this->printed('P3 front', [], 4);
        $listed = array_column($this->ask('GET', '/api/care', null, 200)['sides'], 'printsSinceCoat', 'plateSideId');
        self::assertSame([3, 3], [$listed[$side], $this->care($side)['coat']['most']]);
        foreach ([1, 1, 1] as $spot) {
            $this->printed('P3 front', ['spot' => $spot]);
        }
        $care = $this->care($side);
        self::assertSame([3, 3], [$care['coat']['most'], max([0, ...array_column($care['map']['fields'], 'onCoat')])]);
        $tally = self::getContainer()->get(RunTally::class);
        self::assertInstanceOf(RunTally::class, $tally);
        self::assertSame(0, $tally->wrong());
        $wipe = $this->ask('POST', "/api/plate-sides/$side/care", ['kind' => 'wipe', 'agentId' => null, 'note' => ''], 422);
        self::assertStringContainsString('Alcohol takes PVA stick off', $wipe['errors'][0]['message']);
    }

    public function testACoatThatWasTouchedUpIsNewThere(): void
    {
        $side = $this->pick('/api/plate-sides', 'label', 'P3 front')['id'];
        $note = fn (array $what, int $expected = 201): array => $this->ask('POST', "/api/plate-sides/$side/care", $what + ['agentId' => null, 'note' => ''], $expected);
        $note(['kind' => 'wash']);
        self::assertSame('kind', $note(['kind' => 'touch_up'], 422)['errors'][0]['field'], 'It is bare.');
        $note(['kind' => 'coat', 'agentId' => $this->pick('/api/agents', 'name', 'White stick')['id']]);
        foreach ([2, 2, 3] as $spot) {
            $this->printed('P3 front', ['spot' => $spot]);
        }
        $most = fn (): array => [
            array_column($this->ask('GET', '/api/care', null, 200)['sides'], 'printsSinceCoat', 'plateSideId')[$side],
            $this->care($side)['coat']['most'],
            array_sum(array_column($this->care($side)['map']['fields'], 'onCoat')),
        ];
        self::assertSame([2, 2, 3], $most());
        $prints = $this->care($side)['prints'];
        $note(['kind' => 'touch_up', 'spot' => 2]);
        self::assertSame([1, 1, 1], $most(), 'There it is new; the other spot is as it was.');
        $this->printed('P3 front', ['spot' => 2]);
        $note(['kind' => 'touch_up']);
        self::assertSame([0, 0, 0], $most());
        $this->printed('P3 front', [], 4);
        self::assertSame([1, 1], \array_slice($most(), 0, 2));
        self::assertSame($prints + 2, $this->care($side)['prints'], 'The sheet has seen them all.');
        $tally = self::getContainer()->get(RunTally::class);
        self::assertInstanceOf(RunTally::class, $tally);
        self::assertSame(0, $tally->wrong());
    }

    public function testAWipeIsCountedAndIsNoWash(): void
    {
        $side = $this->pick('/api/plate-sides', 'label', 'P1 front')['id'];
        $before = $this->care($side);
        $this->ask('POST', "/api/plate-sides/$side/care", ['kind' => 'wipe', 'agentId' => null, 'note' => ''], 201);
        $after = $this->care($side);
        self::assertSame([$before['wipes'] + 1, $before['printsSinceWash'], $before['due']], [$after['wipes'], $after['printsSinceWash'], $after['due']]);
        self::assertSame('wipe', $after['done'][array_key_last($after['done'])]['kind']);
    }

    public function testAWrongNoteIsTakenBackByWhoWroteItBeforeAnythingRestsOnIt(): void
    {
        $tally = self::getContainer()->get(RunTally::class);
        self::assertInstanceOf(RunTally::class, $tally);
        $side = $this->pick('/api/plate-sides', 'label', 'P1 front')['id'];
        $note = fn (): string => $this->ask('POST', "/api/plate-sides/$side/care", ['kind' => 'wash', 'agentId' => null, 'note' => ''], 201)['id'];
        $before = $this->care($side);
        $id = $note();
        self::assertSame(0, $this->care($side)['printsSinceWash']);
        $this->signIn('lead');
        $this->ask('DELETE', "/api/care-notes/$id", null, 403);
        $this->signIn('technician');
        $this->ask('DELETE', "/api/care-notes/$id", null, 204);
        self::assertSame($before, $this->care($side));
        self::assertSame(0, $tally->wrong());
        self::assertSame(1, (int) $this->database()->fetchOne("SELECT COUNT(*) FROM audit_entry WHERE action = 'note taken back'"));
        $this->ask('DELETE', "/api/care-notes/$id", null, 404);
        $id = $note();
        $this->printed('P1 front', []);
        self::assertStringContainsString('rests on it', $this->ask('DELETE', "/api/care-notes/$id", null, 409)['detail']);

        $printer = $this->pick('/api/printers', 'name', 'South bay')['id'];
        $change = $this->ask('POST', "/api/printers/$printer/changes", ['kind' => 'nozzle', 'note' => ''], 201)['id'];
        $this->ask('DELETE', "/api/changes/$change", null, 204);
        self::assertSame(0, $tally->wrong());
    }

    public function testTheDemoShowsAYearOfPrints(): void
    {
        $this->database()->executeStatement('SET foreign_key_checks = 0');
        foreach ($this->database()->createSchemaManager()->listTableNames() as $table) {
            if ('doctrine_migration_versions' !== $table) {
                $this->database()->executeStatement("DELETE FROM `$table`");
            }
        }
        $this->database()->executeStatement('SET foreign_key_checks = 1');
        $tester = new CommandTester((new Application(self::$kernel ?? self::bootKernel()))->find('sitzplatz:demo:load'));
        $tester->execute([]);
        $tester->assertCommandIsSuccessful();
        self::assertGreaterThan(1_400, (int) $this->database()->fetchOne("SELECT COUNT(*) FROM job WHERE status = 'answered'"));
        self::assertGreaterThan(100, (int) $this->database()->fetchOne("SELECT COUNT(*) FROM care_event WHERE kind = 'wash'"));
    }

    /** @return array<string, mixed> */
    private function care(string $sideId): array
    {
        return $this->ask('GET', "/api/plate-sides/$sideId/care", null, 200);
    }

    /** @param array<string, mixed> $how */
    private function printed(string $side, array $how, int $parts = 1): void
    {
        $asked = ['materialId' => 'pla', 'printerId' => $this->pick('/api/printers', 'name', 'North bay')['id'], 'lotId' => null, 'roomC' => 20, 'partCount' => $parts];
        $found = array_values(array_filter($this->ask('POST', '/api/choose', $asked, 200)['candidates'], static fn (array $each): bool => str_starts_with($each['label'], $side)));
        $job = $this->ask('POST', '/api/jobs', ['title' => 'Tag', 'key' => $found[0]['key'], 'asked' => $asked], 201);
        $this->ask('POST', "/api/jobs/{$job['id']}/answer", ['version' => $job['version'], 'outcome' => 'held', 'effort' => 0] + $how, 200);
    }
}
