<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use Symfony\Component\Uid\Uuid;

final class ShelfTest extends ApiTestCase
{
    private const LOT = ['label' => 'L-900', 'materialId' => 'pla', 'name' => 'House red', 'driedOn' => '2026-01-31', 'note' => ''];
    private const PLATE = [
        'number' => 'P90',
        'widthMm' => 200,
        'depthMm' => 200,
        'heldBy' => 'magnet',
        'printerId' => null,
        'note' => '',
        'sides' => [['face' => 'front', 'surfaceId' => 'glass', 'surfaceLot' => 'pane', 'limitC' => null]],
    ];

    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('technician');
    }

    /** A soak that cost force is no soak passed; its three forces are kept. */
    public function testASoakTestKeepsItsForcesAndIsRefusedWhereTheyFell(): void
    {
        $this->signIn('technician');
        $north = $this->pick('/api/printers', 'name', 'North bay');
        $with = array_diff_key($north, ['id' => 0]);
        $weaker = ['magnetSoakC' => 100, 'magnetBeforeN' => [20, 21, 22], 'magnetAfterN' => [15, 16, 16]] + $with;
        self::assertSame('magnetSoakC', $this->ask('PUT', "/api/printers/{$north['id']}", $weaker, 422)['errors'][0]['field']);
        $kept = $this->ask('PUT', "/api/printers/{$north['id']}", ['magnetAfterN' => [20, 20, 21]] + $weaker, 200);
        self::assertEquals([20, 20, 21], $kept['magnetAfterN']);
    }

    public function testAFeelerSaysTheOffsetWhereNoughtIsSetByHand(): void
    {
        $this->signIn('technician');
        $feeler = $this->ask('POST', '/api/feelers', ['name' => 'steel shim', 'thicknessMm' => 0.05, 'drag' => 'just felt'], 201);
        $north = $this->pick('/api/printers', 'name', 'North bay');
        $heeds = fn (): string => implode(' ', $this->ask('POST', '/api/choose', [
            'materialId' => 'pla', 'printerId' => $north['id'], 'lotId' => null, 'roomC' => 20, 'partCount' => 1, 'jobMinutes' => null, 'gapMm' => 0.12,
        ], 200)['detail']['heeds']);
        self::assertStringNotContainsString('steel shim', $heeds(), 'The nozzle finds the plate by itself.');
        $this->ask('PUT', "/api/printers/{$north['id']}", ['probe' => 'by_hand'] + array_diff_key($north, ['id' => 0]), 200);
        self::assertStringContainsString("Set nought with steel shim, just felt; type 0.07\u{a0}mm for a gap of 0.12\u{a0}mm.", $heeds());
        $this->ask('PUT', "/api/feelers/{$feeler['id']}", ['version' => $feeler['version'], 'name' => 'steel shim', 'thicknessMm' => 0.05, 'retired' => true], 200);
        self::assertStringNotContainsString('steel shim', $heeds());
    }

    public function testTheSameSendIsTheSameRow(): void
    {
        $id = Uuid::v7()->toRfc4122();
        $first = $this->ask('POST', '/api/lots', ['id' => $id] + self::LOT, 201);
        $again = $this->ask('POST', '/api/lots', self::LOT + ['id' => $id], 200);
        self::assertSame($first, $again);
        $other = $this->ask('POST', '/api/lots', ['id' => $id, 'name' => 'House blue'] + self::LOT, 409);
        self::assertSame('id', $other['errors'][0]['field']);
        $this->ask('POST', '/api/lots', self::LOT, 409);
        $this->ask('GET', '/api/lots', null, 200);
    }

    public function testAStaleEditIsRefusedWithBothVersions(): void
    {
        $lot = $this->ask('POST', '/api/lots', self::LOT, 201);
        $edit = ['retired' => false, 'version' => 1] + self::LOT;
        $second = $this->ask('PUT', '/api/lots/'.$lot['id'], ['note' => 'mine'] + $edit, 200);
        self::assertSame(2, $second['version']);
        $stale = $this->ask('PUT', '/api/lots/'.$lot['id'], ['note' => 'late'] + $edit, 409);
        self::assertSame('late', $stale['yours']['note']);
        self::assertSame('mine', $stale['theirs']['note']);
        self::assertSame('mine', $this->pick('/api/lots', 'id', $lot['id'])['note']);
        $this->ask('PUT', '/api/lots/'.Uuid::v7()->toRfc4122(), $edit, 404);
        $this->ask('PUT', '/api/lots/nonsense', $edit, 404);
    }

    public function testBadInputIsNamedFieldByFieldAndWritesNothing(): void
    {
        $before = [$this->rowsIn('lot'), $this->rowsIn('plate'), $this->rowsIn('created_key'), $this->rowsIn('audit_entry')];
        $faults = $this->ask('POST', '/api/lots', ['label' => '', 'driedOn' => '31.1.2026', 'colour' => 'red'] + self::LOT, 422);
        self::assertEqualsCanonicalizing(['label', 'driedOn', 'colour'], array_column($faults['errors'], 'field'));
        self::assertSame('materialId', $this->ask('POST', '/api/lots', ['materialId' => 'gold'] + self::LOT, 422)['errors'][0]['field']);
        $this->ask('POST', '/api/plates', ['sides' => []] + self::PLATE, 422);
        self::assertSame(
            'sides.0.surfaceId',
            $this->ask('POST', '/api/plates', ['sides' => [['surfaceId' => 'gold'] + self::PLATE['sides'][0]]] + self::PLATE, 422)['errors'][0]['field'],
        );
        $this->ask('POST', '/api/plates', ['sides' => [self::PLATE['sides'][0], self::PLATE['sides'][0]]] + self::PLATE, 422);
        $this->ask('POST', '/api/plates', ['widthMm' => -3] + self::PLATE, 422);
        self::assertSame('printerId', $this->ask('POST', '/api/plates', ['printerId' => Uuid::v7()->toRfc4122()] + self::PLATE, 422)['errors'][0]['field']);
        self::assertSame($before, [$this->rowsIn('lot'), $this->rowsIn('plate'), $this->rowsIn('created_key'), $this->rowsIn('audit_entry')]);
    }

    public function testWhatIsNotJsonIsSaid(): void
    {
        self::assertSame(400, $this->send('POST', '/api/lots', '{"label": ')->getStatusCode());
        self::assertSame(422, $this->send('POST', '/api/lots', '[1, 2]')->getStatusCode());
        self::assertSame(413, $this->send('POST', '/api/lots', '"'.str_repeat('x', 2_000_001).'"')->getStatusCode());
        self::assertSame(400, $this->send('POST', '/api/lots', str_repeat('[', 5000))->getStatusCode());
    }

    public function testPrintersAndAgents(): void
    {
        $printer = $this->ask(
            'POST',
            '/api/printers',
            [
                'name' => 'Cellar',
                'kind' => 'filament',
                'bedWidthMm' => 200,
                'bedDepthMm' => 200,
                'maxBedC' => null,
                'maxNozzleC' => 250,
                'enclosed' => false,
                'magnetLimitC' => null,
            ],
            201,
        );
        self::assertNull($printer['maxBedC']);
        $changed = $this->ask('PUT', '/api/printers/'.$printer['id'], ['id' => null, 'version' => 1, 'maxBedC' => 90] + $printer, 422);
        self::assertSame('id', $changed['errors'][0]['field']);
        unset($printer['id']);
        $id = $this->pick('/api/printers', 'name', 'Cellar')['id'];
        self::assertEqualsWithDelta(90, $this->ask('PUT', '/api/printers/'.$id, ['maxBedC' => 90] + $printer, 200)['maxBedC'], 0);
        $agent = $this->ask('POST', '/api/agents', ['kindId' => 'pva_stick', 'name' => 'Stick 2', 'batch' => '', 'openedOn' => null], 201);
        self::assertSame('pva_stick', $agent['kindId']);
        $this->ask('POST', '/api/agents', ['kindId' => 'soup', 'name' => 'Soup', 'batch' => '', 'openedOn' => null], 422);
    }

    public function testWhatAPrinterIsMadeOfIsKept(): void
    {
        $facts = [
            'magnetSoakC' => 105,
            'magnetGrade' => '120',
            'holdDown' => 'clips',
            'plateHoldsToMmS' => 80,
            'chamberC' => 60,
            'heaterW' => 300,
            'heaterV' => 24,
            'limitA' => 15,
            'probe' => 'inductive',
            'probeRangeMm' => 4,
            'zTravelBelowMm' => 2,
            'usualPlateMm' => 0.7,
            'bedMoves' => true,
            'looksForMark' => true,
            'displayReadsHighK' => 2,
            'bedLayers' => [['of' => 'aluminium', 'mm' => 3]],
            'holds' => ['clips', 'pad'],
            'clipsOpenMm' => 5,
            'printWidthMm' => 198,
            'printDepthMm' => 196,
            'heaterAreaCm2' => 300,
            'boardHeater' => true,
        ];
        $base = [
            'name' => 'Cellar',
            'kind' => 'filament',
            'bedWidthMm' => 200,
            'bedDepthMm' => 200,
            'maxBedC' => 100,
            'maxNozzleC' => 250,
            'enclosed' => true,
            'magnetLimitC' => 80,
        ];
        $printer = $this->ask('POST', '/api/printers', $facts + $base, 201);
        self::assertSame([['clips', 'pad'], true, false], [$printer['holds'], $printer['boardHeater'], $printer['bedRound']]);
        foreach (['magnetSoakC', 'clipsOpenMm', 'printWidthMm', 'printDepthMm', 'heaterAreaCm2', 'chamberC', 'heaterW', 'limitA', 'probeRangeMm', 'zTravelBelowMm', 'displayReadsHighK'] as $field) {
            self::assertEqualsWithDelta($facts[$field], $printer[$field], 1e-9, $field);
        }
        self::assertSame(['inductive', true, true, 'clips'], [$printer['probe'], $printer['bedMoves'], $printer['looksForMark'], $printer['holdDown']]);
        self::assertSame('aluminium', $printer['bedLayers'][0]['of']);
        self::assertSame(
            'bedLayers.0.of',
            $this->ask('POST', '/api/printers', ['name' => 'Attic', 'bedLayers' => [['of' => 'gold', 'mm' => 1]]] + $base, 422)['errors'][0]['field'],
        );
        self::assertSame('probe', $this->ask('POST', '/api/printers', ['name' => 'Attic', 'probe' => 'nose'] + $base, 422)['errors'][0]['field']);
    }

    public function testWhatAPlateIsMadeOfIsKept(): void
    {
        $plate = $this->ask(
            'POST',
            '/api/plates',
            [
                'layers' => [['of' => 'spring_steel', 'mm' => 0.7], ['of' => 'pei', 'mm' => 0.1]],
                'marked' => false,
                'slicerType' => 'Rough',
                'price' => 38.5,
                'purchasedOn' => '2026-02-01',
            ] + self::PLATE,
            201,
        );
        self::assertSame([false, 'Rough', '2026-02-01', 2], [$plate['marked'], $plate['slicerType'], $plate['purchasedOn'], \count($plate['layers'])]);
        self::assertEqualsWithDelta(38.5, $plate['price'], 1e-9);
        self::assertSame(
            'layers.1.of',
            $this->ask(
                'POST',
                '/api/plates',
                ['number' => 'P91', 'layers' => [['of' => 'pei', 'mm' => 0.1], ['of' => 'gold', 'mm' => 1]]] + self::PLATE,
                422,
            )['errors'][0]['field'],
        );
        self::assertSame([], $this->ask('POST', '/api/plates', ['number' => 'P92'] + self::PLATE, 201)['layers'], 'What is not known is not made up.');
    }

    public function testWhatIsRetiredIsNotChosen(): void
    {
        $north = $this->pick('/api/printers', 'name', 'North bay')['id'];
        $labels = fn (): array => array_column(
            $this->ask(
                'POST',
                '/api/choose',
                ['materialId' => 'pla', 'printerId' => $north, 'lotId' => null, 'roomC' => 20, 'partCount' => 1, 'jobMinutes' => null],
                200,
            )['candidates'],
            'sideLabel',
        );
        self::assertContains('P2 front', $labels());
        $plate = $this->pick('/api/plates', 'number', 'P2');
        $fields = array_intersect_key(
            $plate,
            array_flip(['number', 'widthMm', 'depthMm', 'heldBy', 'printerId', 'note', 'layers', 'marked', 'slicerType', 'price', 'purchasedOn', 'version']),
        );
        $this->ask('PUT', '/api/plates/'.$plate['id'], ['retired' => true] + $fields, 200);
        self::assertNotContains('P2 front', $labels());
    }

    public function testANewSheetIsANewFitting(): void
    {
        $plate = $this->ask('POST', '/api/plates', self::PLATE, 201);
        $side = $plate['sides'][0];
        $after = $this->ask('POST', "/api/plate-sides/{$side['id']}/fittings", ['surfaceId' => 'pei_smooth', 'surfaceLot' => 'film 9', 'limitC' => 100], 201);
        self::assertSame('pei_smooth', $after['sides'][0]['fitting']['surfaceId']);
        self::assertNotSame($side['fitting']['id'], $after['sides'][0]['fitting']['id']);
        self::assertSame(2, (int) $this->database()->fetchOne('SELECT COUNT(*) FROM fitting WHERE side_id = ?', [Uuid::fromString($side['id'])->toBinary()]));
        $this->ask('POST', "/api/plate-sides/{$side['id']}/fittings", ['surfaceId' => 'gold', 'surfaceLot' => '', 'limitC' => null], 422);
    }

    public function testTheCatalogueIsShown(): void
    {
        $catalogue = $this->ask('GET', '/api/catalogue', null, 200);
        foreach (['pla', 'petg', 'abs', 'pa', 'tpu'] as $material) {
            self::assertContains($material, array_column($catalogue['materials'], 'id'));
        }
        self::assertCount(32, $catalogue['surfaces']);
    }

    public function testCareIsNotedAndCounted(): void
    {
        $side = $this->side('P1 front');
        $row = fn (): array => array_values(array_filter(
            $this->ask('GET', '/api/care', null, 200)['sides'],
            static fn (array $s): bool => $s['plateSideId'] === $side,
        ))[0];
        self::assertNotSame([], $row()['due']);
        $this->ask('POST', "/api/plate-sides/$side/care", ['kind' => 'wash', 'agentId' => null, 'note' => ''], 201);
        self::assertSame([0, []], [$row()['printsSinceWash'], $row()['due']]);
        $agent = $this->pick('/api/agents', 'name', 'White stick');
        $this->ask('POST', "/api/plate-sides/$side/care", ['kind' => 'coat', 'agentId' => $agent['id'], 'note' => ''], 201);
        self::assertSame([0, 'White stick'], [$row()['printsSinceCoat'], $row()['coatAgent']]);
        $this->ask('POST', "/api/plate-sides/$side/care", ['kind' => 'polish', 'agentId' => null, 'note' => ''], 422);
        // P1 front is textured PEI, which acetone attacks.
        $harm = $this->ask('POST', "/api/plate-sides/$side/care", ['kind' => 'wash', 'agentId' => null, 'cleanerId' => 'acetone', 'note' => ''], 422);
        self::assertSame('cleanerId', $harm['errors'][0]['field']);
        self::assertStringContainsString('Acetone attacks textured PEI: clean it with', $harm['errors'][0]['message']);
        $this->ask('POST', "/api/plate-sides/$side/care", ['kind' => 'wash', 'agentId' => null, 'cleanerId' => 'soap', 'note' => ''], 201);
        $this->ask('POST', "/api/plate-sides/$side/care", ['kind' => 'wash', 'agentId' => null, 'cleanerId' => 'sand', 'note' => ''], 422);
        $solution = $this->ask('POST', '/api/agents', ['kindId' => 'abs_acetone', 'name' => 'Thin solution', 'batch' => '', 'openedOn' => null], 201);
        $solvent = $this->ask('POST', "/api/plate-sides/$side/care", ['kind' => 'coat', 'agentId' => $solution['id'], 'note' => ''], 422);
        self::assertSame('agentId', $solvent['errors'][0]['field']);
    }

    public function testTheStartPageSaysWhatComesNext(): void
    {
        $overview = $this->ask('GET', '/api/overview', null, 200);
        self::assertSame(['Darkroom', 'Dome', 'North bay', 'South bay'], array_column($overview['benches'], 'printerName'));
        $kinds = array_column($overview['next'], 'kind');
        self::assertSame('run', $kinds[0]);
        foreach (['comparison', 'profile', 'care'] as $kind) {
            self::assertContains($kind, $kinds);
        }
    }

    public function testTheNextNumberIsOneThatNothingHasNotEvenWhatIsRetired(): void
    {
        $this->signIn('technician');
        $next = fn (string $of, string $like): string => $this->ask('GET', "/api/next-name?of=$of&like=".rawurlencode($like), null, 200)['name'];
        $numbers = array_column($this->ask('GET', '/api/plates', null, 200), 'number');
        natsort($numbers);
        $highest = end($numbers);
        self::assertIsString($highest);
        $after = 'P'.((int) substr($highest, 1) + 1);
        self::assertSame($after, $next('plate', 'P3'));
        self::assertSame($after, $next('plate', ''));
        self::assertSame('100%_1', $next('plate', '100%_9'), 'A sign of the search is a sign.');
        $row = $this->pick('/api/plates', 'number', $highest);
        $this->ask('PUT', '/api/plates/'.$row['id'], ['number' => 'P70', 'retired' => true] + array_diff_key($row, ['id' => 1, 'sides' => 1]), 200);
        self::assertSame('P71', $next('plate', 'P3'));
        self::assertSame('L-802', $next('lot', 'L-101'));
    }

    public function testAnotherPrinterBringsItsPlateAndLot(): void
    {
        $this->signIn('technician');
        $north = $this->ask('GET', '/api/session', null, 200)['bench'];
        $south = $this->pick('/api/printers', 'name', 'South bay')['id'];
        // Nobody was there yet: what was compared there last.
        $there = $this->ask('PUT', '/api/bench/printer', ['printerId' => $south], 200);
        self::assertSame($south, $there['printerId']);
        self::assertNotNull($there['lotId']);
        $side = $this->pick('/api/plate-sides', 'label', 'P11 front');
        $this->ask('PUT', '/api/bench', ['plateSideId' => $side['id']] + $there, 200);
        // There and back, each as it was left.
        self::assertSame($north, $this->ask('PUT', '/api/bench/printer', ['printerId' => $north['printerId']], 200));
        self::assertSame($side['id'], $this->ask('PUT', '/api/bench/printer', ['printerId' => $south], 200)['plateSideId']);
        self::assertSame($south, $this->ask('GET', '/api/session', null, 200)['bench']['printerId']);
        // What was put away meanwhile is not laid there again.
        $this->ask('PUT', '/api/bench/printer', ['printerId' => $north['printerId']], 200);
        $plate = $this->pick('/api/plates', 'number', 'P11');
        $this->ask('PUT', '/api/plates/'.$plate['id'], ['retired' => true] + array_diff_key($plate, ['id' => 0, 'sides' => 0]), 200);
        self::assertNull($this->ask('PUT', '/api/bench/printer', ['printerId' => $south], 200)['plateSideId']);
        $this->ask('PUT', '/api/bench/printer', ['printerId' => $plate['id']], 422);
    }

    public function testWhatComesNextIsWhatOneCanDoAndTheOverdueStandsFirst(): void
    {
        $this->database()->executeStatement("UPDATE profile SET status = 'unsigned' WHERE title = 'House grey PLA on textured P1'");
        $kinds = fn (string $role): array => $this->nextOf($role)[0];
        self::assertSame([], $kinds('viewer'));
        [$technician, $titles] = $this->nextOf('technician');
        self::assertNotContains('A profile waits for a lead', $titles);
        self::assertContains('A profile waits for a lead', $this->nextOf('lead')[1]);
        $place = array_flip(array_unique($technician));
        self::assertLessThan($place['comparison'], $place['care']);
        self::assertLessThan($place['profile'], $place['run'], 'What is under way stands before all.');
        // One line for a plate, whichever of its sides.
        $plates = array_filter($titles, static fn (string $title): bool => str_starts_with($title, 'Care for plate'));
        self::assertSame(array_unique($plates), $plates);
        self::assertDoesNotMatchRegularExpression('/front|back/', implode(' ', $plates));
    }

    public function testThingsAreFoundByAFewLetters(): void
    {
        $this->signIn('viewer');
        $found = $this->ask('GET', '/api/find?words=p1', null, 200);
        $plates = array_values(array_filter($found, static fn (array $each): bool => 'plate' === $each['kind']));
        self::assertSame(['P1', 'P10', 'P11', 'P12', 'P13', 'P14'], array_column($plates, 'name'), 'In natural order, six of a kind.');
        self::assertContains('profile', array_column($this->ask('GET', '/api/find?words=house%20grey', null, 200), 'kind'));
        self::assertSame(['lot'], array_column($this->ask('GET', '/api/find?words=L-101', null, 200), 'kind'));
        self::assertSame([], $this->ask('GET', '/api/find?words=%25', null, 200));
        self::assertSame([], $this->ask('GET', '/api/find?words=', null, 200));
    }

    public function testProfilesAreNarrowedDown(): void
    {
        $this->signIn('technician');
        $all = $this->ask('GET', '/api/profiles', null, 200);
        $north = $this->pick('/api/printers', 'name', 'North bay')['id'];
        $here = $this->ask('GET', "/api/profiles?printerId=$north", null, 200);
        self::assertSame(array_values(array_filter(array_column($all, 'printerName'), static fn (string $name): bool => 'North bay' === $name)), array_column($here, 'printerName'));
        self::assertSame(['validated'], array_values(array_unique(array_column($this->ask('GET', '/api/profiles?status=validated', null, 200), 'status'))));
        self::assertSame([], $this->ask('GET', '/api/profiles?materialId=pla&status=withdrawn&find=nothing', null, 200));
        $side = $this->pick('/api/plate-sides', 'label', 'P1 front')['id'];
        $onSide = $this->ask('GET', "/api/profiles?materialId=pla&sideId=$side", null, 200);
        self::assertContains('House grey PLA on textured P1', array_column($onSide, 'title'));
        $row = $onSide[array_search('House grey PLA on textured P1', array_column($onSide, 'title'), true)];
        self::assertSame([50, 65, 'P1 front', 'L-101'], [$row['seat']['lowC'], $row['seat']['highC'], $row['scope']['sideLabel'], $row['scope']['lotLabel']]);
        $this->ask('GET', '/api/profiles?printerId=nobody', null, 422);
    }

    /** @return array{list<string>, list<string>} kinds and titles of what comes next */
    private function nextOf(string $role): array
    {
        $this->signIn($role);
        $next = $this->ask('GET', '/api/overview', null, 200)['next'];

        return [array_values(array_column($next, 'kind')), array_values(array_column($next, 'title'))];
    }

    public function testALeadSaysByWhichAddressPhonesReachTheApp(): void
    {
        $this->signIn('lead');
        $settings = $this->ask('GET', '/api/settings', null, 200);
        self::assertSame('', $settings['address'], 'None: that of whoever prints a code.');
        foreach (['sitzplatz.lan', 'javascript:alert(1)', 'https://sitzplatz.lan/else', 'https://a b'] as $bad) {
            self::assertSame('address', $this->ask('PUT', '/api/settings', ['address' => $bad] + $settings, 422)['errors'][0]['field']);
        }
        self::assertSame('https://sitzplatz.lan:8443', $this->ask('PUT', '/api/settings', ['address' => 'https://sitzplatz.lan:8443'] + $settings, 200)['address']);
        $this->signIn('technician');
        self::assertSame('https://sitzplatz.lan:8443', $this->ask('GET', '/api/settings', null, 200)['address'], 'Whoever prints a code asks for it.');
    }
}
