<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use Symfony\Component\Uid\Uuid;

/** A choice over the API, with the shelf of the demo. */
final class ChooseTest extends ApiTestCase
{
    /** The warp bar of practice, 100 × 8 × 15 mm with one pointed end. */
    private const BAR = [
        'contactAreaMm2' => 752,
        'outlineMm' => 210,
        'spanMm' => 100,
        'barWidthMm' => 8,
        'heightMm' => 15,
        'sharpCorners' => 2,
        'thinEnds' => 1,
    ];

    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('technician');
    }

    public function testWhatIsLookedAtOpensDownToItsInputs(): void
    {
        $choice = $this->choose(['part' => self::BAR]);
        self::assertSame($choice['candidates'][0]['key'], $choice['detail']['key']);
        $ids = array_column($choice['detail']['reckonings'], 'id');
        foreach (['chance', 'hold', 'release', 'set_point', 'times', 'warp'] as $id) {
            self::assertContains($id, $ids);
        }
        foreach ($choice['detail']['reckonings'] as $reckoning) {
            self::assertNotSame([], $reckoning['inputs'], $reckoning['id']);
        }
        $third = $this->choose(['part' => self::BAR, 'lookAt' => $choice['candidates'][2]['key']]);
        self::assertSame($choice['candidates'][2]['label'], $third['detail']['label']);
        self::assertSame(array_column($choice['candidates'], 'key'), array_column($third['candidates'], 'key'), 'Looking moves nothing.');
    }

    public function testOwnPullsOfTheDemoSetTheStrength(): void
    {
        $detail = $this->choose(['part' => self::BAR, 'lookAt' => $this->side('P1 front').'/bare'])['detail'];
        $warp = array_column(array_column($detail['reckonings'], null, 'id')['warp']['inputs'], null, 'name');
        // R: mean 30.8, sd 2.8007 of the six hot pulls; at the edge of the pull block 6·8 ÷ (6·20²) = 0.02 MPa a newton; a
        // further pull within t(0.975, 5) = 2.5706 · sd · √(7/6).
        self::assertStringStartsWith("0.62\u{00A0}MPa (0.46\u{00A0}MPa to 0.77\u{00A0}MPa)", $warp['Strength']['value']);
        self::assertStringContainsString('6 own hot pulls', $warp['Strength']['basis']);
        self::assertStringContainsString('that of your 6 hot pulls', $detail['warp']['sentence']);
    }

    public function testTheSetPointRestsOnTheMeasuredSurface(): void
    {
        $choice = $this->choose([]);
        $at = array_search('P1 front, bare', array_column($choice['candidates'], 'label'), true);
        self::assertIsInt($at);
        $detail = $this->choose(['lookAt' => $choice['candidates'][$at]['key']])['detail'];
        self::assertSame('measured', $detail['setPoint']['basis']);
        // Measured: 3.5 K lost at 56.5 over a room of 20. At 55 a little less is lost: 58 in whole degrees on the display.
        self::assertEqualsWithDelta(55, $detail['setPoint']['surfaceC'], 0.5);
        self::assertSame("set 58\u{00A0}°C (surface 55\u{00A0}°C)", $detail['setPoint']['words']);
        self::assertEqualsWithDelta(58, $detail['setPoint']['displayC'], 0);
    }

    public function testTheGapThatHeldLastIsOfTheSameSideOnTheSamePrinter(): void
    {
        $side = fn (string $label): string => Uuid::fromString($this->side($label))->toBinary();
        $sides = ['P1 front' => 0.31, 'P1 back' => 0.32];
        foreach ($sides as $label => $mm) {
            self::assertGreaterThan(0, $this->database()->executeStatement(
                "UPDATE run_tally SET gap_mm = ? WHERE material_id = 'pla' AND side_id = ? AND held_at IS NOT NULL",
                [$mm, $side($label)],
            ));
        }
        // On another printer one held there later.
        self::assertGreaterThan(0, $this->database()->executeStatement(
            "UPDATE run_tally SET gap_mm = 0.34, printer_id = ?, side_id = ?, held_at = held_at + INTERVAL 90 DAY WHERE material_id = 'pla' AND side_id = ?",
            [Uuid::fromString($this->pick('/api/printers', 'name', 'South bay')['id'])->toBinary(), $side('P1 front'), $side('P3 front')],
        ));
        foreach ($sides as $label => $mm) {
            $heeds = implode(' ', $this->choose(['lookAt' => $this->side($label).'/bare'])['detail']['heeds']);
            self::assertStringContainsString("Last time it held here with a gap of $mm", $heeds);
        }
    }

    public function testTheRoomTheBedTheCountAndTheBrimMoveIt(): void
    {
        $usual = $this->row($this->choose(['part' => self::BAR, 'foothold' => ['kind' => 'none', 'mm' => 0]]), 'P1 front, bare');
        $cold = $this->row($this->choose(['part' => self::BAR, 'roomC' => 12]), 'P1 front, bare');
        self::assertEqualsWithDelta($usual['strip']['target'] + 5, $cold['strip']['target'], 1e-9);
        self::assertEqualsWithDelta($usual['strip']['high'], $cold['strip']['high'], 0, 'The window stays.');
        self::assertGreaterThan($usual['strip']['setPointC'] + 4, $cold['strip']['setPointC']);
        self::assertStringContainsString('A cold room', $this->choose(['roomC' => 12])['notes'][0]);
        $many = $this->row($this->choose(['part' => self::BAR, 'partCount' => 20]), 'P1 front, bare');
        self::assertLessThan($usual['chance'], $many['chance']);
        $brim = $this->row($this->choose(['part' => self::BAR, 'foothold' => ['kind' => 'brim', 'mm' => 5]]), 'P1 front, bare');
        self::assertGreaterThan($usual['hold']['chance'], $brim['hold']['chance']);
        self::assertSame("brim of 5\u{00A0}mm", $brim['foothold']);
        $byHand = $this->choose(['bedC' => 48]);
        self::assertEqualsWithDelta(48, $this->row($byHand, 'P1 front, bare')['strip']['setPointC'], 0);
        self::assertLessThan($this->row($this->choose([]), 'P1 front, bare')['hold']['chance'], $this->row($byHand, 'P1 front, bare')['hold']['chance']);
    }

    public function testTheStateOfASideAndWhatIsProvenArePartOfTheAnswer(): void
    {
        $short = ['jobMinutes' => 20, 'lotId' => $this->pick('/api/lots', 'label', 'L-101')['id']];
        $choice = $this->choose($short);
        $first = $choice['candidates'][0];
        self::assertSame(['P1 front, bare', true, 0], [$first['label'], $first['proven'], $first['bracket']]);
        self::assertEqualsWithDelta(55, $first['dial']['displayC'], 0, 'The setting of the profile.');
        self::assertSame($choice['profiles'][0]['dial'], $first['dial'], 'One number to dial.');
        $wash = array_column($first['steps'], null, 'id')['wash'];
        self::assertStringContainsString('prints since the last wash', $wash['words']);
        self::assertLessThan($first['hold']['chance'], $wash['holdWithout']);
        // Washed now, there is nothing to do.
        $this->ask('POST', '/api/plate-sides/'.$first['plateSideId'].'/care', ['kind' => 'wash', 'agentId' => null, 'note' => ''], 201);
        self::assertSame([], $this->choose($short)['candidates'][0]['steps']);
        // Coated, bare is to be had only without the coat.
        $stick = $this->pick('/api/agents', 'name', 'White stick');
        $this->ask('POST', '/api/plate-sides/'.$first['plateSideId'].'/care', ['kind' => 'coat', 'agentId' => $stick['id'], 'note' => ''], 201);
        self::assertStringStartsWith('Take PVA stick off first, with ', $this->row($this->choose($short), 'P1 front, bare')['steps'][0]['words']);
        // Another part count is beyond the profile, and nothing is proven for it.
        self::assertSame([], array_filter($this->choose(['partCount' => 9] + $short)['candidates'], static fn (array $each): bool => $each['proven']));
    }

    public function testTheLadderOfTheShopAndTheBatchesAreShown(): void
    {
        $none = ['part' => self::BAR, 'foothold' => ['kind' => 'none', 'mm' => 0], 'partCount' => 12, 'jobMinutes' => 300];
        $detail = $this->choose($none)['detail'];
        $rungs = array_column($detail['ladder'], 'rung');
        self::assertLessThan(array_search('foothold', $rungs, true), array_search('gap_or_heat', $rungs, true));
        self::assertSame([1, 12], [$detail['batches']['rows'][0]['plates'], $detail['batches']['rows'][0]['mostParts']]);
        $this->signIn('lead');
        $settings = $this->ask('GET', '/api/settings', null, 200);
        $this->ask('PUT', '/api/settings', ['ladder' => 'foothold_first'] + $settings, 200);
        $rungs = array_column($this->choose($none)['detail']['ladder'], 'rung');
        self::assertLessThan(array_search('gap_or_heat', $rungs, true), array_search('foothold', $rungs, true));
    }

    public function testOneAgentOrNone(): void
    {
        $bare = $this->choose(['agent' => 'bare']);
        self::assertSame([null], array_values(array_unique(array_column($bare['candidates'], 'agentName'))));
        $stick = $this->choose(['agent' => 'pva_stick']);
        self::assertSame(['PVA stick'], array_values(array_unique(array_column($stick['candidates'], 'agentName'))));
        self::assertSame($bare['candidateCount'], \count($bare['candidates']));
    }

    public function testWishes(): void
    {
        $gloss = $this->choose(['wishes' => ['finish' => 'gloss']]);
        self::assertSame('gloss', $gloss['candidates'][0]['finish']);
        $energy = $this->choose(['materialId' => 'petg', 'jobMinutes' => 120, 'wishes' => ['order' => ['energy']]])['candidates'];
        // In steps of 5 Wh.
        for ($i = 1; $i < \count($energy); ++$i) {
            self::assertGreaterThanOrEqual(($energy[$i - 1]['energyWh'] ?? 0) - 5, $energy[$i]['energyWh'] ?? 1e9);
        }
        self::assertNotSame([], array_filter($gloss['candidates'], static fn (array $c): bool => [] !== $c['missed']));
        $this->ask('POST', '/api/choose', $this->request(['wishes' => ['order' => ['luck']]]), 422);
    }

    public function testAdviceAndArticulatedParts(): void
    {
        $advice = $this->choose(['part' => self::BAR])['advice'];
        self::assertSame('ears', $advice['foothold']['kind']);
        self::assertGreaterThan(0, $advice['gainedMm2']);
        self::assertNull($this->choose([])['advice']);
        $link = ['articulated' => true] + self::BAR;
        self::assertSame('none', $this->choose(['part' => $link])['advice']['foothold']['kind']);
        $refused = $this->ask('POST', '/api/choose', $this->request(['part' => $link, 'foothold' => ['kind' => 'brim', 'mm' => 4]]), 422);
        self::assertSame('foothold.kind', $refused['errors'][0]['field']);
        self::assertStringContainsString('lock an articulated part', $refused['errors'][0]['message']);
    }

    public function testWhatCannotBeIsNamed(): void
    {
        foreach ([
            'materialId' => ['materialId' => 'gold'],
            'part.barWidthMm' => ['part' => ['barWidthMm' => -1] + self::BAR],
            'partCount' => ['partCount' => 0],
            'printerId' => ['printerId' => 'nobody'],
            'roomC' => ['roomC' => 90],
            'lotId' => ['lotId' => $this->pick('/api/lots', 'label', 'L-201')['id']],
            'foothold.kind' => ['foothold' => ['kind' => 'glue', 'mm' => 3]],
        ] as $field => $change) {
            self::assertSame($field, $this->ask('POST', '/api/choose', $this->request($change), 422)['errors'][0]['field']);
        }
    }

    public function testOverAnyPrinterEachPlateStandsOnItsOwn(): void
    {
        $any = $this->choose(['materialId' => 'abs', 'printerId' => null]);
        self::assertSame(['P7 front, bare', 'Dome'], [$any['candidates'][0]['label'], $any['candidates'][0]['printerName']]);
        $printers = array_unique(array_column($any['candidates'], 'printerName'));
        self::assertGreaterThan(1, \count($printers));
        $keys = array_column($any['candidates'], 'key');
        self::assertSame($keys, array_values(array_unique($keys)));
        // What is said of it is what its own printer says.
        $dome = $this->row($this->choose(['materialId' => 'abs', 'printerId' => $any['candidates'][0]['printerId']]), 'P7 front, bare');
        self::assertSame([$dome['dial'], $dome['hold'], $dome['chance']], [$any['candidates'][0]['dial'], $any['candidates'][0]['hold'], $any['candidates'][0]['chance']]);
        $looked = $this->choose(['materialId' => 'abs', 'printerId' => null, 'lookAt' => $keys[1]]);
        self::assertSame([$keys[1], $keys[0]], [$looked['detail']['key'], $looked['firstDetail']['key']]);
        self::assertNull($any['firstDetail'], 'It is the one that is looked at.');
    }

    public function testWhereNothingFitsItIsSaidWhatWould(): void
    {
        $request = $this->request(['materialId' => 'abs', 'printerId' => $this->pick('/api/printers', 'name', 'South bay')['id'], 'agent' => 'bare']);
        $beyond = $this->ask('POST', '/api/choose/beyond', $request, 200);
        self::assertSame('Dome', $beyond['printers'][0]['printerName']);
        self::assertSame('P7 front, bare', $beyond['printers'][0]['label']);
        $limits = implode(' ', array_column($beyond['limits'], 'reason'));
        self::assertStringContainsString("the Z travel of South bay has room for 1\u{00A0}mm", $limits);
        // Where something fits, no limit is in the way.
        self::assertSame([], $this->ask('POST', '/api/choose/beyond', $this->request([]), 200)['limits']);
    }

    public function testWhatIsNotOnTheShelfIsFoundWithTheLastPrice(): void
    {
        $nylon = $this->request(['materialId' => 'pa']);
        $lacking = $this->ask('POST', '/api/choose/beyond', $nylon, 200)['lacking'];
        $shelf = array_column($this->ask('GET', '/api/plate-sides', null, 200), 'surfaceId');
        self::assertSame([], array_filter($lacking, static fn (array $each): bool => 'surface' === $each['kind'] && null === $each['setup']));
        // The only plate of a kind is given up: its kind is lacking now, at what it cost.
        $plate = $this->pick('/api/plates', 'number', 'P14');
        self::assertContains('pp_sheet', $shelf);
        $this->ask('PUT', '/api/plates/'.$plate['id'], ['retired' => true] + array_diff_key($plate, ['id' => 0, 'sides' => 0]), 200);
        $pp = $this->ask('POST', '/api/choose/beyond', $this->request(['materialId' => 'pp']), 200)['lacking'];
        $found = array_values(array_filter($pp, static fn (array $each): bool => 'surface' === $each['kind']))[0] ?? self::fail('Nothing is offered for polypropylene.');
        self::assertSame('polypropylene sheet', $found['name']);
        self::assertEqualsWithDelta(42, $found['price'], 0);
        self::assertGreaterThanOrEqual(0.5, $found['chance']);
    }

    public function testTwoSetupsSideBySide(): void
    {
        $choice = $this->choose([]);
        $pair = [$choice['candidates'][0]['key'], $choice['candidates'][1]['key']];
        $sides = $this->ask('POST', '/api/choose/side-by-side', $this->request(['pair' => $pair]), 200);
        self::assertSame(\array_slice(array_column($choice['candidates'], 'label'), 0, 2), $sides['labels']);
        $facets = array_column($sides['facets'], null, 'id');
        self::assertSame("58\u{00A0}°C", $facets['display']['values'][0]);
        self::assertTrue($facets['printer']['same']);
        self::assertNotNull($sides['better']);
        $out = $this->side('P9 front').'/bare';
        $ruledOut = $this->ask('POST', '/api/choose/side-by-side', $this->request(['pair' => [$pair[0], $out]]), 200);
        self::assertNull($ruledOut['better']);
        self::assertStringContainsString("300\u{00A0}mm", $ruledOut['gates'][1][0]);
        self::assertSame('pair.1', $this->ask('POST', '/api/choose/side-by-side', $this->request(['pair' => [$pair[0], 'nothing/bare']]), 422)['errors'][0]['field']);
    }

    public function testAResinIsSeatedOnSeconds(): void
    {
        $choice = $this->choose(['materialId' => 'resin', 'printerId' => $this->pick('/api/printers', 'name', 'Darkroom')['id']]);
        self::assertNotSame([], $choice['candidates']);
        self::assertSame('s', $choice['candidates'][0]['strip']['axis']);
        self::assertNull($choice['candidates'][0]['strip']['setPointC']);
        self::assertNull($choice['detail']['setPoint']);
        self::assertNotContains('set_point', array_column($choice['detail']['reckonings'], 'id'));
    }

    public function testAMagnetLimitAndAThickPlateAreTold(): void
    {
        $south = $this->choose(['materialId' => 'abs', 'printerId' => $this->pick('/api/printers', 'name', 'South bay')['id']]);
        $reasons = implode(' ', array_column($south['rejections'], 'reason'));
        self::assertStringContainsString("the magnets of South bay hold up to 85\u{00A0}°C", $reasons);
        self::assertStringContainsString("the Z travel of South bay has room for 1\u{00A0}mm", $reasons);
    }

    public function testSchoolsThatBearOnItAreShown(): void
    {
        $detail = $this->choose(['lookAt' => $this->side('P1 front').'/bare'])['detail'];
        self::assertNotSame([], $detail['schools']);
        self::assertGreaterThan(1, \count($detail['schools'][0]['schools']));
        self::assertNotSame('', $detail['schools'][0]['default']);
    }

    /**
     * @param array<mixed> $choice
     *
     * @return array<string, mixed>
     */
    private function row(array $choice, string $label): array
    {
        foreach ($choice['candidates'] as $candidate) {
            if ($candidate['label'] === $label) {
                return $candidate;
            }
        }
        self::fail("$label is not ranked.");
    }

    /**
     * @param array<string, mixed> $change
     *
     * @return array<mixed>
     */
    private function choose(array $change): array
    {
        return $this->ask('POST', '/api/choose', $this->request($change), 200);
    }

    /**
     * @param array<string, mixed> $change
     *
     * @return array<string, mixed>
     */
    private function request(array $change): array
    {
        return $change + [
            'materialId' => 'pla',
            'printerId' => $this->pick('/api/printers', 'name', 'North bay')['id'],
            'lotId' => null,
            'roomC' => 20,
            'partCount' => 1,
            'jobMinutes' => null,
        ];
    }
}
