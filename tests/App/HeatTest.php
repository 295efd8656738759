<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

/** The sums on heat over the API, and surface temperatures that were measured. */
final class HeatTest extends ApiTestCase
{
    private const STEEL = [
        'widthMm' => 250,
        'depthMm' => 210,
        'layers' => [['of' => 'aluminium', 'mm' => 3], ['of' => 'spring_steel', 'mm' => 0.7, 'contactM2KW' => 0.0003]],
        'plateFrom' => 1,
        'roomC' => 20,
    ];

    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('technician');
    }

    public function testThereAndBack(): void
    {
        $up = $this->heat(['surfaceC' => 100]);
        self::assertSame('modelled', $up['basis']);
        self::assertEqualsWithDelta(100 + $up['lossWM2'] * $up['resistanceM2KW'], $up['displayC'], 1e-9, 'ΔT = q·Σ(t/k + contact).');
        // By hand: 3 mm ÷ 167, 0.7 mm ÷ 47, and the contact.
        self::assertEqualsWithDelta(0.003 / 167 + 0.0007 / 47 + 0.0003, $up['resistanceM2KW'], 1e-12);
        self::assertEqualsWithDelta(100, $this->heat(['displayC' => $up['displayC']])['surfaceC'], 1e-6);
    }

    public function testAMeasuredSurfaceBeatsTheSum(): void
    {
        $measured = $this->heat(['surfaceC' => 90, 'measured' => ['displayC' => 100, 'surfaceC' => 90, 'roomC' => 20]]);
        self::assertSame('measured', $measured['basis']);
        self::assertEqualsWithDelta(100, $measured['displayC'], 1e-9);
        self::assertGreaterThan(5, $measured['resistanceFactor']);
    }

    public function testHeaterAndCurrent(): void
    {
        // Practice: a mat of 150 × 150 mm with 150 W reaches 150 °C (0.67 W/cm²); at 12 V it draws 12.5 A, over 10.
        $mat = $this->heat(['widthMm' => 150, 'depthMm' => 150, 'displayC' => 120, 'heater' => ['watts' => 150, 'volts' => 12, 'limitAmps' => 10]])['heater'];
        self::assertEqualsWithDelta([150 / 225, 0.6, 12.5], [$mat['wattsPerCm2'], $mat['neededWattsPerCm2'], $mat['currentA']], 1e-9);
        self::assertSame([true, false, false], [$mat['enough'], $mat['currentAllowed'], $mat['mains']]);
        $mains = $this->heat(['displayC' => 100, 'heater' => ['watts' => 750, 'volts' => 230, 'limitAmps' => 10]])['heater'];
        self::assertTrue($mains['mains']);
        self::assertStringContainsString('protective earth', implode(' ', $mains['cautions']));
    }

    public function testAHeaterIsSized(): void
    {
        self::assertNull($this->heat(['displayC' => 60])['size']);
        $size = $this->heat(['displayC' => 60, 'size' => ['minutes' => 120, 'volts' => 24, 'limitAmps' => 1]])['size'];
        // Common practice: 0.2 W/cm² for 60 °C.
        self::assertEqualsWithDelta([$size['practiceW'], $size['practiceW'] / 24], [$size['watts'], $size['currentA']], 1e-6);
        self::assertFalse($size['currentAllowed']);
        self::assertStringContainsString('practice asks for that', $size['words']);
        $quick = $this->heat(['displayC' => 60, 'size' => ['minutes' => 1, 'volts' => 230]])['size'];
        self::assertGreaterThan($size['watts'], $quick['watts']);
        self::assertTrue($quick['mains']);
        self::assertStringContainsString('to be there in time', $quick['words']);
    }

    public function testWaysToCool(): void
    {
        $ways = array_column($this->heat(['displayC' => 60, 'releaseC' => 35, 'freezer' => true])['cooling'], 'seconds', 'way');
        self::assertSame(['still_air', 'fan', 'off_printer', 'freezer'], array_keys($ways));
        self::assertGreaterThan($ways['fan'], $ways['still_air']);
        self::assertEqualsWithDelta(600, $ways['freezer'], 240, 'Common practice: about ten minutes, until the part is cold through.');
        self::assertCount(3, $this->heat(['displayC' => 60, 'releaseC' => 35])['cooling']);
        $closed = array_column($this->heat(['displayC' => 60, 'releaseC' => 35, 'closed' => true])['cooling'], 'seconds', 'way');
        self::assertGreaterThan(1.5 * $ways['still_air'], $closed['still_air']);
        self::assertEqualsWithDelta($ways['still_air'], $closed['open_door'], 1e-6);
        $low = array_column($this->heat(['displayC' => 60, 'releaseC' => 35, 'freezer' => true, 'partMm' => 5])['cooling'], 'seconds', 'way');
        self::assertLessThan($ways['freezer'], $low['freezer']);
    }

    public function testWhatCannotBeIsNamed(): void
    {
        foreach ([
            'layers.0.of' => ['displayC' => 60, 'layers' => [['of' => 'gold', 'mm' => 1]]],
            'surfaceC' => ['displayC' => 60, 'surfaceC' => 60],
            'plateFrom' => ['displayC' => 60, 'releaseC' => 30, 'plateFrom' => 2],
            'widthMm' => ['displayC' => 60, 'widthMm' => 0],
            'measured.surfaceC' => ['displayC' => 60, 'measured' => ['displayC' => 60, 'surfaceC' => 20, 'roomC' => 20]],
        ] as $field => $change) {
            self::assertSame($field, $this->ask('POST', '/api/heat', $change + self::STEEL, 422)['errors'][0]['field']);
        }
    }

    public function testAMeasurementIsKeptAndMovesTheSetPoint(): void
    {
        $printer = $this->pick('/api/printers', 'name', 'North bay')['id'];
        $side = $this->side('P2 front');
        $measured = $this->ask(
            'POST',
            '/api/surface-temperatures',
            ['printerId' => $printer, 'plateSideId' => $side, 'displayC' => 60, 'surfaceC' => 50, 'roomC' => 20],
            201,
        );
        self::assertSame(['Mara', 'P2 front'], [$measured['measuredBy'], $measured['sideLabel']]);
        self::assertSame($measured['id'], $this->ask('GET', '/api/surface-temperatures', null, 200)[0]['id']);
        $choice = $this->ask(
            'POST',
            '/api/choose',
            ['materialId' => 'pla', 'printerId' => $printer, 'lotId' => null, 'roomC' => 20, 'partCount' => 1, 'jobMinutes' => null],
            200,
        );
        $row = array_values(array_filter($choice['candidates'], static fn (array $c): bool => $c['plateSideId'] === $side))[0];
        self::assertGreaterThan($row['strip']['target'] + 8, $row['strip']['setPointC'], 'Ten degrees are lost on the way.');
        $cold = $this->ask(
            'POST',
            '/api/surface-temperatures',
            ['printerId' => $printer, 'plateSideId' => $side, 'displayC' => 60, 'surfaceC' => 20, 'roomC' => 20],
            422,
        );
        self::assertSame('surfaceC', $cold['errors'][0]['field']);
        $this->ask('POST', "/api/plate-sides/$side/fittings", ['surfaceId' => 'pei_textured', 'surfaceLot' => 'new', 'limitC' => null], 201);
        $after = $this->ask(
            'POST',
            '/api/choose',
            ['materialId' => 'pla', 'printerId' => $printer, 'lotId' => null, 'roomC' => 20, 'partCount' => 1, 'jobMinutes' => null, 'lookAt' => "$side/bare"],
            200,
        );
        self::assertSame('modelled', $after['detail']['setPoint']['basis'], 'A new sheet is not the one that was measured.');
    }

    /**
     * @param array<string, mixed> $change
     *
     * @return array<mixed>
     */
    private function heat(array $change): array
    {
        return $this->ask('POST', '/api/heat', $change + self::STEEL, 200);
    }
}
