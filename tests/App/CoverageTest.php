<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

/** What is printed against what is proven, and the fewest plates that would do. */
final class CoverageTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('technician');
    }

    public function testWhatNothingVouchesForIsAGap(): void
    {
        $none = $this->ask('GET', '/api/coverage', null, 200);
        self::assertSame('Nothing was printed for use in the last year.', $none['sentence']);
        $cells = array_column($none['cells'], 'state', 'surfaceId');
        self::assertSame('proven', $cells['pei_textured'], 'Signed, and nothing printed yet.');
        self::assertSame('in_question', $cells['pei_smooth'], 'Its review is due.');
        $this->printed('P12 front', 3);
        $this->printed('P1 front', 2, ['lotId' => $this->pick('/api/lots/in-use', 'label', 'L-101')['id'], 'bedC' => 55]);
        $found = $this->ask('GET', '/api/coverage', null, 200);
        self::assertSame([['P12 front', 3, 3]], array_map(static fn (array $gap): array => [$gap['sideLabel'], $gap['prints'], $gap['cameTrue']], $found['gaps']));
        self::assertStringStartsWith("40\u{a0}% of 5 prints", $found['sentence'], 'Two of five as the profile of P1 has it.');
        $printed = array_values(array_filter($found['cells'], static fn (array $cell): bool => 'low_temp_matte' === $cell['surfaceId']))[0];
        self::assertSame(['printed', 3], [$printed['state'], $printed['prints']]);
        self::assertNotNull($printed['lastTrue']);
    }

    public function testTheFewestPlatesThatServeWhatIsPrinted(): void
    {
        self::assertSame([], $this->ask('GET', '/api/coverage/smallest-set', null, 200)['plates']);
        $this->printed('P12 front', 1);
        $this->printed('P1 front', 1);
        $set = $this->ask('GET', '/api/coverage/smallest-set?atLeast=0.5', null, 200);
        self::assertCount(1, $set['plates'], 'One need, one plate.');
        self::assertCount(1, $set['plates'][0]['serves']);
        self::assertGreaterThanOrEqual(0.5, $set['plates'][0]['serves'][0]['atLeast']);
        self::assertStringContainsString('Fewer cannot', $set['sentence']);
        self::assertNotContains($set['plates'][0]['plateId'], array_column($set['spare'], 'plateId'));
        $hard = $this->ask('GET', '/api/coverage/smallest-set?atLeast=0.99', null, 200);
        self::assertSame([[], ['PLA on North bay']], [$hard['plates'], $hard['unserved']]);
        $this->ask('GET', '/api/coverage/smallest-set?atLeast=2', null, 422);
    }

    public function testTheReportSumsWhatCameOfThePrints(): void
    {
        self::assertStringContainsString('Nothing was printed', $this->ask('GET', '/api/report', null, 200)['sentence']);
        $this->printed('P12 front', 3);
        $report = $this->ask('GET', '/api/report?months=1', null, 200);
        self::assertSame([3, 3, 1], [$report['all']['prints'], $report['all']['cameTrue'], \count($report['months'])]);
        // What Choose says a print of no length takes is what it takes to warm up.
        $best = $this->ask('POST', '/api/choose', ['materialId' => 'pla', 'printerId' => $this->pick('/api/printers', 'name', 'North bay')['id'], 'lotId' => null, 'roomC' => 20, 'partCount' => 1], 200)['candidates'];
        $warm = array_values(array_filter($best, static fn (array $each): bool => 'P12 front, bare' === $each['label']))[0]['energyWh'];
        self::assertEqualsWithDelta($warm, (float) $this->database()->fetchOne('SELECT MAX(warm_wh) FROM job'), 1e-9);
        self::assertSame(3, $report['all']['energyKnown']);
        $draws = (float) $this->database()->fetchOne('SELECT MAX(draws_w) FROM job');
        self::assertGreaterThan(5.0, $draws);
        self::assertEqualsWithDelta($warm + $draws, $report['all']['energyWhPerPrint'], 0.2, 'For an hour each.');
        self::assertStringContainsString('in 3 of 3 prints', $report['energy']);
        // P12 cost 31, and its kind lasts so many prints.
        $usual = array_column($this->ask('GET', '/api/catalogue', null, 200)['surfaces'], 'life_prints', 'id')['low_temp_matte'];
        self::assertEqualsWithDelta(31 / $usual, $report['all']['costPerPrint'], 1e-9);
        self::assertSame([['held', 3]], array_values(array_map(array_values(...), array_filter($report['ends'], static fn (array $end): bool => $end['prints'] > 0))));
        self::assertStringStartsWith("month,prints,came_true,printed_minutes,lost_minutes,damaged,cost,energy_kwh,energy_known\n", (string) $this->send('GET', '/api/report/table', null)->getContent());
        $this->ask('GET', '/api/report?months=0', null, 422);
        $this->ask('GET', '/api/report?months=x', null, 422);
    }

    /** @param array<string, mixed> $more */
    private function printed(string $side, int $times, array $more = []): void
    {
        $asked = $more + ['materialId' => 'pla', 'printerId' => $this->pick('/api/printers', 'name', 'North bay')['id'], 'lotId' => null, 'roomC' => 20, 'partCount' => 1];
        $found = array_values(array_filter($this->ask('POST', '/api/choose', $asked, 200)['candidates'], static fn (array $each): bool => "$side, bare" === $each['label']));
        for ($i = 0; $i < $times; ++$i) {
            $job = $this->ask('POST', '/api/jobs', ['title' => 'Tag', 'key' => $found[0]['key'], 'asked' => $asked], 201);
            // Begun two hours ago, and planned for one.
            $this->database()->executeStatement("UPDATE job SET created_at = created_at - INTERVAL 2 HOUR, planned_minutes = 60 WHERE status = 'open'");
            $this->ask('POST', "/api/jobs/{$job['id']}/answer", ['version' => $job['version'], 'outcome' => 'held', 'effort' => 0], 200);
        }
    }
}
