<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use Symfony\Component\Uid\Uuid;

final class ComparisonTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('technician');
    }

    public function testFromCandidatesToAProfile(): void
    {
        $choice = $this->choose(15);
        self::assertFalse($choice['profiles'][0]['inScope'], 'The room is colder than proven.');
        $candidate = $choice['candidates'][0];
        $comparison = $this->ask(
            'POST',
            '/api/comparisons',
            $this->plan([['plateSideId' => $candidate['plateSideId'], 'agentId' => $candidate['agentId'], 'bedFirstC' => 57, 'bedOtherC' => 57]]),
            201,
        );
        self::assertSame('draft', $comparison['status']);
        self::assertCount(12, $comparison['plan']['runs']);
        self::assertEqualsWithDelta(120, $comparison['piece']['contactAreaMm2'], 0);
        // By hand: 20 N over 120 mm²; 6·20·8/(6·20²) at the edge.
        self::assertEqualsWithDelta(20 / 120, $comparison['piece']['hotLimitMpa'], 1e-12);
        self::assertEqualsWithDelta(0.4, $comparison['piece']['hotLimitEdgePeelMpa'], 1e-12);

        $path = '/api/comparisons/'.$comparison['id'];
        $started = $this->ask('POST', "$path/start", ['version' => 1], 200);
        self::assertSame(array_column($comparison['plan']['runs'], 'pull'), array_column($started['runs'], 'pull'), 'The planned order is the order.');
        $this->ask('POST', "$path/start", ['version' => $started['version']], 409);
        $this->ask(
            'PUT',
            $path,
            ['version' => $started['version']] + $this->plan([[
                'plateSideId' => $candidate['plateSideId'],
                'agentId' => null,
                'bedFirstC' => 60,
                'bedOtherC' => 60,
            ]]),
            409,
        );

        $table = $this->table();
        $preview = $this->ask('POST', "$path/import-preview", ['table' => $table], 200);
        self::assertSame([12, 42, 0, []], [$preview['runs'], $preview['readings'], $preview['voids'], $preview['faults']]);
        self::assertSame('not_yet_known', $this->ask('GET', "$path/judgement", null, 200)['setups'][0]['verdict']);
        $this->ask('POST', "$path/import", ['version' => $started['version'], 'table' => $table], 201);
        $this->ask('POST', "$path/import", ['version' => $started['version'], 'table' => $table], 409);

        $judgement = $this->ask('GET', "$path/judgement", null, 200);
        self::assertSame('holds_and_lets_go', $judgement['setups'][0]['verdict']);
        // R: mean(c(31.2, 28.4, 33.9, 30.1, 27.2, 34.0)) = 30.8
        self::assertEqualsWithDelta(30.8, $judgement['setups'][0]['hotPull']['meanN'], 1e-9);
        self::assertEqualsWithDelta(30.8 / 120, $judgement['setups'][0]['hotPull']['meanMpa'], 1e-9);
        $closed = $this->ask('POST', "$path/close", ['version' => $judgement['comparison']['version']], 200);
        self::assertSame('closed', $closed['status']);
        $recorded = $this->ask('GET', "$path/judgement", null, 200)['recorded'];
        self::assertSame([12, false, 'Mara'], [$recorded['runs'], $recorded['differs'], $recorded['by']]);

        $this->keep($closed['setups'][0]['id']);
    }

    private function keep(string $setup): void
    {
        $wish = ['setupId' => $setup, 'plan' => ['reliability' => 0.8, 'confidence' => 0.9, 'failuresAllowed' => 0], 'anyLot' => false, 'anyPlate' => false];
        $assessment = $this->ask('POST', '/api/profiles/assess', $wish, 200);
        self::assertSame([true, 12, 11], [$assessment['carried'], $assessment['runs'], $assessment['runsNeeded']]);
        $more = $this->ask('POST', '/api/profiles/assess', ['plan' => ['reliability' => 0.9, 'confidence' => 0.9, 'failuresAllowed' => 0]] + $wish, 200);
        self::assertSame(['12 of 22 runs are done: 10 more.'], $more['missing']);
        $profile = $this->ask('POST', '/api/profiles', ['title' => 'Grey on P1', 'reviewBy' => '2030-01-01'] + $wish, 201);
        self::assertSame('unsigned', $profile['status']);
        $path = '/api/profiles/'.$profile['id'];
        self::assertSame([], $this->ask('GET', "$path/assessment", null, 200)['missing']);

        $sign = ['version' => 1, 'password' => 'hilltop', 'trial' => false, 'reason' => ''];
        $this->ask('POST', "$path/sign", $sign, 403);
        $this->signIn('lead');
        $this->ask('POST', "$path/sign", ['password' => 'wrong'] + $sign, 422);
        $this->ask('POST', "$path/sign", ['version' => 9] + $sign, 409);
        $signed = $this->ask('POST', "$path/sign", $sign, 200);
        self::assertSame(['validated', 'Tilo'], [$signed['status'], $signed['signedBy']]);
        $this->ask('POST', "$path/sign", ['version' => $signed['version']] + $sign, 409);

        $first = $this->choose(20)['profiles'][0];
        self::assertTrue($first['inScope']);
        self::assertContains('Grey on P1', array_column($this->choose(20)['profiles'], 'title'));

        // A change of the printer puts earlier runs in question.
        $printer = $this->pick('/api/printers', 'name', 'North bay');
        $this->ask('POST', "/api/printers/{$printer['id']}/changes", ['kind' => 'nozzle', 'note' => 'new'], 201);
        self::assertSame('0 of 11 runs are done: 11 more.', $this->ask('POST', '/api/profiles/assess', $wish, 200)['missing'][0]);

        $withdrawn = $this->ask('POST', "$path/withdraw", ['version' => $signed['version'], 'password' => 'hilltop', 'reason' => 'New nozzle.'], 200);
        self::assertSame('withdrawn', $withdrawn['status']);
        self::assertNotContains('Grey on P1', array_column($this->choose(20)['profiles'], 'title'));
    }

    public function testNobodySignsWhatTheEvidenceDoesNotCarryButATrialWithAReason(): void
    {
        $comparison = $this->pick('/api/comparisons', 'status', 'running');
        $setup = $this->ask('GET', '/api/comparisons/'.$comparison['id'], null, 200)['setups'][1]['id'];
        $profile = $this->ask(
            'POST',
            '/api/profiles',
            [
                'setupId' => $setup,
                'title' => 'Too early',
                'plan' => ['reliability' => 0.8, 'confidence' => 0.9, 'failuresAllowed' => 0],
                'anyLot' => true,
                'anyPlate' => false,
                'reviewBy' => '2030-01-01',
            ],
            201,
        );
        $this->signIn('lead');
        $sign = ['version' => 1, 'password' => 'hilltop', 'trial' => false, 'reason' => ''];
        $refused = $this->ask('POST', "/api/profiles/{$profile['id']}/sign", $sign, 422);
        self::assertNotSame([], $refused['errors']);
        $this->ask('POST', "/api/profiles/{$profile['id']}/sign", ['trial' => true, 'reason' => 'short'] + $sign, 422);
        $trial = $this->ask('POST', "/api/profiles/{$profile['id']}/sign", ['trial' => true, 'reason' => 'Only plate in the shop this week.'] + $sign, 200);
        self::assertSame('trial', $trial['status']);
        self::assertStringStartsWith('On trial, not proven: of ', $trial['accepted']);
        self::assertStringEndsWith('Only plate in the shop this week.', $trial['accepted']);
        $later = $this->ask(
            'POST',
            '/api/profiles',
            [
                'setupId' => $setup,
                'series' => $profile['id'],
                'title' => 'Second',
                'plan' => ['reliability' => 0.8, 'confidence' => 0.9, 'failuresAllowed' => 0],
                'anyLot' => false,
                'anyPlate' => false,
                'reviewBy' => '2030-01-01',
            ],
            201,
        );
        self::assertSame(2, $later['revision']);
        $this->ask('POST', "/api/profiles/{$later['id']}/sign", ['trial' => true, 'reason' => 'Takes the place of the first.'] + $sign, 200);
        self::assertSame('Replaced by revision 2.', $this->ask('GET', '/api/profiles/'.$profile['id'], null, 200)['withdrawnReason']);
    }

    public function testExportAndImport(): void
    {
        $profile = $this->pick('/api/profiles', 'title', 'House grey PLA on textured P1');
        $document = $this->ask('GET', "/api/profiles/{$profile['id']}/export", null, 200);
        self::assertSame('Tilo', $document['signature']['by']);
        $id = Uuid::v7()->toRfc4122();
        $imported = $this->ask('POST', '/api/profiles/import', ['id' => $id, 'document' => $document], 201);
        self::assertSame(['unsigned', true, null], [$imported['status'], $imported['imported'], $imported['signedBy']]);
        $this->ask('POST', '/api/profiles/import', ['id' => $id, 'document' => $document], 200);
        self::assertStringContainsString('comes from elsewhere', $this->ask('GET', "/api/profiles/$id/assessment", null, 200)['missing'][0]);
        unset($document['scope']['roomLowC']);
        $document['evidence']['runs'] = -1;
        $fields = array_column($this->ask('POST', '/api/profiles/import', ['document' => $document], 422)['errors'], 'field');
        self::assertEqualsCanonicalizing(['document.scope.roomLowC', 'document.evidence.runs'], $fields);
        $this->ask('POST', '/api/profiles/import', ['document' => ['format' => 'other']], 422);
    }

    public function testPlansThatWouldCostAPlateDoNotBeginAndThoseBeyondALimitAreRefused(): void
    {
        $setup = ['plateSideId' => $this->side('P1 back'), 'agentId' => null, 'bedFirstC' => 70, 'bedOtherC' => 70];
        $petg = $this->pick('/api/lots', 'label', 'L-201')['id'];
        $planned = $this->ask('POST', '/api/comparisons', ['lotId' => $petg] + $this->plan([$setup]), 201);
        self::assertStringContainsString('only with a barrier', $planned['setups'][0]['risk']['reasons'][0]);
        $refused = $this->ask('POST', "/api/comparisons/{$planned['id']}/start", ['version' => $planned['version']], 422);
        self::assertSame('setups', $refused['errors'][0]['field'], 'Without the word of a lead it does not begin.');
        self::assertStringContainsString('too hot', $this->ask('POST', '/api/comparisons', $this->plan([['bedFirstC' => 130] + $setup]), 422)['detail']);
        $darkroom = $this->pick('/api/printers', 'name', 'Darkroom')['id'];
        $this->ask('POST', '/api/comparisons', ['printerId' => $darkroom] + $this->plan([$setup]), 422);
        self::assertSame('hotPerSetup', $this->ask('POST', '/api/comparisons', ['hotPerSetup' => 20] + $this->plan([$setup]), 422)['errors'][0]['field']);
        $this->ask('POST', '/api/comparisons', ['setups' => []] + $this->plan([$setup]), 422);
        $constants = $this->plan([$setup])['constants'];
        unset($constants['piece']['alongPullMm']);
        self::assertSame(
            'constants.piece.alongPullMm',
            $this->ask('POST', '/api/comparisons', ['constants' => $constants] + $this->plan([$setup]), 422)['errors'][0]['field'],
        );
    }

    public function testAFaultyTableTakesNothing(): void
    {
        $comparison = $this->pick('/api/comparisons', 'status', 'running');
        $path = '/api/comparisons/'.$comparison['id'];
        $version = $this->ask('GET', $path, null, 200)['version'];
        $before = $this->rowsIn('reading');
        $bad = "setup,run,measure,value,unit,status\nA,1,held,1,,exact\nA,1,pull_hot,12,kg,exact\nQ,1,held,1,,exact\n";
        self::assertSame([3], array_column($this->ask('POST', "$path/import-preview", ['table' => $bad], 200)['faults'], 'line'));
        self::assertSame('line 3', $this->ask('POST', "$path/import", ['version' => $version, 'table' => $bad], 422)['errors'][0]['field']);
        self::assertSame($before, $this->rowsIn('reading'));
        $draft = $this->pick('/api/comparisons', 'status', 'draft');
        $this->ask('POST', "/api/comparisons/{$draft['id']}/import-preview", ['table' => $bad], 409);
    }

    public function testRunsCanBeAddedAndTheVerdictSaysSo(): void
    {
        $comparison = $this->pick('/api/comparisons', 'status', 'closed');
        $detail = $this->ask('GET', '/api/comparisons/'.$comparison['id'], null, 200);
        $more = $this->ask(
            'POST',
            "/api/comparisons/{$comparison['id']}/runs",
            ['id' => Uuid::v7()->toRfc4122(), 'version' => $detail['version'], 'setupId' => $detail['setups'][0]['id'], 'count' => 3, 'pull' => 'both'],
            200,
        );
        self::assertSame(\count($detail['runs']) + 3, \count($more['runs']));
        self::assertTrue($more['grewAfterVerdict']);
        self::assertTrue($this->ask('GET', "/api/comparisons/{$comparison['id']}/judgement", null, 200)['grewAfterVerdict']);
        $this->ask(
            'POST',
            "/api/comparisons/{$comparison['id']}/runs",
            ['id' => Uuid::v7()->toRfc4122(), 'version' => $more['version'], 'setupId' => Uuid::v7()->toRfc4122(), 'count' => 3, 'pull' => 'hot'],
            422,
        );
    }

    public function testChooseExplainsItself(): void
    {
        $this->ask(
            'POST',
            '/api/choose',
            ['materialId' => 'gold', 'printerId' => $this->pick('/api/printers', 'name', 'Dome')['id'], 'lotId' => null, 'roomC' => 20, 'partCount' => 1],
            422,
        );
        $choice = $this->choose(20);
        self::assertTrue($choice['profiles'][0]['inScope']);
        self::assertSame('House grey PLA on textured P1', $choice['profiles'][0]['title']);
        self::assertSame(
            [12, 0, 0],
            [$choice['candidates'][0]['ownRuns'][0]['held'], $choice['candidates'][0]['ownRuns'][0]['failed'], $choice['candidates'][0]['ownRuns'][0]['stuck']],
        );
        foreach ($choice['rejections'] as $rejection) {
            self::assertNotSame('', $rejection['reason']);
        }
        $wrongLot = $this->pick('/api/lots', 'label', 'L-201')['id'];
        self::assertSame(
            'lotId',
            $this->ask(
                'POST',
                '/api/choose',
                [
                    'materialId' => 'pla',
                    'printerId' => $this->pick('/api/printers', 'name', 'Dome')['id'],
                    'lotId' => $wrongLot,
                    'roomC' => 20,
                    'partCount' => 1,
                ],
                422,
            )['errors'][0]['field'],
        );
    }

    /** @return array<mixed> */
    private function choose(float $room): array
    {
        return $this->ask(
            'POST',
            '/api/choose',
            [
                'materialId' => 'pla',
                'printerId' => $this->pick('/api/printers', 'name', 'North bay')['id'],
                'lotId' => $this->pick('/api/lots', 'label', 'L-101')['id'],
                'roomC' => $room,
                'partCount' => 1,
                'jobMinutes' => 20,
            ],
            200,
        );
    }

    private function table(): string
    {
        $table = "setup,run,measure,value,unit,status\n";
        foreach ([31.2, 28.4, 33.9, 30.1, 27.2, 34.0] as $i => $pull) {
            $table .= "A,h$i,held,1,,exact\nA,h$i,pull_hot,$pull,N,exact\n";
        }
        foreach ([4.1, 5.2, 3.0, 6.4, 4.6, 5.0] as $i => $pull) {
            $table .= "A,c$i,held,1,,exact\nA,c$i,pull_cold,$pull,N,exact\nA,c$i,effort,1,,exact\nA,c$i,damage,0,,exact\nA,c$i,release_temp,"
                .(33 + $i)
                .",°C,exact\n";
        }

        return $table;
    }

    public function testComparisonsAreSearchedAndPagedByKey(): void
    {
        $this->signIn('technician');
        $all = $this->ask('GET', '/api/comparisons', null, 200);
        $titles = array_column($all, 'title');
        self::assertSame(\array_slice($titles, 2), array_column($this->ask('GET', '/api/comparisons?after='.$all[1]['id'], null, 200), 'title'));
        self::assertSame(['Dew shields in night-black PETG: bare, stick or cool plate?'], array_column($this->ask('GET', '/api/comparisons?find=petg%20south', null, 200), 'title'));
        self::assertSame([], $this->ask('GET', '/api/comparisons?find=100%25', null, 200), 'A sign of the database is a sign like any other.');
        self::assertContains('draft', array_column($all, 'status'));
        // Each line says what comes next, and a verdict its mark for each setup.
        $next = array_column($all, 'next', 'status');
        self::assertSame(['Start it', null], [$next['draft'], $next['closed']]);
        self::assertMatchesRegularExpression('/^(A run is under way, \d+ to go|Make the next run, \d+ to go|All runs are done: look at the verdict)$/', $next['running']);
        $verdicts = $this->ask('GET', '/api/verdicts', null, 200);
        self::assertNotContains('draft', array_column($verdicts, 'status'));
        foreach ($verdicts as $row) {
            self::assertSame('closed' !== $row['status'], [] === $row['verdicts'], $row['title']);
        }
        $closed = $this->pick('/api/verdicts', 'status', 'closed');
        $judged = $this->ask('GET', "/api/comparisons/{$closed['id']}/judgement", null, 200)['setups'];
        self::assertSame(array_column($judged, 'verdict', 'label'), array_column($closed['verdicts'], 'verdict', 'label'));
        $this->ask('GET', '/api/comparisons?after='.Uuid::v7()->toRfc4122(), null, 422);
    }

    public function testAResinTakesTheSameWayWithStepsOfItsOwn(): void
    {
        $this->signIn('technician');
        $draft = $this->ask('GET', '/api/comparisons/'.$this->pick('/api/comparisons', 'status', 'draft')['id'], null, 200);
        $sides = array_map(fn (string $label): string => $this->pick('/api/plate-sides', 'label', $label)['id'], ['P15 front', 'P16 front']);
        $setups = array_map(static fn (string $side): array => ['plateSideId' => $side, 'agentId' => null, 'bedFirstC' => null, 'bedOtherC' => null, 'unheated' => true, 'exposureS' => 28], $sides);
        $body = ['title' => 'Which plate for the discs?', 'lotId' => $this->pick('/api/lots', 'label', 'L-701')['id'], 'setups' => $setups, 'runsPerSetup' => 2, 'hotPerSetup' => 0,
            'limits' => ['hotPullAtLeastN' => null, 'coldPullAtMostN' => null, 'effortAtMost' => 2, 'failuresAllowed' => 0],
            'proof' => ['criterion' => 'counts', 'measures' => []] + $draft['proof'],
            'durations' => ['heatAndSoakMinutes' => 0, 'coolMinutes' => 0] + $draft['durations'],
        ] + array_intersect_key($draft, array_flip(['roomC', 'constants', 'seed']));
        $refused = $this->ask('POST', '/api/comparisons', $body + ['printerId' => $this->pick('/api/printers', 'name', 'Dome')['id']], 422);
        self::assertStringContainsString('does not print resin', $refused['errors'][0]['message']);
        $planned = $this->ask('POST', '/api/comparisons', $body + ['printerId' => $this->pick('/api/printers', 'name', 'Darkroom')['id']], 201);
        $started = $this->ask('POST', "/api/comparisons/{$planned['id']}/start", ['version' => $planned['version']], 200);
        self::assertNotNull($started['setups'][0]['expectedHold']);
        $run = $started['runs'][0]['id'];
        $sheet = $this->ask('GET', "/api/runs/$run", null, 200);
        self::assertSame(['prepare', 'print', 'first_layer', 'cold_pull', 'wash', 'cure', 'inspect', 'clean'], array_values(array_diff($sheet['steps'], ['weigh_in'])));
        $words = json_encode($sheet['sheet'], \JSON_UNESCAPED_UNICODE | \JSON_THROW_ON_ERROR);
        self::assertStringContainsString('uncured resin harms skin and eyes', $words);
        foreach (['hot enough to burn', 'moving nozzle', 'first-layer gap', 'Switch the bed off'] as $ofFilament) {
            self::assertStringNotContainsString($ofFilament, $words);
        }
        $act = function (string $what, array $body, int $status = 200) use ($run): void {
            $version = $this->ask('GET', "/api/runs/$run", null, 200)['run']['version'];
            $this->ask('POST', "/api/runs/$run/$what", ['version' => $version] + $body, $status);
        };
        foreach (['prepare', 'print', 'first_layer'] as $step) {
            $act('step', ['step' => $step]);
        }
        $act('step', ['step' => 'heat_and_soak'], 422);
        $act('step', ['step' => 'cold_pull'], 422);
        $act('outcome', ['outcome' => 'held', 'note' => '']);
        $act('step', ['step' => 'cold_pull']);
        foreach (['effort' => 1, 'damage' => 0] as $measure => $value) {
            $this->ask('POST', "/api/runs/$run/readings", ['id' => Uuid::v7()->toRfc4122(), 'measure' => $measure, 'value' => $value, 'unit' => '', 'atLeast' => false], 201);
        }
        $act('step', ['step' => 'clean']);
        $act('finish', []);
        $judged = $this->ask('GET', "/api/comparisons/{$planned['id']}/judgement", null, 200);
        self::assertSame('not_yet_known', $judged['setups'][0]['verdict']);
        // What is kept of a resin is its exposure.
        $plan = ['reliability' => 0.8, 'confidence' => 0.9, 'failuresAllowed' => 0];
        $profile = $this->ask('POST', '/api/profiles', ['id' => Uuid::v7()->toRfc4122(), 'setupId' => $started['setups'][0]['id'], 'title' => 'Discs', 'plan' => $plan, 'anyLot' => false, 'anyPlate' => false, 'reviewBy' => '2030-01-01'], 201);
        self::assertSame([28, null], [(int) $profile['document']['setting']['exposureS'], $profile['document']['setting']['nozzleFirstC']]);
    }
}
