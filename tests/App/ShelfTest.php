<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use Symfony\Component\Uid\Uuid;

final class ShelfTest extends ApiTestCase
{
    private const LOT = ['label' => 'L-900', 'materialId' => 'pla', 'name' => 'House red', 'driedOn' => '2026-01-31', 'note' => ''];
    private const PLATE = ['number' => 'P90', 'widthMm' => 200, 'depthMm' => 200, 'magnetic' => true, 'printerId' => null, 'note' => '', 'sides' => [['face' => 'front', 'surfaceId' => 'glass', 'surfaceLot' => 'pane', 'limitC' => null]]];

    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('technician');
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
        self::assertSame('sides.0.surfaceId', $this->ask('POST', '/api/plates', ['sides' => [['surfaceId' => 'gold'] + self::PLATE['sides'][0]]] + self::PLATE, 422)['errors'][0]['field']);
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
        $printer = $this->ask('POST', '/api/printers', ['name' => 'Cellar', 'kind' => 'filament', 'bedWidthMm' => 200, 'bedDepthMm' => 200, 'maxBedC' => null, 'maxNozzleC' => 250, 'enclosed' => false, 'magnetLimitC' => null], 201);
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
        self::assertCount(31, $catalogue['surfaces']);
    }

    public function testCareIsNotedAndCounted(): void
    {
        $side = $this->side('P1 front');
        $row = fn (): array => array_values(array_filter($this->ask('GET', '/api/care', null, 200)['sides'], static fn (array $s): bool => $s['plateSideId'] === $side))[0];
        self::assertNotSame([], $row()['due']);
        $this->ask('POST', "/api/plate-sides/$side/care", ['kind' => 'wash', 'agentId' => null, 'note' => ''], 201);
        self::assertSame([0, []], [$row()['printsSinceWash'], $row()['due']]);
        $agent = $this->pick('/api/agents', 'name', 'White stick');
        $this->ask('POST', "/api/plate-sides/$side/care", ['kind' => 'coat', 'agentId' => $agent['id'], 'note' => ''], 201);
        self::assertSame([0, 'White stick'], [$row()['printsSinceCoat'], $row()['coatAgent']]);
        $this->ask('POST', "/api/plate-sides/$side/care", ['kind' => 'polish', 'agentId' => null, 'note' => ''], 422);
    }

    public function testFixAsksThePlatesHistory(): void
    {
        $side = $this->side('P1 front');
        $answer = $this->ask('POST', '/api/fix', ['symptomId' => 'corner_lifts', 'plateSideId' => $side], 200);
        self::assertSame('wash', $answer['checks'][0]['id']);
        self::assertStringContainsString('12 prints since its last wash', $answer['plate'][0]);
        $printer = $this->pick('/api/printers', 'name', 'North bay');
        $this->ask('POST', "/api/printers/{$printer['id']}/changes", ['kind' => 'levelling', 'note' => ''], 201);
        self::assertContains('The printer was changed since this plate last held: gap and level come first.', $this->ask('POST', '/api/fix', ['symptomId' => 'used_to', 'plateSideId' => $side], 200)['plate']);
        self::assertSame([], $this->ask('POST', '/api/fix', ['symptomId' => 'used_to', 'plateSideId' => null], 200)['plate']);
        $this->ask('POST', '/api/fix', ['symptomId' => 'sings', 'plateSideId' => null], 422);
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
}
