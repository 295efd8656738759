<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

/** A kind of surface or material that the catalogue does not have, from the shelf to the first test. */
final class OwnKindTest extends ApiTestCase
{
    private const LINE = ['materialId' => 'petg', 'agentKindId' => null, 'says' => 'recommended', 'window' => [65, 75, 85], 'releaseC' => 40, 'note' => 'Thin brims come off too.'];
    private const SURFACE = [
        'name' => 'felted steel',
        'kind' => 'filament',
        'limitC' => 100,
        'nozzleLimitC' => 270,
        'alcoholMaxPercent' => null,
        'finish' => 'texture',
        'flexes' => true,
        'freezes' => false,
        'layers' => [['of' => 'spring_steel', 'mm' => 0.5], ['of' => 'polypropylene', 'mm' => 0.1]],
        'cleaners' => ['soap'],
        'harmedBy' => ['acetone'],
        'lifePrints' => 150,
        'raftRequired' => false,
        'blindsInductiveProbe' => false,
        'wantsScuff' => false,
        'worksCold' => false,
        'grip' => '',
        'cleaning' => 'Soap and water.',
        'releaseWay' => 'Cool, then flex.',
        'doneHot' => '',
        'cautions' => ['Keep it dry.'],
        'source' => 'leaflet of 2026',
        'chart' => [self::LINE, ['materialId' => 'abs', 'says' => 'does not hold', 'window' => null, 'releaseC' => null, 'note' => ''] + self::LINE],
    ];
    private const MATERIAL = [
        'name' => 'wood blend',
        'kind' => 'filament',
        'glassTransitionC' => [50, 58],
        'crystallisesC' => null,
        'bedC' => [50, 70],
        'nozzleC' => [190, 210],
        'expansionUmMK' => 60,
        'modulusGpa' => 3.1,
        'enclosure' => 'no',
        'fumes' => false,
        'drying' => ['hours' => 4, 'celsius' => 50, 'goodDays' => 20],
        'notes' => ['Rubs small nozzles shut.'],
        'source' => '',
        'chart' => [['surfaceId' => 'pei_textured', 'agentKindId' => null, 'says' => 'recommended', 'window' => null, 'releaseC' => null, 'note' => '']],
    ];

    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('technician');
    }

    public function testAnOwnSurfaceIsRankedAsMakerGuidanceAndItsFirstTestIsProposed(): void
    {
        $kind = $this->ask('POST', '/api/own-surfaces', self::SURFACE, 201);
        self::assertSame('Mara', $kind['who']);
        $entry = array_column($this->ask('GET', '/api/catalogue', null, 200)['surfaces'], null, 'id')[$kind['kindId']];
        self::assertSame(['felted steel', true, 'maker guidance'], [$entry['name'], $entry['own'], $entry['basis']]);
        $pair = $this->ask('GET', "/api/catalogue/pairs/petg/{$kind['kindId']}", null, 200);
        self::assertEquals([[65, 75, 85], 40, 'fair'], [$pair['window'], $pair['releaseC'], $pair['treatments'][0]['hold']]);
        self::assertStringContainsString('maker', $pair['treatments'][0]['basis']);

        $before = $this->ask('GET', "/api/own-surfaces/{$kind['id']}/first-tests", null, 200);
        self::assertSame([], $before['tests'], 'No plate carries it yet.');
        self::assertNotSame([], $before['missing']);

        $printer = $this->pick('/api/printers', 'name', 'North bay');
        $this->ask('POST', '/api/plates', [
            'number' => 'P80',
            'widthMm' => 200,
            'depthMm' => 200,
            'heldBy' => 'magnet',
            'printerId' => $printer['id'],
            'note' => '',
            'layers' => [['of' => 'spring_steel', 'mm' => 0.5]],
            'sides' => [['face' => 'front', 'surfaceId' => $kind['kindId'], 'surfaceLot' => 'first sheet', 'limitC' => null]],
        ], 201);
        $choice = $this->ask('POST', '/api/choose', [
            'materialId' => 'petg',
            'printerId' => $printer['id'],
            'lotId' => null,
            'roomC' => 20,
            'partCount' => 1,
            'jobMinutes' => null,
            'lookAt' => $this->side('P80 front').'/bare',
        ], 200);
        self::assertStringContainsString('maker', implode(' ', $choice['detail']['reasons']));

        $after = $this->ask('GET', "/api/own-surfaces/{$kind['id']}/first-tests", null, 200);
        self::assertCount(1, $after['tests'], 'The chart refuses ABS.');
        self::assertSame(['petg', 5], [$after['tests'][0]['materialId'], $after['tests'][0]['runsPerSetup']]);
        self::assertStringStartsWith('P80 front', $after['tests'][0]['setups'][0]['label']);
        self::assertEqualsWithDelta(75, $after['tests'][0]['setups'][0]['bedFirstC'], 8, 'The target, as this display has to be set for it.');
    }

    public function testAnOwnMaterialIsOfferedWhereItsMakerRecommendsIt(): void
    {
        $kind = $this->ask('POST', '/api/own-materials', self::MATERIAL, 201);
        $lot = $this->ask('POST', '/api/lots', ['label' => 'L-950', 'materialId' => $kind['kindId'], 'name' => 'Oak', 'driedOn' => null, 'note' => ''], 201);
        $choice = $this->ask('POST', '/api/choose', [
            'materialId' => $kind['kindId'],
            'printerId' => $this->pick('/api/printers', 'name', 'North bay')['id'],
            'lotId' => $lot['id'],
            'roomC' => 20,
            'partCount' => 1,
            'jobMinutes' => null,
        ], 200);
        self::assertNotSame([], $choice['candidates']);
        self::assertSame(['textured PEI'], array_values(array_unique(array_column($choice['candidates'], 'surfaceName'))));
        $test = $this->ask('GET', "/api/own-materials/{$kind['id']}/first-tests", null, 200)['tests'][0];
        self::assertSame($lot['id'], $test['lotId']);
        self::assertStringContainsString('wood blend (L-950)', $test['title']);
    }

    public function testBadKindsAreNamedFieldByFieldAndWriteNothing(): void
    {
        $before = [$this->rowsIn('own_surface'), $this->rowsIn('own_material')];
        foreach ([
            'name' => [['name' => 'Smooth PEI'], 'name'],
            'layer' => [['layers' => [['of' => 'cheese', 'mm' => 1]]], ''],
            'over the limit' => [['limitC' => 80], 'chart.0'],
            'a window backwards' => [['chart' => [['window' => [85, 75, 65]] + self::LINE]], 'chart.0.window'],
            'a window half filled in' => [['chart' => [['window' => [85, 90, null]] + self::LINE]], 'chart.0.window.2'],
            'the same line twice' => [['chart' => [self::LINE, self::LINE]], 'chart.1'],
            'no such material' => [['chart' => [['materialId' => 'gold'] + self::LINE]], 'chart.0'],
            'a grade of its own' => [['chart' => [['says' => 'splendid'] + self::LINE]], 'chart.0.says'],
            'no cleaner' => [['cleaners' => []], 'cleaners'],
        ] as $case => [$change, $field]) {
            self::assertSame($field, $this->ask('POST', '/api/own-surfaces', $change + self::SURFACE, 422)['errors'][0]['field'], $case);
        }
        foreach (['modulusGpa' => 1e-300, 'expansionUmMK' => 1e-9, 'drying' => ['hours' => 4, 'celsius' => 1e9, 'goodDays' => 20]] as $field => $value) {
            self::assertStringStartsWith($field, $this->ask('POST', '/api/own-materials', [$field => $value] + self::MATERIAL, 422)['errors'][0]['field']);
        }
        self::assertSame('', $this->ask('POST', '/api/own-materials', ['bedC' => [70, 50]] + self::MATERIAL, 422)['errors'][0]['field']);
        self::assertSame($before, [$this->rowsIn('own_surface'), $this->rowsIn('own_material')]);
    }

    public function testItIsChangedByVersionAndStaysWhatItIs(): void
    {
        $kind = $this->ask('POST', '/api/own-surfaces', self::SURFACE, 201);
        $edit = ['version' => 1, 'retired' => false] + self::SURFACE;
        $changed = $this->ask('PUT', "/api/own-surfaces/{$kind['id']}", ['limitC' => 110] + $edit, 200);
        self::assertSame(2, $changed['version']);
        self::assertEquals(110, array_column($this->ask('GET', '/api/catalogue', null, 200)['surfaces'], null, 'id')[$kind['kindId']]['limit_c']);
        $stale = $this->ask('PUT', "/api/own-surfaces/{$kind['id']}", ['limitC' => 90] + $edit, 409);
        self::assertEquals([90, 110], [$stale['yours']['limitC'], $stale['theirs']['limitC']]);
        $resin = $this->ask('PUT', "/api/own-surfaces/{$kind['id']}", ['version' => 2, 'kind' => 'resin', 'chart' => []] + $edit, 422);
        self::assertSame('kind', $resin['errors'][0]['field']);
        $this->ask('PUT', "/api/own-surfaces/{$kind['id']}", ['version' => 2, 'retired' => true] + $edit, 200);
        self::assertTrue(array_column($this->ask('GET', '/api/catalogue', null, 200)['surfaces'], null, 'id')[$kind['kindId']]['retired']);
        $this->ask('POST', '/api/own-surfaces', self::SURFACE, 422);
    }

    public function testTwoChartsDoNotSayTheSame(): void
    {
        $surface = $this->ask('POST', '/api/own-surfaces', self::SURFACE, 201);
        $line = ['surfaceId' => $surface['kindId']] + self::MATERIAL['chart'][0];
        $material = $this->ask('POST', '/api/own-materials', ['chart' => [$line]] + self::MATERIAL, 201);
        $both = ['version' => 1, 'retired' => false, 'chart' => [['materialId' => $material['kindId']] + self::LINE]] + self::SURFACE;
        $refused = $this->ask('PUT', "/api/own-surfaces/{$surface['id']}", $both, 422);
        self::assertSame('chart.0', $refused['errors'][0]['field']);
        self::assertStringContainsString('wood blend', $refused['errors'][0]['message']);
        self::assertCount(1, $this->ask('GET', "/api/catalogue/pairs/{$material['kindId']}/{$surface['kindId']}", null, 200)['treatments']);
    }
}
