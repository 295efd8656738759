<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use Symfony\Component\Uid\Uuid;

/** What is wrong is looked for one trial at a time, with what the shop knows of the plate; what it was is remembered. */
final class FixTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('technician');
    }

    public function testFixAsksThePlatesHistory(): void
    {
        $dirt = $this->diagnosis('corner_lifts', 'P1 front')['suspects'][0];
        self::assertSame(['dirt', 'wash'], [$dirt['id'], $dirt['then']]);
        self::assertStringContainsString('12 prints since its last wash', (string) $dirt['why']);
        $printer = $this->pick('/api/printers', 'name', 'North bay');
        $this->ask('POST', "/api/printers/{$printer['id']}/changes", ['kind' => 'levelling', 'note' => ''], 201);
        $gap = $this->of('gap_high', $this->diagnosis('used_to', 'P1 front'));
        self::assertStringStartsWith('The printer was changed since this plate last held.', (string) $gap['why']);
        self::assertNull($this->of('gap_high', $this->diagnosis('used_to', null))['why'], 'Nothing is known of no plate.');
        $this->ask('POST', '/api/fix', $this->asked('sings', null), 422);
    }

    public function testWhereItFailsAndWhichPartAreAsked(): void
    {
        $asked = $this->asked('corner_lifts', 'P2 front');
        $share = fn (string $cause, array $more): float => $this->of($cause, $this->ask('POST', '/api/fix', $more + $asked, 200))['share'];
        self::assertGreaterThan(1.5 * $share('draft', ['where' => 'corners']), $share('draft', ['where' => 'one_edge']));
        $tall = ['contactAreaMm2' => 60, 'outlineMm' => 32, 'spanMm' => 11, 'barWidthMm' => 6, 'heightMm' => 80, 'sharpCorners' => 4];
        self::assertGreaterThan($share('little_foot', []), $share('little_foot', ['part' => $tall]), 'A tower on a small foot wants a brim.');
        // What the map says is taken where nobody says another.
        $run = $this->database()->fetchOne('SELECT r.id FROM run r JOIN setup s ON s.id = r.setup_id JOIN plate_side p ON p.id = s.side_id AND p.fitting_id = r.fitting_id
            WHERE r.finished_at IS NOT NULL AND s.side_id = ? LIMIT 1', [Uuid::fromString($asked['plateSideId'])->toBinary()]);
        self::assertIsString($run);
        self::assertNull($this->ask('POST', '/api/fix', $asked, 200)['where']);
        foreach ([0.1, 0.5, 0.9] as $x) {
            $this->database()->executeStatement("INSERT INTO plate_mark (id, created_at, utc_offset_minutes, run_id, place, kind, x, y, marked_by) VALUES (?, NOW(6), 0, ?, NULL, 'failed', ?, 0.9, 'Mara')", [Uuid::v7()->toBinary(), $run, $x]);
        }
        $found = $this->ask('POST', '/api/fix', $asked, 200);
        self::assertSame('one_edge', $found['where']);
        self::assertEqualsWithDelta($share('draft', ['where' => 'one_edge']), $this->of('draft', $found)['share'], 1e-9);
    }

    public function testOneTrialAfterTheOther(): void
    {
        $first = $this->diagnosis('corner_lifts', 'P1 front');
        $second = $this->diagnosis('corner_lifts', 'P1 front', [$first['nextId']]);
        self::assertNotSame($first['nextId'], $second['nextId']);
        self::assertLessThan($this->of($first['nextId'], $first)['share'], $this->of($first['nextId'], $second)['share']);
        $all = $this->diagnosis('corner_lifts', 'P1 front', array_column($first['suspects'], 'id'));
        self::assertNull($all['nextId']);
        self::assertGreaterThan($first['somethingElse'], $all['somethingElse'], 'Where nothing helped it is likely something else.');
        self::assertEqualsWithDelta(1.0, array_sum(array_column($all['suspects'], 'share')) + $all['somethingElse'], 1e-9);
    }

    public function testWhatItWasIsRememberedAndMovesTheShares(): void
    {
        $before = $this->of('draft', $this->diagnosis('corner_lifts', null));
        $case = ['id' => Uuid::v7()->toRfc4122(), 'causeId' => 'draft', 'note' => 'window was open'] + $this->asked('corner_lifts', 'P1 front', ['dirt']);
        $this->ask('POST', '/api/fix/cases', $case, 201);
        $this->ask('POST', '/api/fix/cases', $case, 200);
        $after = $this->of('draft', $this->diagnosis('corner_lifts', null));
        self::assertSame([0, 1], [$before['here'], $after['here']], 'Sent twice it was once.');
        self::assertGreaterThan($before['share'], $after['share']);
        self::assertSame(0, $this->of('draft', $this->diagnosis('pops_off', null))['here'], 'Of another symptom it says nothing.');
        $last = $this->ask('GET', '/api/fix/cases', null, 200)[0];
        self::assertSame(['A corner lifts', 'a draft', 'P1 front', 'North bay', 1, 'Mara'], [$last['symptom'], $last['cause'], $last['sideLabel'], $last['printerName'], $last['tried'], $last['who']]);
        $this->ask('POST', '/api/fix/cases', ['id' => Uuid::v7()->toRfc4122(), 'causeId' => 'still_warm'] + $case, 422);
    }

    public function testALotThatWantsDryingAndACoatAreSeen(): void
    {
        $lot = $this->pick('/api/lots/in-use', 'label', 'L-401');
        $wet = $this->of('wet', $this->diagnosis('slides', 'P9 front', [], $lot['id']));
        self::assertStringContainsString('Dried 9 days ago; it stays dry for about 2.', (string) $wet['why']);
        self::assertSame([], array_filter($this->diagnosis('slides', 'P1 front')['suspects'], static fn (array $each): bool => 'coat_worn' === $each['id']), 'P1 is bare.');
    }

    public function testAStuckPartHasItsOwnWay(): void
    {
        self::assertNull($this->diagnosis('corner_lifts', 'P6 front')['takeOff']);
        $glass = $this->diagnosis('too_well', 'P6 front')['takeOff'];
        self::assertNotContains('freezer', explode(' ', implode(' ', $glass['steps'])));
        self::assertStringContainsString('Not into a freezer', implode(' ', $glass['never']));
        self::assertStringContainsString('flex it away', implode(' ', $this->diagnosis('too_well', 'P1 front')['takeOff']['steps']));
    }

    /**
     * @param list<string> $tried
     *
     * @return array<string, mixed>
     */
    private function diagnosis(string $symptomId, ?string $side, array $tried = [], ?string $lotId = null): array
    {
        return $this->ask('POST', '/api/fix', ['lotId' => $lotId] + $this->asked($symptomId, $side, $tried), 200);
    }

    /**
     * @param list<string> $tried
     *
     * @return array<string, mixed>
     */
    private function asked(string $symptomId, ?string $side, array $tried = []): array
    {
        return ['symptomId' => $symptomId, 'plateSideId' => null === $side ? null : $this->pick('/api/plate-sides', 'label', $side)['id'], 'printerId' => null, 'lotId' => null, 'tried' => $tried];
    }

    /**
     * @param array<string, mixed> $diagnosis
     *
     * @return array<string, mixed>
     */
    private function of(string $causeId, array $diagnosis): array
    {
        return array_values(array_filter($diagnosis['suspects'], static fn (array $each): bool => $each['id'] === $causeId))[0];
    }
}
