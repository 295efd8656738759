<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use Symfony\Component\Uid\Uuid;

final class RunTest extends ApiTestCase
{
    use GoesThroughARun;

    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('technician');
    }

    public function testAColdRunFromPrepareToClean(): void
    {
        [$id, $version] = $this->planned('cold');
        $path = "/api/runs/$id";
        self::assertSame('prepare', $this->ask('GET', $path, null, 200)['sheet'][0]['step']);
        $version = $this->step($id, $version, 'prepare');
        $version = $this->step($id, $version, 'heat_and_soak');
        $version = $this->step($id, $version, 'print');
        $version = $this->step($id, $version, 'first_layer');
        $this->ask('POST', "$path/finish", ['version' => $version], 422);
        $sheet = $this->ask('POST', "$path/outcome", ['version' => $version, 'outcome' => 'held', 'note' => ''], 200);
        self::assertSame(['held'], array_column($sheet['readings'], 'measure'));
        $version = $this->step($id, $sheet['run']['version'], 'cool');

        $key = Uuid::v7()->toRfc4122();
        $pull = ['id' => $key, 'measure' => 'pull_cold', 'value' => 0.5, 'unit' => 'kgf', 'atLeast' => false];
        $sheet = $this->ask('POST', "$path/readings", $pull, 201);
        self::assertEqualsWithDelta(4.903325, $this->reading($sheet, 'pull_cold')['value'], 1e-12, '0.5 kgf (NIST SP 811)');
        self::assertCount(2, $this->ask('POST', "$path/readings", $pull, 200)['readings'], 'Sent twice, it is one reading.');
        $this->ask('POST', "$path/readings", ['value' => 0.6] + $pull, 409);
        self::assertStringContainsString(
            'cold pull',
            $this->ask('POST', "$path/readings", ['id' => Uuid::v7()->toRfc4122(), 'measure' => 'pull_hot'] + $pull, 422)['detail'],
        );
        $this->ask('POST', "$path/readings", ['measure' => 'pull_cold', 'value' => -2, 'unit' => 'N', 'atLeast' => false], 422);
        $this->ask('POST', "$path/readings", ['measure' => 'effort', 'value' => 1, 'unit' => '', 'atLeast' => false], 201);
        $sheet = $this->ask('POST', "$path/readings", ['measure' => 'damage', 'value' => 0, 'unit' => '', 'atLeast' => false], 201);
        $sheet = $this->ask('POST', "$path/readings", ['measure' => 'lift', 'value' => 14.8, 'againstHeight' => 15.05, 'unit' => 'mm', 'atLeast' => false], 201);
        self::assertEqualsWithDelta(0.25, $this->reading($sheet, 'lift')['value'], 1e-9, 'By calliper, against the middle.');
        $this->ask('POST', "$path/readings", ['measure' => 'effort', 'value' => 1, 'againstHeight' => 15, 'unit' => '', 'atLeast' => false], 422);
        $done = $this->ask('POST', "$path/finish", ['version' => $sheet['run']['version']], 200);
        self::assertSame('done', $done['run']['status']);
        $this->ask('POST', "$path/readings", ['measure' => 'effort', 'value' => 2, 'unit' => '', 'atLeast' => false], 409);

        $amended = $this->ask('POST', "/api/readings/$key/amendments", ['value' => 0.7, 'unit' => 'kgf', 'atLeast' => false, 'reason' => 'read wrongly'], 201);
        $standing = array_values(array_filter($amended['readings'], static fn (array $r): bool => 'pull_cold' === $r['measure'] && $r['stands']));
        self::assertCount(1, $standing);
        self::assertEqualsWithDelta(6.864655, $standing[0]['value'], 1e-12);
        self::assertSame($key, $standing[0]['amends']);
        $this->ask('POST', "/api/readings/$key/amendments", ['value' => 0.8, 'unit' => 'kgf', 'atLeast' => false, 'reason' => 'again'], 409);
    }

    public function testAPartThatCameOffIsNotPulled(): void
    {
        [$id, $version] = $this->planned('hot');
        $version = $this->step($id, $version, 'first_layer');
        $sheet = $this->ask('POST', "/api/runs/$id/outcome", ['version' => $version, 'outcome' => 'came_off', 'note' => 'layer 12'], 200);
        self::assertNotContains('hot_pull', $sheet['steps']);
        $this->ask('POST', "/api/runs/$id/step", ['version' => $sheet['run']['version'], 'step' => 'hot_pull'], 422);
        $changed = $this->ask('POST', "/api/runs/$id/outcome", ['version' => $sheet['run']['version'], 'outcome' => 'held', 'note' => ''], 200);
        self::assertSame([false, true], array_column($changed['readings'], 'stands'), 'The first word stays, crossed out.');
    }

    public function testTwoPeopleAtOneRun(): void
    {
        [$id, $version] = $this->planned('cold');
        $this->step($id, $version, 'prepare');
        $late = $this->ask('POST', "/api/runs/$id/step", ['version' => $version, 'step' => 'print'], 409);
        self::assertSame(['print', 'prepare'], [$late['yours']['step'], $late['theirs']['step']]);
    }

    public function testVoidRunsAreKeptAndPlannedAnew(): void
    {
        [$id, $version] = $this->planned('cold');
        $this->ask('POST', "/api/runs/$id/void", ['version' => $version, 'reason' => 'not begun'], 409);
        $version = $this->step($id, $version, 'first_layer');
        $comparison = '/api/comparisons/'.$this->pick('/api/comparisons', 'title', self::UNDER_WAY)['id'];
        $before = \count($this->ask('GET', $comparison, null, 200)['runs']);
        $void = $this->ask('POST', "/api/runs/$id/void", ['version' => $version, 'reason' => 'gap was wrong'], 200);
        self::assertSame(['void', 'Mara'], [$void['run']['status'], $void['run']['voidedBy']]);
        self::assertCount($before + 1, $this->ask('GET', $comparison, null, 200)['runs']);
    }

    public function testOnceTheOutcomeIsKnownSomebodyElseVoids(): void
    {
        [$id, $version] = $this->planned('cold');
        $version = $this->step($id, $version, 'first_layer');
        $version = $this->ask('POST', "/api/runs/$id/outcome", ['version' => $version, 'outcome' => 'came_off', 'note' => ''], 200)['run']['version'];
        $this->ask('POST', "/api/runs/$id/void", ['version' => $version, 'reason' => 'was knocked'], 403);
        $this->signIn('lead');
        $this->ask('POST', "/api/runs/$id/void", ['version' => $version, 'reason' => 'was knocked'], 200);
    }

    public function testAPullThatTheGaugeSaw(): void
    {
        [$id, $version] = $this->planned('hot');
        $this->ask('POST', "/api/runs/$id/captures", ['id' => Uuid::v7()->toRfc4122()], 409);
        $version = $this->step($id, $version, 'first_layer');
        $version = $this->ask('POST', "/api/runs/$id/outcome", ['version' => $version, 'outcome' => 'held', 'note' => ''], 200)['run']['version'];
        $this->step($id, $version, 'hot_pull');
        $key = Uuid::v7();
        self::assertSame('waiting', $this->ask('POST', "/api/runs/$id/captures", ['id' => $key->toRfc4122()], 201)['state']);
        $this->ask('POST', "/api/captures/$key/reading", ['partBroke' => false], 409);
        foreach ([0, 12.5, 30.25, 0.5] as $i => $force) {
            $this->database()->insert('gauge_sample', ['capture_id' => $key->toBinary(), 'milliseconds' => 50 * $i, 'force_n' => $force]);
        }
        $this->database()->executeStatement("UPDATE gauge_capture SET state = 'ended', range_n = 200");
        $capture = $this->ask('GET', "/api/captures/$key", null, 200);
        self::assertEqualsWithDelta(30.25, $capture['peakN'], 0);
        self::assertTrue($capture['gaveWay']);
        self::assertCount(4, $capture['samples']);
        $reading = $this->ask('POST', "/api/captures/$key/reading", ['partBroke' => true], 201);
        self::assertSame(['gauge', true], [$reading['source'], $reading['atLeast']]);
        self::assertEqualsWithDelta(30.25, $reading['value'], 0);
    }

    /**
     * @param array<mixed> $sheet
     *
     * @return array<string, mixed>
     */
    private function reading(array $sheet, string $measure): array
    {
        return array_values(array_filter($sheet['readings'], static fn (array $r): bool => $r['measure'] === $measure))[0];
    }
}
