<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use Symfony\Component\Uid\Uuid;

/** A profile says what is so of the sheet, the printer and the day; each test is named after a fault. */
final class ProfileTruthTest extends ApiTestCase
{
    private const PROVEN = 'House grey PLA on textured P1';

    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('lead');
    }

    public function testAValidatedProfileInScopeIsProvenHere(): void
    {
        $match = $this->match();
        self::assertSame(['proven', true], [$match['trust'], $match['inScope']]);
        self::assertSame([], $this->profile()['doubts']);
        self::assertTrue($this->profile()['signatureHolds']);
    }

    public function testLevelledAgainPutsAProfileInQuestionInChooseAndInKeep(): void
    {
        self::assertSame(1, $this->proven());
        $this->change('levelling');
        $match = $this->match();
        self::assertSame(['in_question', false], [$match['trust'], $match['inScope']]);
        self::assertStringContainsString('levelled again', implode(' ', array_column($match['points'], 'sentence')));
        self::assertNotSame([], $match['restoredBy']);
        $doubts = $this->profile()['doubts'];
        self::assertSame(['change'], array_column($doubts, 'kind'));
        self::assertSame(0, $this->proven(), 'The catalogue goes on vouching for it.');
        self::assertStringContainsString('Runs after that change', $doubts[0]['restoredBy']);
    }

    public function testLevelledForAnotherPlateQuestionsThisOneAndForItselfDoesNot(): void
    {
        $plates = array_column($this->ask('GET', '/api/plates', null, 200), 'id', 'number');
        $this->change('levelled_for_plate', ['plateId' => $plates['P1']]);
        self::assertSame('proven', $this->match()['trust']);
        $this->change('levelled_for_plate', ['plateId' => $plates['P6']]);
        self::assertSame('in_question', $this->match()['trust']);
        $this->ask('POST', '/api/printers/'.$this->printer()['id'].'/changes', ['kind' => 'levelled_for_plate', 'note' => ''], 422);
    }

    public function testANewSheetOnTheSidePutsAProfileOutOfScope(): void
    {
        $this->ask(
            'POST',
            '/api/plate-sides/'.$this->side('P1 front').'/fittings',
            ['surfaceId' => 'pei_textured', 'surfaceLot' => 'S-99', 'limitC' => null],
            201,
        );
        $match = $this->match();
        self::assertSame('in_question', $match['trust']);
        $plate = array_values(array_filter($match['points'], static fn (array $p): bool => 'plate' === $p['point']));
        self::assertCount(1, $plate, 'What is not so is not said beside it.');
        self::assertFalse($plate[0]['inScope']);
        self::assertStringContainsString('P1 front has', $plate[0]['sentence']);
    }

    public function testARetiredPlateProvesNothing(): void
    {
        $dial = $this->match()['dial'];
        self::assertNotNull($dial);
        $plate = $this->pick('/api/plates', 'number', 'P1');
        $this->ask('PUT', "/api/plates/{$plate['id']}", ['retired' => true] + array_diff_key($plate, ['id' => 0, 'sides' => 0]), 200);
        $match = $this->match();
        self::assertSame('in_question', $match['trust']);
        self::assertSame($dial, $match['dial'], 'What it was proven at is still said.');
    }

    public function testAFaultOfTheMachineNamesItsRunsAndTakesThemOutOfTheEvidence(): void
    {
        $during = ['from' => '2000-01-01T00:00:00+00:00', 'until' => '2100-01-01T00:00:00+00:00'];
        $noted = $this->change('machine_fault', $during);
        self::assertGreaterThan(30, \count($noted['runs']));
        self::assertMatchesRegularExpression('/^run \d+ of "/', $noted['runs'][0]['name']);
        self::assertSame('in_question', $this->match()['trust']);
        $this->ask('POST', '/api/printers/'.$this->printer()['id'].'/changes', ['kind' => 'machine_fault', 'note' => ''], 422);
        $this->ask(
            'POST',
            '/api/printers/'.$this->printer()['id'].'/changes',
            ['kind' => 'machine_fault', 'note' => '', 'from' => $during['until'], 'until' => $during['from']],
            422,
        );
    }

    public function testAJobWithoutALengthGetsNoTick(): void
    {
        $point = fn (?int $minutes): array => array_values(array_filter(
            $this->match($minutes)['points'],
            static fn (array $p): bool => 'job' === $p['point'],
        ))[0];
        self::assertNull($point(null)['inScope']);
        self::assertTrue($point(20)['inScope']);
        self::assertFalse($point(300)['inScope']);
        self::assertSame('out_of_scope', $this->match(300)['trust']);
    }

    public function testAnOlderRevisionIsNotSignedBesideANewerOne(): void
    {
        $original = $this->profile();
        $setup = json_decode(
            (string) $this->database()->fetchOne('SELECT document FROM profile WHERE id = ?', [Uuid::fromString($original['id'])->toBinary()]),
            true,
        )['origin']['setupId'];
        $wish = [
            'setupId' => $setup,
            'series' => $original['series'],
            'title' => 'Again',
            'plan' => $original['document']['evidence']['plan'],
            'anyLot' => false,
            'anyPlate' => false,
            'reviewBy' => '2030-01-01',
        ];
        $second = $this->ask('POST', '/api/profiles', $wish, 201);
        self::assertNull($original['differs'], 'There is none before it.');
        self::assertSame(['revision' => 1, 'sentences' => []], $this->ask('GET', "/api/profiles/{$second['id']}", null, 200)['differs'], 'On the same runs it says the same.');
        $wider = $this->ask('POST', '/api/profiles', ['plan' => ['reliability' => 0.75] + $wish['plan'], 'anyLot' => true] + $wish, 201);
        self::assertSame(['Lot: any, was L-101.', "Accepted reliability: 75\u{00A0}%, was 80\u{00A0}%."], $wider['differs']['sentences']);
        $third = $this->ask('POST', '/api/profiles', ['title' => 'Once more'] + $wish, 201);
        $sign = ['version' => 1, 'password' => 'hilltop', 'trial' => false, 'reason' => ''];
        $this->ask('POST', "/api/profiles/{$third['id']}/sign", $sign, 200);
        $this->ask('POST', "/api/profiles/{$second['id']}/sign", $sign, 409);
        self::assertSame(
            1,
            (int) $this->database()->fetchOne(
                "SELECT COUNT(*) FROM profile WHERE series = ? AND status IN ('validated', 'trial')",
                [Uuid::fromString($original['series'])->toBinary()],
            ),
        );
    }

    public function testASignatureCoversKeysQuantitiesAndTheEnglishText(): void
    {
        $id = Uuid::fromString($this->profile()['id'])->toBinary();
        foreach ([
            '$.setting.bedFirstC' => '56',
            '$.release.way.text' => '"Pull it off hot."',
            '$.release.way.english' => '"Pull it off hot."',
        ] as $path => $value) {
            $before = (string) $this->database()->fetchOne('SELECT document FROM profile WHERE id = ?', [$id]);
            $this->database()->executeStatement("UPDATE profile SET document = JSON_SET(document, '$path', JSON_EXTRACT('$value', '$')) WHERE id = ?", [$id]);
            self::assertFalse($this->profile()['signatureHolds'], $path);
            $this->database()->executeStatement('UPDATE profile SET document = ? WHERE id = ?', [$before, $id]);
        }
        self::assertTrue($this->profile()['signatureHolds']);
    }

    public function testAVerdictByOlderRulesSaysSo(): void
    {
        $comparison = $this->pick('/api/comparisons', 'status', 'closed');
        $now = $this->ask('GET', "/api/comparisons/{$comparison['id']}/judgement", null, 200)['recorded'];
        self::assertFalse($now['superseded']);
        $this->database()->executeStatement("UPDATE verdict_record SET core_version = '1.0', judgement = JSON_SET(judgement, '$.setups[0].verdict', 'does_not_hold')");
        $old = $this->ask('GET', "/api/comparisons/{$comparison['id']}/judgement", null, 200)['recorded'];
        self::assertTrue($old['superseded']);
        self::assertTrue($old['differs']);
        self::assertSame(['does not hold', 'holds and lets go'], [$old['setups'][0]['then'], $old['setups'][0]['now']]);
    }

    public function testWhatTheShopHoldsTrueIsInTheDigestOfItsVerdicts(): void
    {
        $running = $this->pick('/api/comparisons', 'title', 'Dew shields in night-black PETG: bare, stick or cool plate?');
        $digest = $this->ask('GET', '/api/catalogue', null, 200)['digest'];
        $this->ask(
            'POST',
            "/api/comparisons/{$running['id']}/close",
            ['version' => $running['version'] ?? $this->ask('GET', "/api/comparisons/{$running['id']}", null, 200)['version']],
            200,
        );
        $recorded = $this->database()->fetchOne('SELECT catalogue_digest FROM verdict_record ORDER BY created_at DESC LIMIT 1');
        self::assertNotSame($digest, $recorded, 'The demo shop has facts of its own.');
        self::assertGreaterThan(0, $this->rowsIn('shop_fact'));
    }

    public function testFiguresAreSaidInTheUnitsOfWhoeverReads(): void
    {
        $this->ask('PUT', '/api/preferences', ['temperature' => '°F', 'force' => 'lbf', 'length' => 'in', 'theme' => 'light', 'locale' => ''], 200);
        $room = array_values(array_filter($this->match()['points'], static fn (array $p): bool => 'room' === $p['point']))[0]['sentence'];
        self::assertSame('Proven in a room of 64.4 °F to 71.6 °F; yours is 68 °F.', str_replace("\u{00A0}", ' ', $room));
        $comparison = $this->pick('/api/comparisons', 'status', 'closed');
        $reasons = $this->ask('GET', "/api/comparisons/{$comparison['id']}/judgement", null, 200)['setups'][0]['hold']['reasons'];
        self::assertStringContainsString('lbf', $reasons[0]);
        self::assertDoesNotMatchRegularExpression('/\d\x{00A0}N\b|°C/u', implode(' ', $reasons));
    }

    /**
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    private function change(string $kind, array $more = []): array
    {
        return $this->ask('POST', '/api/printers/'.$this->printer()['id'].'/changes', ['kind' => $kind, 'note' => ''] + $more, 201);
    }

    /** @return array<string, mixed> */
    private function printer(): array
    {
        return $this->pick('/api/printers', 'name', 'North bay');
    }

    /** @return array<string, mixed> */
    private function profile(): array
    {
        return $this->ask('GET', '/api/profiles/'.$this->pick('/api/profiles', 'title', self::PROVEN)['id'], null, 200);
    }

    /** @return array<string, mixed> what Choose says of it */
    private function match(?int $minutes = 20): array
    {
        $answer = $this->ask('POST', '/api/choose', [
            'materialId' => 'pla',
            'printerId' => $this->printer()['id'],
            'lotId' => $this->pick('/api/lots', 'label', 'L-101')['id'],
            'roomC' => 20,
            'partCount' => 1,
            'jobMinutes' => $minutes,
        ], 200);
        foreach ($answer['profiles'] as $profile) {
            if (self::PROVEN === $profile['title']) {
                return $profile;
            }
        }
        self::fail('Choose does not know the profile.');
    }

    /** Profiles that the catalogue shows for PLA on textured PEI. */
    private function proven(): int
    {
        $pairs = array_filter(
            $this->ask('GET', '/api/catalogue/pairs', null, 200),
            static fn (array $p): bool => 'pla' === $p['materialId'] && 'pei_textured' === $p['surfaceId'],
        );

        return array_values($pairs)[0]['profiles'];
    }
}
