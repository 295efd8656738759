<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Catalogue\ShopCatalogue;
use App\Evidence\LearnedShop;
use Sitzplatz\Evidence\Learned\EffectKind;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Component\Console\Tester\CommandTester;
use Symfony\Component\Uid\Uuid;
use Symfony\Component\Yaml\Parser;

/** What the shop learns from its own prints, in the background and said with what to do. */
final class LearnedTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('technician');
    }

    /** On a sheet that tore: PLA comes up again and again where practice has it strong. */
    public function testAPairThatFailsHereIsNamedAndWhatToDo(): void
    {
        $this->learn();
        $before = $this->ask('GET', '/api/learned', null, 200);
        self::assertGreaterThan(20, $before['answers'], 'The tests of the demo are told as well.');
        self::assertFalse($this->shop()->isBehind());
        $side = $this->side('P1 front');
        $this->printed($side, 20, 'lifted');
        self::assertTrue($this->shop()->isBehind());
        self::assertSame($before, $this->ask('GET', '/api/learned', null, 200), 'Nobody waits for it: what was learned before stands until it is.');
        $this->learn();
        self::assertFalse($this->shop()->isBehind());
        $after = $this->ask('GET', '/api/learned', null, 200);
        self::assertSame($before['answers'] + 20, $after['answers']);
        $worse = array_values(array_filter($after['lessons'], static fn (array $each): bool => 'held' === $each['success'] && !$each['better']));
        self::assertNotSame([], $worse);
        self::assertNotSame([], array_intersect(['sheet', 'side', 'pair'], array_column($worse, 'kind')));
        foreach ($worse as $each) {
            self::assertGreaterThan($each['with'], $each['without']);
            self::assertGreaterThanOrEqual(0.9, $each['surely']);
        }
        self::assertContains('Change its grade in the catalogue.', array_column($after['lessons'], 'advice'));
    }

    public function testTheContractKnowsEveryKindOfLesson(): void
    {
        /** @var array{components: array{schemas: array<string, array<string, mixed>>}} $contract */
        $contract = (new Parser(maxAliasesForCollections: 1_000))->parseFile(\dirname(__DIR__, 2).'/docs/openapi.yaml');
        self::assertSame(array_column(EffectKind::cases(), 'value'), $contract['components']['schemas']['Lesson']['properties']['kind']['enum']);
    }

    public function testWhatIsGoneTeachesNothingThatIsShown(): void
    {
        $database = $this->database();
        $id = static fn (string $sql): string => Uuid::fromBinary((string) $database->fetchOne($sql))->toRfc4122();
        $side = $this->side('P1 front');
        $sheet = Uuid::fromBinary((string) $database->fetchOne('SELECT fitting_id FROM plate_side WHERE id = ?', [Uuid::fromString($side)->toBinary()]))->toRfc4122();
        $lesson = static fn (string $kind, string ...$names): array => ['kind' => $kind, 'names' => $names, 'prints' => 20, 'well' => 8, 'without' => 0.9, 'with' => 0.5, 'surely' => 0.95];
        $database->executeStatement('DELETE FROM learned');
        $database->executeStatement('INSERT INTO learned (success, learned_at, last_answer_at, answers, lessons) VALUES (?, ?, ?, ?, ?)', [
            'held', '2026-12-01 12:00:00', '2026-12-01 11:00:00', 90, json_encode([
                $lesson('lot', 'pla', $id("SELECT id FROM lot WHERE material_id = 'pla' AND retired = 0 LIMIT 1")),
                $lesson('side', 'pla', $side),
                $lesson('sheet', $sheet),
                $lesson('printer', $id('SELECT id FROM printer LIMIT 1')),
                $lesson('epoch', $id('SELECT id FROM printer LIMIT 1'), '2026-01-01 00:00:00'),
            ], \JSON_THROW_ON_ERROR),
        ]);
        $learned = $this->ask('GET', '/api/learned', null, 200);
        self::assertSame('2026-12-01T12:00:00+00:00', $learned['learnedAt']);
        self::assertSame(['lot', 'side', 'sheet', 'printer'], array_column($learned['lessons'], 'kind'), 'What a printer was before its last change is no matter.');
        self::assertSame('8 of 20 held, where 18 were to be expected.', $learned['lessons'][0]['sentence']);
        // Care and Fix read the same: of this sheet the one says to look at it, the other what speaks for its being worn.
        $less = static fn (array $due): array => array_values(array_filter($due, static fn (string $each): bool => str_contains($each, '8 of 20 held, where 18')));
        $care = array_column($this->ask('GET', '/api/care', null, 200)['sides'], 'due', 'plateSideId');
        self::assertCount(1, $less($care[$side]));
        self::assertCount(1, $less(array_merge(...array_values($care))), 'Of no other sheet.');
        self::assertSame($less($care[$side]), $less($this->ask('GET', "/api/plate-sides/$side/care", null, 200)['due']));
        $causes = array_column($this->ask('POST', '/api/fix', ['symptomId' => 'used_to', 'plateSideId' => $side, 'printerId' => null, 'lotId' => null, 'tried' => []], 200)['suspects'], 'why', 'id');
        self::assertStringContainsString('This sheet holds less than its like: 8 of 20 held', (string) $causes['worn']);
        self::assertSame('Look at the sheet; renew it if it is worn.', $learned['lessons'][2]['advice']);
        $database->executeStatement('UPDATE lot SET retired = 1');
        $database->executeStatement('UPDATE plate SET retired = 1');
        self::assertSame(['printer'], array_column($this->ask('GET', '/api/learned', null, 200)['lessons'], 'kind'));
    }

    /** The learner goes on for weeks: a grade that was changed meanwhile has to reach it. */
    public function testWhatIsKeptForOneRequestIsReadAnewEachTime(): void
    {
        $catalogue = self::getContainer()->get(ShopCatalogue::class);
        self::assertInstanceOf(ShopCatalogue::class, $catalogue);
        $before = $catalogue->get();
        self::assertSame($before, $catalogue->get());
        $this->learn();
        self::assertNotSame($before, $catalogue->get());
    }

    private function learn(): void
    {
        $tester = new CommandTester((new Application(self::$kernel ?? self::bootKernel()))->find('sitzplatz:learn'));
        $tester->execute(['--once' => true]);
        $tester->assertCommandIsSuccessful();
    }

    private function shop(): LearnedShop
    {
        $shop = self::getContainer()->get(LearnedShop::class);
        self::assertInstanceOf(LearnedShop::class, $shop);

        return $shop;
    }

    /** Prints for use of PLA on a side, all of which ended so. */
    private function printed(string $side, int $times, string $outcome, ?float $said = null): void
    {
        $row = $this->database()->fetchAssociative('SELECT ps.id, ps.fitting_id, (SELECT id FROM printer ORDER BY name LIMIT 1) AS printer_id,
            (SELECT id FROM lot WHERE material_id = \'pla\' AND retired = 0 LIMIT 1) AS lot_id FROM plate_side ps WHERE ps.id = ?', [Uuid::fromString($side)->toBinary()]);
        self::assertIsArray($row);
        for ($i = 0; $i < $times; ++$i) {
            $at = (new \DateTimeImmutable("+$i seconds", new \DateTimeZone('UTC')))->format('Y-m-d H:i:s.u');
            $this->database()->insert('job', [
                'id' => Uuid::v7()->toBinary(), 'created_at' => $at, 'utc_offset_minutes' => 0, 'status' => 'answered', 'title' => 'Cup', 'bed_first_c' => 55, 'bed_other_c' => 55, 'has_enclosure' => 1,
                'parts' => 1, 'basis' => 'practice', 'said_chance' => $said, 'practice_chance' => $said, 'outcome' => $outcome, 'effort' => 1, 'damaged' => 0, 'minutes' => 60, 'came_true' => (int) ('held' === $outcome), 'note' => '', 'answered_at' => $at, 'answered_by' => 'Mara', 'begun_by' => 'Mara',
                'material_id' => 'pla', 'lot_id' => $row['lot_id'], 'fitting_id' => $row['fitting_id'], 'printer_id' => $row['printer_id'], 'side_id' => $row['id'], 'assumed' => 0,
            ]);
        }
    }
}
