<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use Symfony\Component\Uid\Uuid;

/** What is written down, and what it counts for later. */
final class RecordTest extends ApiTestCase
{
    private const FILTER = 'Filter cells in grey PLA, which plate?';

    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('technician');
    }

    public function testTheSurprisingVerdictOfTheDemo(): void
    {
        $judgement = $this->judgement();
        self::assertSame(['holds_and_lets_go', 'holds_will_not_let_go', 'does_not_hold'], array_column($judgement['setups'], 'verdict'));
        self::assertGreaterThan(
            $judgement['setups'][0]['hotPull']['meanN'],
            $judgement['setups'][1]['hotPull']['meanN'],
            'The one that pulls hardest does not win.',
        );
        self::assertSame([6, 12], [$judgement['setups'][2]['held'], $judgement['setups'][2]['heldRuns']]);
        self::assertSame(['pull_hot', 'pull_cold', 'release_temp'], array_keys($judgement['measures']));
        self::assertSame(3, $judgement['setups'][2]['hotPull']['n'], 'Parts that came off have no pull.');
    }

    public function testAnAmendmentMovesTheVerdictAndTheRecordSaysSo(): void
    {
        $comparison = $this->pick('/api/comparisons', 'title', self::FILTER)['id'];
        $judged = $this->judgement();
        self::assertFalse($judged['recorded']['differs']);
        foreach ($this->ask('GET', "/api/comparisons/$comparison", null, 200)['runs'] as $run) {
            if ($run['setupId'] !== $judged['setups'][0]['id'] || 'cold' !== $run['pull']) {
                continue;
            }
            foreach ($this->ask('GET', '/api/runs/'.$run['id'], null, 200)['readings'] as $reading) {
                if ('damage' === $reading['measure']) {
                    $this->ask(
                        'POST',
                        "/api/readings/{$reading['id']}/amendments",
                        ['value' => 1, 'unit' => '', 'atLeast' => false, 'reason' => 'chip found later'],
                        201,
                    );
                    break 2;
                }
            }
        }
        $after = $this->judgement();
        self::assertSame('holds_will_not_let_go', $after['setups'][0]['verdict']);
        self::assertSame(1, $after['setups'][0]['damages']);
        self::assertTrue($after['recorded']['differs']);
        $wish = [
            'setupId' => $after['setups'][0]['id'],
            'plan' => ['reliability' => 0.8, 'confidence' => 0.9, 'failuresAllowed' => 0],
            'anyLot' => false,
            'anyPlate' => false,
        ];
        self::assertContains('The plate was damaged in 1 run.', $this->ask('POST', '/api/profiles/assess', $wish, 200)['missing']);
    }

    public function testWhatWouldPutItInQuestionAtOnceIsNotSigned(): void
    {
        $setup = $this->judgement()['setups'][0]['id'];
        $wish = ['setupId' => $setup, 'plan' => ['reliability' => 0.8, 'confidence' => 0.9, 'failuresAllowed' => 0], 'anyLot' => false, 'anyPlate' => false];
        $profile = $this->ask('POST', '/api/profiles', ['title' => 'Again on P1', 'reviewBy' => '2020-01-01'] + $wish, 201);
        $missing = $this->ask('GET', "/api/profiles/{$profile['id']}/assessment", null, 200)['missing'];
        self::assertCount(1, preg_grep('/^Its review was due by/', $missing) ?: [], implode(' ', $missing));
        $this->signIn('lead');
        $this->ask('POST', "/api/profiles/{$profile['id']}/sign", ['version' => 1, 'password' => 'hilltop', 'trial' => false, 'reason' => ''], 422);
    }

    public function testANewSheetEndsTheEvidenceOfTheOldOne(): void
    {
        $setup = $this->judgement()['setups'][0]['id'];
        $wish = ['setupId' => $setup, 'plan' => ['reliability' => 0.8, 'confidence' => 0.9, 'failuresAllowed' => 0], 'anyLot' => false, 'anyPlate' => false];
        $profile = $this->ask('POST', '/api/profiles', ['title' => 'Again on P1', 'reviewBy' => '2030-01-01'] + $wish, 201);
        $side = $this->side('P1 front');
        $this->ask('POST', "/api/plate-sides/$side/fittings", ['surfaceId' => 'pei_textured', 'surfaceLot' => 'sheet 26-A', 'limitC' => null], 201);
        $missing = $this->ask('GET', "/api/profiles/{$profile['id']}/assessment", null, 200)['missing'];
        self::assertCount(1, preg_grep('/^P1 front has a sheet of another lot \(sheet 26-A\)/', $missing) ?: [], implode(' ', $missing));
        $this->signIn('lead');
        $this->ask('POST', "/api/profiles/{$profile['id']}/sign", ['version' => 1, 'password' => 'hilltop', 'trial' => false, 'reason' => ''], 422);
    }

    public function testAPlanRestsOnTheSheetThatItWasMadeFor(): void
    {
        $draft = $this->pick('/api/comparisons', 'status', 'draft')['id'];
        $side = $this->side('P9 front');
        $this->ask('POST', "/api/plate-sides/$side/fittings", ['surfaceId' => 'epoxy_glass', 'surfaceLot' => 'board 3', 'limitC' => null], 201);
        $refused = $this->ask('POST', "/api/comparisons/$draft/start", ['version' => 1], 422);
        self::assertStringContainsString('P9 front has a new surface since this was planned.', $refused['detail']);
    }

    public function testWiderClaimsNeedThreeLotsAndPlates(): void
    {
        $setup = $this->judgement()['setups'][0]['id'];
        $plan = ['reliability' => 0.8, 'confidence' => 0.9, 'failuresAllowed' => 0];
        $wide = $this->ask('POST', '/api/profiles/assess', ['setupId' => $setup, 'plan' => $plan, 'anyLot' => true, 'anyPlate' => true], 200);
        self::assertCount(2, $wide['missing']);
        self::assertSame([1, 1], [$wide['proven']['lots'], $wide['proven']['plates']]);
        $this->ask('POST', '/api/profiles/assess', ['setupId' => Uuid::v7()->toRfc4122(), 'plan' => $plan, 'anyLot' => false, 'anyPlate' => false], 422);
    }

    public function testTheAuditTrailTellsWhoDidWhat(): void
    {
        $lot = $this->ask('POST', '/api/lots', ['label' => 'L-999', 'materialId' => 'pla', 'name' => 'x', 'driedOn' => null, 'note' => ''], 201);
        $this->ask(
            'PUT',
            '/api/lots/'.$lot['id'],
            ['version' => 1, 'label' => 'L-999', 'materialId' => 'pla', 'name' => 'y', 'driedOn' => null, 'note' => '', 'retired' => true],
            200,
        );
        $trail = $this->database()->fetchAllAssociative(
            'SELECT user_name, action, detail FROM audit_entry WHERE subject_id = ? ORDER BY id',
            [Uuid::fromString($lot['id'])->toBinary()],
        );
        self::assertSame(['created', 'changed'], array_column($trail, 'action'));
        self::assertSame(['technician', 'technician'], array_column($trail, 'user_name'));
        $detail = json_decode((string) $trail[1]['detail'], true);
        self::assertIsArray($detail);
        self::assertSame(['x', 'y'], [$detail['before']['name'], $detail['after']['name']]);
    }

    public function testTimesKeepTheOffsetOfThePersonBesideThem(): void
    {
        $this->browser->setServerParameter('HTTP_X_UTC_OFFSET', '330');
        $lot = $this->ask('POST', '/api/lots', ['label' => 'L-998', 'materialId' => 'pla', 'name' => 'x', 'driedOn' => null, 'note' => ''], 201);
        $row = $this->database()->fetchAssociative('SELECT created_at, utc_offset_minutes FROM lot WHERE id = ?', [Uuid::fromString($lot['id'])->toBinary()]);
        self::assertIsArray($row);
        self::assertSame(330, (int) $row['utc_offset_minutes']);
        self::assertMatchesRegularExpression('/\.\d{6}$/', (string) $row['created_at']);
        self::assertEqualsWithDelta(
            time(),
            (new \DateTimeImmutable((string) $row['created_at'], new \DateTimeZone('UTC')))->getTimestamp(),
            60,
            'Stored in UTC.',
        );
    }

    public function testTheDemoShowsEveryStateAndNamesNoMaker(): void
    {
        self::assertEqualsCanonicalizing(
            ['draft', 'running', 'running', 'closed', 'closed', 'closed', 'closed'],
            array_column($this->ask('GET', '/api/comparisons', null, 200), 'status'),
        );
        $profiles = $this->ask('GET', '/api/profiles', null, 200);
        self::assertEqualsCanonicalizing(['validated', 'validated', 'withdrawn'], array_column($profiles, 'status'));
        self::assertNotSame(
            [],
            array_filter($profiles, static fn (array $p): bool => 'validated' === $p['status'] && ['review'] === array_column($p['doubts'], 'kind')),
            'One is due for review.',
        );
        self::assertGreaterThanOrEqual(12, \count($this->ask('GET', '/api/plates', null, 200)));
        $care = $this->ask('GET', '/api/care', null, 200);
        self::assertStringContainsString('coat anew', implode(' ', array_merge(...array_column($care['sides'], 'due'))));
        self::assertContains('judgement', array_column($this->ask('GET', '/api/overview', null, 200)['next'], 'kind'), 'A verdict waits.');
    }

    public function testUnknownAddressesAndMethods(): void
    {
        $this->ask('GET', '/api/nowhere', null, 404);
        $this->ask('DELETE', '/api/lots', null, 405);
        $this->ask('GET', '/api/comparisons/'.Uuid::v7()->toRfc4122(), null, 404);
        $this->ask('GET', '/api/captures/xyz', null, 404);
    }

    /** @return array<mixed> */
    private function judgement(): array
    {
        return $this->ask('GET', '/api/comparisons/'.$this->pick('/api/comparisons', 'title', self::FILTER)['id'].'/judgement', null, 200);
    }
}
