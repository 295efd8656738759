<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use Symfony\Component\Uid\Uuid;

/** What practice knows, what the shop holds true, and what its own runs say. */
final class CatalogueTest extends ApiTestCase
{
    private const FACT = [
        'materialId' => 'pla',
        'surfaceId' => 'pei_textured',
        'agentKindId' => null,
        'window' => [46, 50, 60],
        'releaseC' => 30,
        'role' => 'none',
        'hold' => 'fair',
        'release' => 'strong',
        'barrier' => false,
        'why' => 'The new sheets grip less.',
    ];

    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('technician');
    }

    public function testAPairSaysOnHowManySourcesOfWhichKindItRests(): void
    {
        $this->signIn('technician');
        $pair = $this->ask('GET', '/api/catalogue/pairs/abs/carbon_laminate', null, 200);
        self::assertStringContainsString('by ', $pair['sources']);
        preg_match_all('/(\\d+) by/', $pair['sources'], $ways);
        self::assertSame(\count($pair['treatments']), array_sum(array_map(intval(...), $ways[1])), 'Each way rests on something.');
    }

    public function testTheGridShowsPracticeAndTheShop(): void
    {
        $pair = $this->pair('pla', 'pei_textured');
        self::assertSame(['strong', 'strong'], [$pair['best']['hold'], $pair['best']['release']]);
        self::assertGreaterThan(0, $pair['runs']);
        self::assertGreaterThan(0, $pair['profiles']);
        self::assertTrue($this->pair('petg', 'pei_textured')['ownFact']);
        self::assertTrue($this->pair('petg', 'pei_smooth')['bonds']);
        self::assertSame(
            ['pva_stick', 'release'],
            [$this->pair('petg', 'pei_smooth')['best']['agentKindId'], $this->pair('petg', 'pei_smooth')['best']['role']],
        );
        self::assertGreaterThan(140, \count($this->ask('GET', '/api/catalogue/pairs', null, 200)));
    }

    public function testWhatTheGridCountsIsWhatTheRunsSay(): void
    {
        $counted = [];
        foreach ($this->ask('GET', '/api/catalogue/pairs', null, 200) as $pair) {
            if ($pair['runs'] > 0) {
                $counted["{$pair['materialId']} on {$pair['surfaceId']}"] = [$pair['runs'], $pair['held']];
            }
        }
        $made = [];
        // Of the sheet that lies there now; what was taken off hot says nothing of how it comes off.
        foreach ($this->database()->iterateAssociative("SELECT s.material_id, f.surface_id, COUNT(r.held) AS runs, SUM(r.held) AS held
            FROM run r JOIN setup s ON s.id = r.setup_id AND s.taken_hot = 0 JOIN plate_side ps ON ps.fitting_id = s.fitting_id JOIN fitting f ON f.id = s.fitting_id
            WHERE r.finished_at IS NOT NULL AND r.status = 'done' GROUP BY s.material_id, f.surface_id HAVING runs > 0") as $row) {
            $made["{$row['material_id']} on {$row['surface_id']}"] = [(int) $row['runs'], (int) $row['held']];
        }
        self::assertGreaterThan(2, \count($made));
        ksort($made);
        ksort($counted);
        self::assertSame($made, $counted);
    }

    public function testAProfileInQuestionIsNoProfileInForce(): void
    {
        self::assertSame(1, $this->pair('pla', 'pei_textured')['profiles']);
        $printer = $this->pick('/api/printers', 'name', 'North bay')['id'];
        $this->ask('POST', "/api/printers/$printer/changes", ['kind' => 'levelling', 'note' => ''], 201);
        self::assertSame(0, $this->pair('pla', 'pei_textured')['profiles']);
    }

    public function testAPairOpensWithItsReasons(): void
    {
        $pair = $this->ask('GET', '/api/catalogue/pairs/pla/pei_textured', null, 200);
        $ways = array_column($pair['treatments'], null, 'agentKindId');
        self::assertSame(['poor', 'none'], [$ways['pva_stick']['hold'], $ways['pva_stick']['role']]);
        self::assertStringContainsString('levels the texture', $ways['pva_stick']['note']);
        $bare = $ways[''];
        self::assertGreaterThan(0, $bare['runs']);
        self::assertContains($bare['holdStanding'], ['confirmed', 'open', 'refuted']);
        self::assertNotSame([], $pair['schools']);
        $this->ask('GET', '/api/catalogue/pairs/pla/gold', null, 404);
    }

    public function testAResinHasItsWindowInSeconds(): void
    {
        self::assertSame('s', $this->ask('GET', '/api/catalogue/pairs/resin/resin_sanded', null, 200)['axis']);
    }

    public function testAnOwnFactStandsBesideOursUntilItIsWithdrawn(): void
    {
        $fact = $this->ask('POST', '/api/catalogue/facts', self::FACT, 201);
        self::assertSame('Mara', $fact['who']);
        $pair = $this->ask('GET', '/api/catalogue/pairs/pla/pei_textured', null, 200);
        $bare = array_column($pair['treatments'], null, 'agentKindId')[''];
        self::assertSame(['fair', 'strong'], [$bare['hold'], $bare['ourHold']]);
        self::assertEquals([[46, 50, 60], [50, 55, 65]], [$pair['window'], $pair['ourWindow']]);
        $choice = $this->ask(
            'POST',
            '/api/choose',
            [
                'materialId' => 'pla',
                'printerId' => $this->pick('/api/printers', 'name', 'North bay')['id'],
                'lotId' => null,
                'roomC' => 20,
                'partCount' => 1,
                'jobMinutes' => null,
                'lookAt' => $this->side('P1 front').'/bare',
            ],
            200,
        );
        self::assertStringContainsString('the word of this shop (Mara,', implode(' ', $choice['detail']['reasons']));
        $withdrawn = $this->ask('POST', "/api/catalogue/facts/{$fact['id']}/withdraw", [], 200);
        self::assertSame('Mara', $withdrawn['withdrawnBy']);
        $after = $this->ask('GET', '/api/catalogue/pairs/pla/pei_textured', null, 200);
        self::assertSame('strong', array_column($after['treatments'], null, 'agentKindId')['']['hold']);
        self::assertCount(\count($pair['facts']), $after['facts'], 'Nothing is deleted.');
    }

    public function testAPairThatNobodyKnewCanBeAdded(): void
    {
        $new = ['materialId' => 'hips', 'surfaceId' => 'painters_tape', 'window' => null] + self::FACT;
        self::assertSame('window', $this->ask('POST', '/api/catalogue/facts', $new, 422)['errors'][0]['field']);
        $this->ask('POST', '/api/catalogue/facts', ['window' => [20, 40, 60]] + $new, 201);
        self::assertTrue($this->pair('hips', 'painters_tape')['ownFact']);
        self::assertNull($this->ask('GET', '/api/catalogue/pairs/hips/painters_tape', null, 200)['ourWindow']);
    }

    public function testOnlyALeadGivesASheetUpToAPairThatBonds(): void
    {
        $this->signIn('technician');
        $given = ['materialId' => 'petg', 'surfaceId' => 'pei_smooth', 'agentKindId' => null, 'role' => 'none', 'hold' => 'strong', 'release' => 'poor', 'barrier' => true] + self::FACT;
        $refused = $this->ask('POST', '/api/catalogue/facts', $given, 422);
        self::assertSame('barrier', $refused['errors'][0]['field']);
        self::assertStringContainsString('only a lead', $refused['errors'][0]['message']);
        $this->ask('POST', '/api/catalogue/facts', ['agentKindId' => 'pva_stick', 'role' => 'release'] + $given, 201);
        $this->signIn('lead');
        $this->ask('POST', '/api/catalogue/facts', $given, 201);
    }

    public function testBadFactsAreNamedAndTheSameSendIsOne(): void
    {
        $before = $this->rowsIn('shop_fact');
        foreach (['materialId' => 'gold', 'surfaceId' => 'gold', 'agentKindId' => 'soup', 'why' => 'no', 'hold' => 'great'] as $field => $value) {
            self::assertSame($field, $this->ask('POST', '/api/catalogue/facts', [$field => $value] + self::FACT, 422)['errors'][0]['field']);
        }
        self::assertSame('window', $this->ask('POST', '/api/catalogue/facts', ['window' => [60, 50, 40]] + self::FACT, 422)['errors'][0]['field']);
        self::assertSame($before, $this->rowsIn('shop_fact'));
        $id = Uuid::v7()->toRfc4122();
        $this->ask('POST', '/api/catalogue/facts', ['id' => $id] + self::FACT, 201);
        $this->ask('POST', '/api/catalogue/facts', ['id' => $id] + self::FACT, 200);
        self::assertSame($before + 1, $this->rowsIn('shop_fact'));
        $this->ask('POST', '/api/catalogue/facts/'.Uuid::v7()->toRfc4122().'/withdraw', [], 404);
    }

    /** @return array<string, mixed> */
    private function pair(string $material, string $surface): array
    {
        foreach ($this->ask('GET', '/api/catalogue/pairs', null, 200) as $pair) {
            if ([$material, $surface] === [$pair['materialId'], $pair['surfaceId']]) {
                return $pair;
            }
        }
        self::fail("Nothing is known of $material on $surface.");
    }
}
