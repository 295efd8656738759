<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Evidence\AnsweredPrints;
use App\Evidence\LearnedShop;
use App\Test\RunTally;
use Sitzplatz\Evidence\Learned\Answered;
use Symfony\Component\Uid\Uuid;

/** Prints for use: begun with what Choose showed, answered in two touches, counted for wear and held against what was said. */
final class JobTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('technician');
    }

    public function testAPrintIsBegunAndAnsweredInTwoTouches(): void
    {
        $first = $this->best();
        $wear = fn (): array => array_column($this->ask('GET', '/api/care', null, 200)['sides'], 'printsSinceFitting', 'plateSideId');
        $before = $wear()[$first['plateSideId']];
        $body = ['id' => Uuid::v7()->toRfc4122(), 'title' => 'Filter cell, set of two', 'key' => $first['key'], 'asked' => $this->asked()];
        $job = $this->ask('POST', '/api/jobs', $body, 201);
        self::assertSame($job['id'], $this->ask('POST', '/api/jobs', $body, 200)['id'], 'Sent twice, it is one print.');
        self::assertSame(['open', 2, $first['plateSideId']], [$job['status'], $job['parts'], $job['plateSideId']]);
        self::assertEqualsWithDelta($first['chance'], $job['saidChance'], 1e-9, 'What was said is kept.');
        self::assertSame($before, $wear()[$first['plateSideId']], 'Nobody has said yet that it was printed.');
        self::assertSame([$job['id']], array_column($this->ask('GET', '/api/jobs?status=open', null, 200), 'id'));

        self::assertContains(['print', 'Say how it came out: Filter cell, set of two'], array_map(static fn (array $next): array => [$next['kind'], $next['title']], $this->ask('GET', '/api/overview', null, 200)['next']));
        $path = "/api/jobs/{$job['id']}";
        self::assertSame('effort', $this->ask('POST', "$path/answer", ['version' => $job['version'], 'outcome' => 'held'], 422)['errors'][0]['field']);
        $answer = ['version' => $job['version'], 'outcome' => 'held', 'effort' => 1, 'damaged' => false];
        $done = $this->ask('POST', "$path/answer", $answer, 200);
        self::assertSame(['answered', true, 'Mara'], [$done['status'], $done['cameTrue'], $done['answeredBy']]);
        self::assertLessThan(1.0, $done['minutes'], 'No longer than since it was begun.');
        $this->ask('POST', "$path/answer", ['version' => $done['version']] + $answer, 409);
        self::assertSame($before + 1, $wear()[$first['plateSideId']], 'It wears the sheet like any print.');
        $tally = self::getContainer()->get(RunTally::class);
        self::assertInstanceOf(RunTally::class, $tally);
        self::assertSame(0, $tally->wrong());
        self::assertSame([], $this->ask('GET', '/api/jobs?status=open', null, 200));
        self::assertCount(1, $this->ask('GET', '/api/jobs?find=filter+cell', null, 200));
        self::assertSame($this->best()['ownRuns'], $first['ownRuns'], 'A print for use is no run.');
    }

    public function testWhereItFailedWhatItHarmedAndHowItLookedIsKeptWithIt(): void
    {
        $first = $this->best();
        $job = $this->begun($first['key']);
        $this->database()->executeStatement('UPDATE job SET created_at = created_at - INTERVAL 3 HOUR');
        $path = "/api/jobs/{$job['id']}";
        $key = Uuid::v7()->toRfc4122();
        $picture = static function (): string {
            ob_start();
            imagejpeg(imagecreatetruecolor(640, 480));

            return (string) ob_get_clean();
        };
        $sent = $picture();
        $pictured = json_decode((string) $this->send('POST', "$path/photos?id=$key", $sent, 'application/octet-stream')->getContent(), true);
        self::assertSame([$key], array_column($pictured['photos'], 'id'));
        self::assertSame(200, $this->send('POST', "$path/photos?id=$key", $sent, 'application/octet-stream')->getStatusCode(), 'Sent twice, it is one photo.');
        self::assertSame(422, $this->send('POST', "$path/photos?id=".Uuid::v7()->toRfc4122(), 'no picture', 'application/octet-stream')->getStatusCode());
        $marks = [['kind' => 'failed', 'x' => 0.25, 'y' => 0.5, 'place' => 1], ['kind' => 'damage', 'x' => 0.25, 'y' => 0.5, 'place' => null]];
        $answer = ['version' => $job['version'], 'outcome' => 'lifted', 'effort' => 1, 'liftMm' => 0.6, 'marks' => $marks, 'heldSeconds' => 3600];
        self::assertSame('kind', $this->ask('POST', "$path/answer", ['outcome' => 'held'] + $answer, 422)['errors'][0]['field'], 'What held did not fail.');
        self::assertSame('place', $this->ask('POST', "$path/answer", ['marks' => [['place' => 9] + $marks[0]]] + $answer, 422)['errors'][0]['field']);
        self::assertSame(0, (int) $this->database()->fetchOne('SELECT COUNT(*) FROM job_mark'));
        $done = $this->ask('POST', "$path/answer", $answer, 200);
        self::assertTrue($done['damaged'], 'A mark of harm is harm.');
        self::assertEqualsWithDelta(0.6, $done['liftMm'], 1e-12);
        self::assertSame(['failed', 'damage'], array_column($done['marks'], 'kind'));
        self::assertEqualsWithDelta(3600, time() - (int) strtotime($done['answeredAt']), 5, 'It was touched an hour ago.');
        $map = $this->ask('GET', "/api/plate-sides/{$first['plateSideId']}/care", null, 200)['map'];
        self::assertContains(['kind' => 'damage', 'x' => 0.25, 'y' => 0.5], $map['marks']);
        self::assertContains(true, array_column($map['fields'], 'damaged'));
        self::assertSame('image/jpeg', $this->send('GET', "/api/job-photos/$key", null)->headers->get('Content-Type'));
        self::assertSame([], $this->ask('POST', "/api/job-photos/$key/withdraw", null, 200)['photos']);
        self::assertSame([[]], array_column($this->ask('GET', '/api/jobs?status=answered', null, 200), 'photos'));
    }

    public function testAnsweredPrintsAreCountedAtOnceAndLearnedFromBehind(): void
    {
        $before = $this->best();
        for ($i = 0; $i < 4; ++$i) {
            $this->answered($before['key'], ['outcome' => 'held', 'effort' => 0]);
        }
        $open = $this->begun($before['key']);
        $after = $this->candidate($before['key']);
        self::assertSame([$before['hold']['runs'] + 4, $before['hold']['well'] + 4], [$after['hold']['runs'], $after['hold']['well']]);
        $this->ask('POST', "/api/jobs/{$open['id']}/drop", ['version' => $open['version'], 'reason' => 'not printed'], 200);
        $shop = self::getContainer()->get(LearnedShop::class);
        self::assertInstanceOf(LearnedShop::class, $shop);
        self::assertTrue($shop->isBehind());
        $shop->learn();
        self::assertFalse($shop->isBehind());
        $learned = $this->candidate($before['key']);
        self::assertGreaterThan($before['hold']['chance'], $learned['hold']['chance']);
        self::assertSame($after['hold']['runs'], $learned['hold']['runs'], 'One that nobody printed says nothing.');
        $rows = $this->database()->fetchAllAssociative("SELECT times, outcomes FROM run_tally WHERE source = 'use'");
        self::assertSame([[4, '1,0,0,4']], array_map(static fn (array $row): array => [(int) $row['times'], $row['outcomes']], $rows));
        // What was made before a new nozzle is not shown any more: there are always enough.
        $printer = $this->pick('/api/printers', 'name', 'North bay')['id'];
        $this->ask('POST', "/api/printers/$printer/changes", ['kind' => 'nozzle', 'note' => ''], 201);
        $this->answered($before['key'], ['outcome' => 'held', 'effort' => 1]);
        self::assertSame($before['hold']['runs'] + 1, $this->candidate($before['key'])['hold']['runs']);
        $tally = self::getContainer()->get(RunTally::class);
        self::assertInstanceOf(RunTally::class, $tally);
        self::assertSame(0, $tally->wrong());
    }

    /** All of its materials are asked; what came of it is kept with all of them, and says nothing of one alone. */
    public function testAPrintOfSeveralMaterialsIsKeptAsSuch(): void
    {
        $asked = ['alsoMaterialIds' => ['petg']] + $this->asked();
        self::assertSame('alsoMaterialIds.0', $this->ask('POST', '/api/choose', ['alsoMaterialIds' => ['nothing']] + $asked, 422)['errors'][0]['field']);
        $choice = $this->ask('POST', '/api/choose', $asked, 200);
        $first = $choice['candidates'][0];
        self::assertStringContainsString('decides here', implode(' ', $choice['notes']));
        self::assertStringContainsString('PETG: ', implode(' ', array_column($choice['rejections'], 'reason')));
        $alone = fn (): array => array_map(
            static fn (array $each): array => [$each['label'], $each['hold']],
            $this->ask('POST', '/api/choose', $this->asked(), 200)['candidates'],
        );
        $before = $alone();
        $job = $this->ask('POST', '/api/jobs', ['title' => 'Two colours', 'key' => $first['key'], 'asked' => $asked], 201);
        self::assertSame(['pla', ['petg']], [$job['materialId'], $job['alsoMaterialIds']]);
        $this->ask('POST', "/api/jobs/{$job['id']}/answer", ['version' => $job['version'], 'outcome' => 'came_off'], 200);
        self::assertSame(1, (int) $this->database()->fetchOne("SELECT COUNT(*) FROM run_tally WHERE source = 'use' AND own_brim = 1"));
        $shop = self::getContainer()->get(LearnedShop::class);
        self::assertInstanceOf(LearnedShop::class, $shop);
        $shop->learn();
        self::assertEquals($before, $alone(), 'It may have been the other that lifted.');
        $tally = self::getContainer()->get(RunTally::class);
        self::assertInstanceOf(RunTally::class, $tally);
        self::assertSame(0, $tally->wrong());
    }

    public function testWhatIsNotPrintedIsDroppedAndCountsForNothing(): void
    {
        $job = $this->begun();
        $dropped = $this->ask('POST', "/api/jobs/{$job['id']}/drop", ['version' => $job['version'], 'reason' => 'the order was taken back'], 200);
        self::assertSame(['dropped', null], [$dropped['status'], $dropped['cameTrue']]);
        $this->ask('POST', "/api/jobs/{$job['id']}/answer", ['version' => $dropped['version'], 'outcome' => 'came_off'], 409);
        self::assertNull($this->ask('GET', '/api/jobs/came-true', null, 200)['all']);
    }

    public function testASetupThatMayNotBeUsedBeginsNoPrint(): void
    {
        $this->ask('POST', '/api/jobs', ['title' => 'x', 'key' => 'nothing/bare', 'asked' => $this->asked()], 409);
        $this->ask('POST', '/api/jobs', ['title' => '', 'key' => 'nothing/bare', 'asked' => $this->asked()], 422);
        self::assertSame(0, (int) $this->database()->fetchOne('SELECT COUNT(*) FROM job'));
    }

    public function testWhatWasSaidIsHeldAgainstWhatHappened(): void
    {
        $square = 0.0;
        $key = $this->best()['key'];
        for ($i = 0; $i < 12; ++$i) {
            $job = $this->begun($key);
            $square += ($job['saidChance'] - ($i < 3 ? 1 : 0)) ** 2;
            $this->ask('POST', "/api/jobs/{$job['id']}/answer", ['version' => $job['version']] + ($i < 3 ? ['outcome' => 'held', 'effort' => 1] : ['outcome' => 'came_off']), 200);
        }
        $this->begun();
        $told = $this->ask('GET', '/api/jobs/came-true', null, 200);
        self::assertSame([1, 12, 3], [$told['open'], $told['all']['n'], $told['all']['happened']], 'One that nobody answered is not taken as held.');
        // By hand; what was said sinks as more of them come off.
        self::assertEqualsWithDelta($square / 12, $told['all']['brier'], 1e-9);
        self::assertStringContainsString('it is worse here than was said', $told['odd'][0]['sentence']);
        self::assertStringContainsString('not yet nearer', $told['sentence']);
    }

    public function testAProfileSaysWhatPrintsForUseHaveShownSince(): void
    {
        $profile = $this->pick('/api/profiles', 'title', 'House grey PLA on textured P1');
        self::assertNull($this->ask('GET', "/api/profiles/{$profile['id']}", null, 200)['seen']);
        $asked = ['lotId' => $this->pick('/api/lots/in-use', 'label', 'L-101')['id'], 'bedC' => 55] + $this->asked();
        $choice = fn (): array => array_values(array_filter(
            $this->ask('POST', '/api/choose', $asked, 200)['candidates'],
            static fn (array $each): bool => 'P1 front, bare' === $each['label'],
        ))[0];
        $first = $choice();
        $job = $this->ask('POST', '/api/jobs', ['title' => 'Long one', 'key' => $first['key'], 'asked' => $asked], 201);
        self::assertEqualsWithDelta(55, $job['bedFirstC'], 1e-9, 'As the profile has it.');
        $this->database()->executeStatement('UPDATE job SET created_at = created_at - INTERVAL 200 MINUTE');
        $this->ask('POST', "/api/jobs/{$job['id']}/answer", ['version' => $job['version'], 'outcome' => 'held', 'effort' => 0], 200);
        $seen = str_replace("\u{a0}", ' ', (string) $this->ask('GET', "/api/profiles/{$profile['id']}", null, 200)['seen']);
        self::assertStringContainsString('1 print for use, 1 held and let go: the longest took 3 h 20 min as measured and the fullest plate had 2 parts.', $seen);
        self::assertSame($first['hold']['runs'] + 1, $choice()['hold']['runs']);
    }

    /** @param array<string, mixed> $how */
    private function answered(string $key, array $how): void
    {
        $job = $this->begun($key);
        $this->ask('POST', "/api/jobs/{$job['id']}/answer", ['version' => $job['version']] + $how, 200);
    }

    /** @return array<string, mixed> */
    private function candidate(string $key): array
    {
        return array_values(array_filter(
            $this->ask('POST', '/api/choose', $this->asked(), 200)['candidates'],
            static fn (array $each): bool => $each['key'] === $key,
        ))[0];
    }

    /** One chance for one thing: the row, its detail, on any printer, and what is kept when the print begins; and what fails lowers the next. */
    public function testWhatIsSaidIsOneChanceAndWhatFailsLowersTheNext(): void
    {
        $key = $this->best()['key'];
        $before = $this->candidate($key);
        $any = array_values(array_filter(
            $this->ask('POST', '/api/choose', ['printerId' => null] + $this->asked(), 200)['candidates'],
            static fn (array $each): bool => str_starts_with((string) $each['key'], $key.'@') && $each['printerId'] === $before['printerId'],
        ));
        self::assertEqualsWithDelta([$before['chance']], array_column($any, 'chance'), 1e-12);
        for ($i = 0; $i < 6; ++$i) {
            $this->answered($key, ['outcome' => 'lifted', 'effort' => 1]);
        }
        $shop = self::getContainer()->get(LearnedShop::class);
        self::assertInstanceOf(LearnedShop::class, $shop);
        $shop->learn();
        $after = $this->candidate($key);
        self::assertLessThan($before['chance'] - 0.1, $after['chance']);
        self::assertEqualsWithDelta($after['hold']['chance'] * $after['release']['chance'], $after['chance'], 1e-12);
        self::assertTrue($after['chance'] < min($after['hold']['chance'], $after['release']['chance']));
        $detail = $this->ask('POST', '/api/choose', ['lookAt' => $key] + $this->asked(), 200)['detail'];
        foreach (['hold' => $after['hold'], 'release' => $after['release'], 'both' => ['chance' => $after['chance'], 'range90' => $detail['chance90']]] as $said) {
            self::assertGreaterThanOrEqual($said['range90'][0], $said['chance']);
            self::assertLessThanOrEqual($said['range90'][1], $said['chance']);
        }
        self::assertSame($key, $detail['key']);
        foreach (['hold', 'release'] as $question) {
            self::assertEqualsWithDelta($after[$question]['chance'], $detail['why'][$question]['chance'], 1e-12);
        }
        if (1 === \count(array_filter($detail['ladder'], static fn (array $rung): bool => 'bare' === $rung['rung']))) {
            self::assertLessThan($after['chance'], $detail['ladder'][0]['chance'], 'As it is, once it has failed.');
        }
        $begun = $this->begun($key);
        self::assertEqualsWithDelta($after['chance'], $begun['saidChance'], 1e-9);
        self::assertIsArray(json_decode((string) $this->database()->fetchOne('SELECT measures FROM job ORDER BY created_at DESC LIMIT 1'), true));
    }

    /** What fails ends early: a long print that came off after an hour is none of an hour. */
    public function testAPrintIsLearnedAsLongAsItWasPlanned(): void
    {
        $job = $this->ask('POST', '/api/jobs', ['title' => 'Long one', 'key' => $this->best()['key'], 'asked' => ['jobMinutes' => 480] + $this->asked()], 201);
        $this->database()->executeStatement('UPDATE job SET created_at = created_at - INTERVAL 30 MINUTE');
        $this->ask('POST', "/api/jobs/{$job['id']}/answer", ['version' => $job['version'], 'outcome' => 'came_off'], 200);
        $prints = self::getContainer()->get(AnsweredPrints::class);
        self::assertInstanceOf(AnsweredPrints::class, $prints);
        $times = array_map(static fn (Answered $each): float => $each->situation->measures['time'], array_filter(
            $prints->all()['held'],
            static fn (Answered $each): bool => 'use' === ($each->situation->levels['purpose'] ?? ''),
        ));
        self::assertEqualsWithDelta([-log(8)], array_values($times), 1e-9);
    }

    public function testLaterPullsAreHeldAgainstThoseOfItsEvidence(): void
    {
        $profile = $this->pick('/api/profiles', 'title', 'House grey PLA on textured P1');
        $id = Uuid::fromString($profile['id'])->toBinary();
        // As if its evidence had ended before: then its own runs came since.
        $this->database()->executeStatement("UPDATE profile SET evidence_until = '2020-01-01' WHERE id = ?", [$id]);
        $watched = $this->ask('GET', "/api/profiles/{$profile['id']}", null, 200)['drift'];
        self::assertSame(['hold', 'release', 'hot_pull', 'cold_pull'], array_column($watched['charts'], 'kind'));
        self::assertSame([0, 0, 6, 6], array_map(static fn (array $chart): int => \count($chart['path']), $watched['charts']));
        self::assertNull($watched['drifted'], 'Its own pulls are as they were.');
        $this->database()->executeStatement("UPDATE comparison SET constants = JSON_SET(constants, '$.piece.alongPullMm', 99)");
        self::assertNull($this->ask('GET', "/api/profiles/{$profile['id']}", null, 200)['drift'], 'Forces on another test piece are no match.');
    }

    public function testAProfileThatDriftsIsInQuestion(): void
    {
        $profile = $this->pick('/api/profiles', 'title', 'House grey PLA on textured P1');
        self::assertNull($this->ask('GET', "/api/profiles/{$profile['id']}", null, 200)['drift']);
        $asked = ['lotId' => $this->pick('/api/lots/in-use', 'label', 'L-101')['id'], 'bedC' => 55] + $this->asked();
        $key = array_values(array_filter($this->ask('POST', '/api/choose', $asked, 200)['candidates'], static fn (array $each): bool => 'P1 front, bare' === $each['label']))[0]['key'];
        for ($i = 0; $i < 6; ++$i) {
            $job = $this->ask('POST', '/api/jobs', ['title' => 'Filter cell', 'key' => $key, 'asked' => $asked], 201);
            $this->ask('POST', "/api/jobs/{$job['id']}/answer", ['version' => $job['version'], 'outcome' => 'came_off'], 200);
            $shown = $this->ask('GET', "/api/profiles/{$profile['id']}", null, 200);
            self::assertSame($i < 5 ? null : 'hold', $shown['drift']['drifted']);
        }
        self::assertSame(['drift'], array_column($shown['doubts'], 'kind'));
        self::assertSame(['hold', 'release'], array_column($shown['drift']['charts'], 'kind'), 'Nothing came off, so there is nothing to say of how hard.');
        self::assertCount(6, $shown['drift']['charts'][0]['path']);
        self::assertSame(['drift'], array_column($this->pick('/api/profiles', 'id', $profile['id'])['doubts'], 'kind'), 'The list says it too.');
        self::assertSame([], array_filter($this->ask('POST', '/api/choose', $asked, 200)['candidates'], static fn (array $each): bool => $each['proven']), 'What has drifted is proven no more.');
    }

    /** @return array<string, mixed> */
    private function begun(?string $key = null): array
    {
        return $this->ask('POST', '/api/jobs', ['title' => 'Cover', 'key' => $key ?? $this->best()['key'], 'asked' => $this->asked()], 201);
    }

    /** @return array<string, mixed> */
    private function best(): array
    {
        $found = $this->ask('POST', '/api/choose', $this->asked(), 200)['candidates'][0];

        return $found + ['chance' => $found['chance'] ?? null];
    }

    /** @return array<string, mixed> */
    private function asked(): array
    {
        return [
            'materialId' => 'pla',
            'printerId' => $this->pick('/api/printers', 'name', 'North bay')['id'],
            'lotId' => null,
            'roomC' => 20,
            'partCount' => 2,
            'jobMinutes' => 240,
        ];
    }
}
