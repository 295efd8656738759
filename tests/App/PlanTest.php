<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use Symfony\Component\Uid\Uuid;

/** From three short answers to a plan that can be started, and what a setup has of its own. */
final class PlanTest extends ApiTestCase
{
    private const LOOK = ['measures' => [], 'sure' => 'look'];

    public function testALotThatWantsDryingIsNamedBeforeTheFirstRun(): void
    {
        $this->signIn('technician');
        $draft = $this->ask('GET', '/api/comparisons/'.$this->pick('/api/comparisons', 'title', 'Cable guides in nylon: laminate bare or with a thin coat?')['id'], null, 200);
        self::assertSame(
            // Common practice (trade notes, the table of materials): nylon is very moisture hungry, and is dried 12 h at 80 °C.
            'L-401: This lot was dried 9 days ago; PA (nylon) stays fit for about 2. Dry it first, 12 h at 80 °C: wet filament lays a poor first layer that looks like bad adhesion.',
            str_replace("\u{a0}", ' ', $draft['cautions'][0]),
        );
    }

    public function testEveryQuestionGivesAPlanThatCanBeSentAsItIs(): void
    {
        $this->signIn('technician');
        $kinds = array_values(array_diff(array_column($this->begin(['kind' => 'grid'])['kinds'], 'key'), ['cold_or_warm']));
        self::assertSame(['grid', 'temperature', 'hot_or_cold', 'gap', 'lasting_coat', 'lots', 'ends', 'still_holding', 'escalation', 'whole_plate'], $kinds);
        foreach ($kinds as $kind) {
            foreach ([[], ['lift', 'pull']] as $measures) {
                $plan = $this->begin(['kind' => $kind, 'measures' => $measures])['plan'];
                $order = $this->ask('POST', '/api/plans/order', $plan, 200);
                self::assertGreaterThan(0.0, $order['materialMm3'], 'What it takes is said before it is started.');
                self::assertCount(\count($plan['setups']), $order['setups'], $kind);
                $planned = $this->ask('POST', '/api/comparisons', $plan + ['id' => Uuid::v7()->toRfc4122()], 201);
                self::assertSame($kind, $planned['kind']);
                self::assertSame($order['totalMinutes'], $planned['plan']['totalMinutes'], $kind);
                self::assertSame('grid' === $kind, $planned['varied']['confounded'] && 'escalation' !== $kind, "$kind: a ladder differs in one thing.");
            }
        }
    }

    public function testHowSureDecidesOnRunsAndLimitsStateTheirReason(): void
    {
        $this->signIn('technician');
        // ⌈ln 0.05 / ln R⌉ for R of 50, 80 and 90 %.
        foreach (['look' => [5, 'fixed', 0.5], 'use' => [14, 'adaptive', 0.8], 'profile' => [29, 'adaptive', 0.9]] as $sure => $wanted) {
            $plan = $this->begin(['kind' => 'grid', 'sure' => $sure])['plan'];
            self::assertSame($wanted, [$plan['runsPerSetup'], $plan['proof']['design'], $plan['proof']['share']], $sure);
        }
        $begun = $this->begin(['kind' => 'grid', 'measures' => ['pull']]);
        self::assertStringContainsString("0.17\u{a0}MPa", $begun['why']['limits.hotPullAtLeastN'], '20 N over 6 × 20 mm, by hand.');
        // Of the demo, grey PLA on P1 front: 12 of 12 held, mean(c(31.2, 28.4, 33.9, 30.1, 27.2, 34.0)) = 30.8 N.
        self::assertSame([['limits.hotPullAtLeastN', 31]], array_map(static fn (array $offer): array => [$offer['field'], (int) $offer['value']], $begun['offers']));
        self::assertStringContainsString('held in all its 12 runs', $begun['offers'][0]['sentence']);
        self::assertSame([], $this->begin(['kind' => 'grid'])['offers'], 'Nothing is pulled.');
        self::assertEqualsWithDelta(20, $begun['plan']['limits']['hotPullAtLeastN'], 1e-9);
        // The piece is that of the last comparison on the printer; with a base of 40 × 10 mm, 20 N are 0.05 MPa.
        $other = ['constants' => ['piece' => ['name' => 'Wide block', 'alongPullMm' => 40, 'acrossPullMm' => 10, 'pullHeightMm' => 8]] + $begun['plan']['constants']] + $begun['plan'];
        $this->ask('POST', '/api/comparisons', $other, 201);
        self::assertStringContainsString("0.05\u{a0}MPa", $this->begin(['kind' => 'grid', 'measures' => ['pull']])['why']['limits.hotPullAtLeastN']);
        $chances = $this->ask('POST', '/api/plan-chances', array_intersect_key($begun['plan'], array_flip(['proof', 'limits', 'runsPerSetup', 'hotPerSetup'])), 200);
        self::assertCount(41, $chances['questions'][0]['curve']);
        self::assertStringContainsString('In 8 of 10 such tests', $chances['questions'][0]['sees']);
    }

    public function testWhatTheRulesRuleOutIsLeftOutAndSaid(): void
    {
        $this->signIn('technician');
        $printer = $this->pick('/api/printers', 'name', 'North bay');
        $begun = $this->begin(['kind' => 'temperature', 'lotId' => $this->pick('/api/lots', 'label', 'L-301')['id'], 'printerId' => $printer['id']]);
        $beds = array_column($begun['plan']['setups'], 'bedFirstC');
        self::assertNotSame([], $beds);
        self::assertSame([], array_filter($beds, static fn (float $bed): bool => $bed > $printer['maxBedC']));
        // ABS would go up to 118 °C on this display, and magnets and surfaces have limits of their own.
        self::assertMatchesRegularExpression('/too hot here: (North bay reaches|the magnets of North bay hold up to|P\d+ \w+ stands)/', $begun['leftOut'][0] ?? '');
    }

    public function testEveryCombinationIsMadeWithTheBedThatIsUsualForEachPair(): void
    {
        $this->signIn('technician');
        $sides = array_map(fn (string $label): string => $this->pick('/api/plate-sides', 'label', $label)['id'], ['P1 front', 'P2 front']);
        $combine = ['sides' => $sides, 'agents' => [null], 'bedsC' => [], 'speedsMmS' => [20, 55], 'lots' => []];
        $setups = $this->begin(['kind' => 'grid', 'combine' => $combine])['plan']['setups'];
        self::assertCount(4, $setups);
        self::assertSame([20, 55, 20, 55], array_map(intval(...), array_column($setups, 'speedMmS')));
        self::assertSame([58, 58, 56, 56], array_map(intval(...), array_column($setups, 'bedFirstC')), 'As Choose would set it.');
        $beds = $this->begin(['kind' => 'grid', 'combine' => ['bedsC' => [55, null], 'speedsMmS' => []] + $combine])['plan']['setups'];
        self::assertSame([false, true, false, true], array_column($beds, 'unheated'));
        $refused = $this->ask('POST', '/api/plans/begin', ['kind' => 'grid', 'combine' => ['bedsC' => [50, 55, 60, 65]] + $combine] + self::LOOK, 422);
        self::assertSame(['combine', 'That makes 16 setups, and a plan takes 12 at most: leave something out.'], array_values($refused['errors'][0]));
    }

    public function testAResinIsComparedAlongItsExposure(): void
    {
        $this->signIn('technician');
        $begun = $this->begin(['kind' => 'exposure', 'lotId' => $this->pick('/api/lots', 'label', 'L-701')['id'], 'measures' => ['pull']]);
        self::assertSame([true, ['grid', 'exposure', 'lots', 'still_holding', 'whole_plate']], [$begun['resin'], array_column($begun['kinds'], 'key')]);
        $plan = $begun['plan'];
        self::assertSame([], $plan['proof']['measures'], 'Nothing of a resin is pulled.');
        self::assertCount(5, $plan['setups']);
        $planned = $this->ask('POST', '/api/comparisons', $plan, 201);
        self::assertFalse($planned['varied']['confounded']);
        // What practice says of 28 s it says of 27 s too, and of 15 s nothing.
        self::assertNull($planned['setups'][0]['expectedHold']);
        self::assertNotNull($planned['setups'][2]['expectedHold']);
        self::assertStringContainsString($plan['setups'][0]['exposureS']."\u{a0}s", $planned['setups'][0]['name']);
        $plan['setups'][1]['exposureS'] = null;
        self::assertSame('setups.1.exposureS', $this->ask('POST', '/api/comparisons', $plan, 422)['errors'][0]['field']);
    }

    /** Two gaps on one plate are two settings: what one shows is no evidence for the other. */
    public function testRunsWithAGapOfTheirOwnSpeakForThatGapOnly(): void
    {
        $this->signIn('technician');
        $plan = $this->begin(['kind' => 'gap'])['plan'];
        $plan = ['runsPerSetup' => 2, 'setups' => \array_slice($plan['setups'], 0, 2)] + $plan;
        $planned = $this->ask('POST', '/api/comparisons', $plan, 201);
        self::assertNotSame($planned['setups'][0]['gapMm'], $planned['setups'][1]['gapMm']);
        $started = $this->ask('POST', "/api/comparisons/{$planned['id']}/start", ['version' => $planned['version']], 200);
        $table = "setup,run,measure,value,unit,status\n";
        foreach (['A' => [1, 2], 'B' => [3]] as $label => $runs) {
            foreach ($runs as $run) {
                $table .= "$label,$run,held,1,,exact\n$label,$run,effort,1,,exact\n$label,$run,damage,0,,exact\n";
            }
        }
        $this->ask('POST', "/api/comparisons/{$planned['id']}/import", ['version' => $started['version'], 'table' => $table], 201);
        foreach ([2, 1] as $i => $runs) {
            $wish = ['setupId' => $planned['setups'][$i]['id'], 'plan' => ['reliability' => 0.8, 'confidence' => 0.9, 'failuresAllowed' => 0], 'anyLot' => false, 'anyPlate' => false];
            self::assertSame($runs, $this->ask('POST', '/api/profiles/assess', $wish, 200)['runs'], $planned['setups'][$i]['name']);
        }
        $gaps = $this->database()->fetchFirstColumn('SELECT DISTINCT gap_mm FROM run_tally t JOIN setup s USING (gap_mm) WHERE s.comparison_id = ?', [Uuid::fromString($planned['id'])->toBinary()]);
        self::assertCount(2, $gaps);
    }

    /** What a brim of its own held says nothing of a part without one: no number of Choose may rest on it. */
    public function testRunsWithABrimOfTheirOwnAreKeptApart(): void
    {
        $this->signIn('technician');
        $plan = $this->begin(['kind' => 'grid'])['plan'];
        $bare = $plan['setups'][0];
        $plan = ['runsPerSetup' => 2, 'setups' => [$bare, ['brim' => 'ears'] + $bare]] + $plan;
        $planned = $this->ask('POST', '/api/comparisons', $plan, 201);
        self::assertSame([null, 'ears'], array_column($planned['setups'], 'brim'));
        self::assertNull($planned['setups'][1]['expectedHold'], 'Nothing was expected of ears in somebody’s own words.');
        $started = $this->ask('POST', "/api/comparisons/{$planned['id']}/start", ['version' => $planned['version']], 200);
        $table = "setup,run,measure,value,unit,status\nB,1,held,1,,exact\nB,1,effort,1,,exact\nB,1,damage,0,,exact\n";
        $choice = fn (): array => array_map(static fn (array $each): array => [$each['label'], $each['hold']], $this->ask('POST', '/api/choose', ['materialId' => 'pla', 'printerId' => $plan['printerId'], 'lotId' => $plan['lotId'], 'roomC' => 20, 'partCount' => 1, 'jobMinutes' => null, 'part' => null], 200)['candidates']);
        $before = $choice();
        $this->ask('POST', "/api/comparisons/{$planned['id']}/import", ['version' => $started['version'], 'table' => $table], 201);
        self::assertSame(1, (int) $this->database()->fetchOne('SELECT COUNT(*) FROM run_tally WHERE own_brim = 1'));
        self::assertEquals($before, $choice());
        $wish = ['plan' => ['reliability' => 0.8, 'confidence' => 0.9, 'failuresAllowed' => 0], 'anyLot' => false, 'anyPlate' => false];
        self::assertSame([0, 1], array_map(fn (array $setup): int => $this->ask('POST', '/api/profiles/assess', ['setupId' => $setup['id']] + $wish, 200)['runs'], $planned['setups']));
    }

    /** By what a plate is held and with what it is cleaned is held constant; a lift is measured at a bar, and a file is one material's. */
    public function testWhatIsHeldConstantFollowsPlateMeasureAndMaterial(): void
    {
        $this->signIn('technician');
        $pla = $this->pick('/api/lots', 'materialId', 'pla')['id'];
        $north = $this->pick('/api/printers', 'name', 'North bay')['id'];
        $side = fn (string $label): string => $this->pick('/api/plate-sides', 'label', $label)['id'];
        $on = static fn (string $id): array => ['plateSideId' => $id, 'agentId' => null, 'bedFirstC' => 60, 'bedOtherC' => 60];
        $begin = fn (array $more): array => $this->begin(['kind' => 'grid', 'lotId' => $pla, 'printerId' => $north] + $more)['plan'];
        // P6 is glass in clips, P1 lies on magnets; glass is wiped with alcohol, PEI washed with soap (common practice).
        $constants = $begin(['asTheyAre' => true, 'setups' => [$on($side('P6 front'))]])['constants'];
        self::assertSame(['clips', 'alcohol'], [$constants['holdDown'], $constants['cleaning']]);
        $both = $begin(['asTheyAre' => true, 'setups' => [$on($side('P6 front')), $on($side('P1 front'))]])['constants'];
        self::assertStringContainsString('magnets', $both['holdDown']);
        self::assertStringContainsString('clips', $both['holdDown']);
        $lift = $begin(['measures' => ['lift']])['constants'];
        self::assertSame(['Warp bar with a point', 100.0, 'warp-bar.gcode'], [$lift['piece']['name'], (float) $lift['piece']['alongPullMm'], $lift['gcodeName']]);
        // By hand: 100 × 8, and the point of 15 mm has half of its own.
        self::assertEqualsWithDelta(740.0, $lift['piece']['contactAreaMm2'], 1e-9);
        $last = $this->ask('POST', '/api/comparisons', ['constants' => ['gcodeName' => 'guide-pa.gcode'] + $begin([])['constants']] + $begin([]), 201);
        self::assertSame('guide-pa.gcode', $begin([])['constants']['gcodeName'], 'The same material goes on with its file.');
        $abs = $this->pick('/api/lots', 'materialId', 'abs')['id'];
        self::assertSame('pull-block.gcode', $this->begin(['kind' => 'grid', 'lotId' => $abs, 'printerId' => $north])['plan']['constants']['gcodeName'], 'Sliced for PLA it is no file for ABS.');
        $ends = $this->begin(['kind' => 'ends', 'lotId' => $pla, 'printerId' => $north])['plan'];
        self::assertSame([['lift'], 'Square and rounded bar', 'bar-pair.gcode'], [$ends['proof']['measures'], $ends['constants']['piece']['name'], $ends['constants']['gcodeName']], 'Whatever was ticked, lift alone answers it.');
        $planned = $this->ask('POST', '/api/comparisons', $ends, 201);
        self::assertSame([['square', 'round'], false], [array_column($planned['setups'], 'ends'), $planned['varied']['confounded']]);
        self::assertStringContainsString('round ends', $planned['setups'][1]['name']);
        self::assertNotSame($last['id'], $planned['id']);
        $odd = ['constants' => ['alsoMaterialIds' => ['petg', 'porridge']] + $ends['constants']] + $ends;
        self::assertSame('constants.alsoMaterialIds.1', $this->ask('POST', '/api/comparisons', $odd, 422)['errors'][0]['field']);
        $seven = ['constants' => ['alsoMaterialIds' => ['petg', 'abs', 'asa', 'tpu', 'pa', 'pc', 'pp']] + $ends['constants']] + $ends;
        self::assertCount(7, $this->ask('POST', '/api/comparisons', $seven, 201)['constants']['alsoMaterialIds']);
    }

    /** What practice rules out is planned by whoever has a reason, and begun on the word of a lead with all ready; Choose goes on ruling it out. */
    public function testWhatIsRuledOutIsTestedOnTheWordOfALead(): void
    {
        $this->signIn('technician');
        $lot = $this->pick('/api/lots', 'materialId', 'petg');
        $printer = $this->pick('/api/printers', 'name', 'North bay');
        $question = ['materialId' => 'petg', 'printerId' => $printer['id'], 'lotId' => $lot['id'], 'roomC' => 20, 'partCount' => 1, 'jobMinutes' => null, 'part' => null];
        $ruled = fn (): array => array_values(array_filter(
            $this->ask('POST', '/api/choose', $question, 200)['rejections'],
            static fn (array $each): bool => str_contains($each['reason'], 'for good: only with a barrier') && null !== $each['test'],
        ));
        $test = $ruled()[0]['test'];
        $setup = ['plateSideId' => $test['plateSideId'], 'agentId' => null, 'bedFirstC' => $test['bedFirstC'], 'bedOtherC' => $test['bedFirstC'], 'unheated' => false];
        $asked = ['kind' => 'grid', 'lotId' => $lot['id'], 'printerId' => $printer['id'], 'setups' => [$setup]];
        $plan = $this->begin($asked + ['asTheyAre' => true])['plan'];
        self::assertCount(1, $plan['setups']);
        self::assertSame(['may_be_lost'], array_column($this->ask('POST', '/api/plans/order', $plan, 200)['setups'][0]['risk']['precautions'], 'key'));
        self::assertSame([], $this->begin($asked)['plan']['setups'] ?? [], 'Nobody is led into it.');
        $planned = $this->ask('POST', '/api/comparisons', $plan, 201);
        $start = ['version' => $planned['version']];
        self::assertStringContainsString('a lead has to take it on first', $this->ask('POST', "/api/comparisons/{$planned['id']}/start", $start, 422)['detail']);
        $risk = ['version' => $planned['version'], 'setupId' => $planned['setups'][0]['id'], 'why' => 'a worn sheet that goes anyhow', 'precautions' => ['may_be_lost']];
        $this->ask('POST', "/api/comparisons/{$planned['id']}/risks", $risk, 403);
        $this->signIn('lead');
        self::assertSame('precautions', $this->ask('POST', "/api/comparisons/{$planned['id']}/risks", ['precautions' => []] + $risk, 422)['errors'][0]['field']);
        $taken = $this->ask('POST', "/api/comparisons/{$planned['id']}/risks", $risk, 200);
        self::assertSame('a worn sheet that goes anyhow', $taken['setups'][0]['riskTaken']['why']);
        // A plan that is saved again keeps the word where nothing of it was changed, and loses it where something was.
        $edit = fn (array $setup, int $version): array => $this->ask('PUT', "/api/comparisons/{$planned['id']}", ['setups' => [$setup], 'version' => $version] + $plan, 200);
        $hotter = $edit(['bedFirstC' => $test['bedFirstC'] + 3, 'bedOtherC' => $test['bedFirstC'] + 3] + $setup, $edit($setup, $taken['version'])['version']);
        self::assertNull($hotter['setups'][0]['riskTaken']);
        $risk = ['version' => $hotter['version'], 'setupId' => $hotter['setups'][0]['id']] + $risk;
        $taken = $this->ask('POST', "/api/comparisons/{$planned['id']}/risks", $risk, 200);
        self::assertNotNull($edit(['bedFirstC' => $test['bedFirstC'] + 3, 'bedOtherC' => $test['bedFirstC'] + 3] + $setup, $taken['version'])['setups'][0]['riskTaken']);
        $started = $this->ask('POST', "/api/comparisons/{$planned['id']}/start", ['version' => $taken['version'] + 1], 200);
        self::assertStringContainsString('a worn sheet that goes anyhow', implode(' ', $this->ask('GET', "/api/runs/{$started['runs'][0]['id']}", null, 200)['sheet'][0]['cautions']));
        $this->ask('POST', "/api/comparisons/{$planned['id']}/risks", ['version' => $started['version'], 'setupId' => $started['setups'][0]['id']] + $risk, 409);
        self::assertNotSame([], $ruled(), 'A test planned is no reason to print with it.');
        // The fact of a lead lifts what it speaks of, in Choose too.
        $side = $this->pick('/api/plate-sides', 'id', $test['plateSideId']);
        $this->ask('POST', '/api/catalogue/facts', [
            'materialId' => 'petg', 'surfaceId' => $side['surfaceId'], 'agentKindId' => null, 'window' => null, 'releaseC' => null,
            'role' => 'none', 'hold' => 'strong', 'release' => 'fair', 'barrier' => true, 'why' => 'sheets of this batch let go, six times',
        ], 201);
        self::assertNotContains($test['plateSideId'], array_map(static fn (array $each): string => $each['test']['plateSideId'], $ruled()));
    }

    public function testRungsInTurnBeginWithTheFirstAndNeverAtOneLook(): void
    {
        $this->signIn('technician');
        $plan = $this->begin(['kind' => 'escalation', 'sure' => 'use'])['plan'];
        $planned = $this->ask('POST', '/api/comparisons', $plan, 201);
        $started = $this->ask('POST', "/api/comparisons/{$planned['id']}/start", ['version' => $planned['version']], 200);
        self::assertSame([$planned['setups'][0]['id']], array_values(array_unique(array_column($started['runs'], 'setupId'))));
        $plan['proof']['design'] = 'fixed';
        self::assertSame('proof.design', $this->ask('POST', '/api/plans/order', $plan, 422)['errors'][0]['field']);
    }

    public function testWithoutALotItSaysWhatIsMissing(): void
    {
        $this->signIn('technician');
        $this->database()->executeStatement('UPDATE lot SET retired = 1');
        $this->database()->executeStatement("UPDATE user_account SET bench = '{}'");
        $begun = $this->begin(['kind' => 'grid']);
        self::assertSame([null, ['Nothing to test yet. Enter a lot on the shelf first.']], [$begun['plan'], $begun['leftOut']]);
    }

    /**
     * @param array<string, mixed> $body
     *
     * @return array<string, mixed>
     */
    private function begin(array $body): array
    {
        /* @var array<string, mixed> */
        return $this->ask('POST', '/api/plans/begin', $body + self::LOOK, 200);
    }
}
