<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Test\RunTally;
use Symfony\Component\Uid\Uuid;

/** Questions whose runs are made in a way of their own: taken off hot, many prints on one coat, a full plate, an earlier comparison beside. */
final class KindTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('technician');
    }

    public function testTakenOffHotIsASetupOfItsOwnAndSpeaksForNothingElse(): void
    {
        $plan = $this->begin('hot_or_cold', [])['plan'];
        self::assertSame([true, false], array_column($plan['setups'], 'takenHot'));
        $planned = $this->ask('POST', '/api/comparisons', $plan, 201);
        self::assertSame([null, true], [$planned['setups'][0]['expectedRelease'], null !== $planned['setups'][1]['expectedRelease']], 'Nobody expects anything of hot parts.');
        self::assertStringContainsString('A: Taken off hot, a part can take a piece of the plate', implode(' ', $planned['cautions']));
        self::assertSame('Only the way of taking off differs, so a difference comes from it.', $planned['varied']['sentence']);
        $started = $this->start($planned);
        $hot = $this->runsOf($started, 0);
        self::assertSame(['hot', 'cold'], [$hot[0]['pull'], $this->runsOf($started, 1)[0]['pull']]);
        $sheet = $this->ask('GET', "/api/runs/{$hot[0]['id']}", null, 200);
        self::assertNotContains('cool', $sheet['steps']);
        $off = $sheet['sheet'][array_search('hot_pull', array_column($sheet['sheet'], 'step'), true)];
        self::assertSame('Take the part off hot', $off['title']);
        self::assertStringContainsString('Stop where it does not come.', implode(' ', $off['cautions']));
        $held = $this->outcome($hot[0]['id'], 'held');
        self::assertSame(['effort', 'damage'], $held['missing'], 'How it came off is the question.');

        $choice = fn (): array => array_map(static fn (array $each): array => [$each['label'], $each['hold']['runs'], $each['release']['runs']], $this->ask(
            'POST',
            '/api/choose',
            ['materialId' => 'pla', 'printerId' => $plan['printerId'], 'lotId' => $plan['lotId'], 'roomC' => 20, 'partCount' => 1, 'jobMinutes' => null, 'part' => null],
            200,
        )['candidates']);
        $before = $choice();
        $this->import($started['id'], ['A' => [[1, 3, 0], [1, 3, 0]]]);
        sort($before);
        $after = $choice();
        sort($after);
        self::assertSame($before, $after, 'How a part comes off hot is no word on how it comes off.');
        self::assertSame(0, $this->tally()->wrong());
        $wish = ['plan' => ['reliability' => 0.8, 'confidence' => 0.9, 'failuresAllowed' => 0], 'anyLot' => false, 'anyPlate' => false, 'setupId' => $planned['setups'][0]['id']];
        self::assertSame(0, $this->ask('POST', '/api/profiles/assess', $wish, 200)['runs']);
        self::assertStringContainsString('no profile can rest on it', $this->ask('POST', '/api/profiles', $wish + ['title' => 'Taken off hot', 'reviewBy' => '2027-06-01'], 422)['detail']);
        $judged = fn (): array => $this->ask('GET', "/api/comparisons/{$started['id']}/judgement", null, 200);
        self::assertSame(0, $judged()['setups'][0]['heldRuns'], 'A run that was begun before goes on.');
        self::assertStringContainsString('2 runs are done and wait for one that was begun before', implode(' ', $judged()['weakPoints']));
        $this->signIn('lead');
        $this->ask('POST', "/api/runs/{$hot[0]['id']}/void", ['version' => $this->ask('GET', "/api/runs/{$hot[0]['id']}", null, 200)['run']['version'], 'reason' => 'The nozzle knocked it over.'], 200);
        self::assertSame(2, $judged()['setups'][0]['heldRuns'], 'In its own comparison it counts.');
    }

    public function testWithTheGaugeTheHotPullIsHowItComesOff(): void
    {
        $plan = $this->begin('hot_or_cold', ['pull'])['plan'];
        self::assertSame([null, 0], [$plan['limits']['hotPullAtLeastN'], $plan['hotPerSetup']]);
        $started = $this->start($this->ask('POST', '/api/comparisons', $plan, 201));
        $run = $this->runsOf($started, 0)[0];
        $before = $this->ask('GET', "/api/runs/{$run['id']}", null, 200);
        $sheet = $this->outcome($run['id'], 'held');
        // Without network a page goes on by this.
        self::assertSame($sheet['missing'], $before['missingByOutcome']['held']);
        self::assertSame([['held'], []], [$before['missing'], $before['missingByOutcome']['came_off']]);
        self::assertEqualsWithDelta(12, $sheet['comparison']['pullLimitN'], 1e-9, 'It has to stay below what a part may take to come off.');
        self::assertSame(['pull_hot', 'effort', 'damage'], $sheet['missing']);
        $this->ask('POST', "/api/runs/{$run['id']}/readings", ['measure' => 'pull_hot', 'value' => 40, 'unit' => 'N', 'atLeast' => false], 201);
        $this->ask('POST', "/api/runs/{$run['id']}/readings", ['measure' => 'effort', 'value' => 2, 'unit' => '', 'atLeast' => false], 201);
        $sheet = $this->ask('POST', "/api/runs/{$run['id']}/readings", ['measure' => 'damage', 'value' => 0, 'unit' => '', 'atLeast' => false], 201);
        $this->ask('POST', "/api/runs/{$run['id']}/finish", ['version' => $sheet['run']['version']], 200);
        $setup = $this->ask('GET', "/api/comparisons/{$started['id']}/judgement", null, 200)['setups'][0];
        self::assertSame([1, 40.0], [$setup['coldPull']['n'], (float) $setup['coldPull']['meanN']], 'Beside the cold pulls of the other.');
    }

    public function testACoatIsFollowedFromPrintToPrint(): void
    {
        $plan = $this->begin('lasting_coat', [])['plan'];
        self::assertSame([16, 2, 'fixed', true], [$plan['runsPerSetup'], $plan['proof']['visits'], $plan['proof']['design'], $plan['proof']['coatStays']]);
        $started = $this->start($this->ask('POST', '/api/comparisons', $plan, 201));
        $runs = $this->runsOf($started, 0);
        $prepare = fn (int $i): string => implode(' ', $this->ask('GET', "/api/runs/{$runs[$i]['id']}", null, 200)['sheet'][0]['lines']);
        self::assertStringContainsString('All prints of this coat go on one spot', $prepare(0));
        self::assertStringContainsString('Print 2 on this coat', $prepare(1));
        self::assertStringNotContainsString('Print', $prepare(8), 'The second coat is put on.');
        $clean = $this->ask('GET', "/api/runs/{$runs[1]['id']}", null, 200)['sheet'];
        self::assertSame(['Leave the coat as it is for the next print: no wash, no wipe.'], end($clean)['lines']);

        // A void print in between wears the coat, and another is made on it while it is on.
        $this->outcome($runs[1]['id'], 'held');
        $other = $this->ask('POST', "/api/runs/{$runs[1]['id']}/void", ['version' => $this->ask('GET', "/api/runs/{$runs[1]['id']}", null, 200)['run']['version'], 'reason' => 'nozzle knocked it'], 403);
        self::assertStringContainsString('known already', $other['detail']);
        $this->signIn('lead');
        $this->ask('POST', "/api/runs/{$runs[1]['id']}/void", ['version' => $this->ask('GET', "/api/runs/{$runs[1]['id']}", null, 200)['run']['version'], 'reason' => 'nozzle knocked it'], 200);
        $planned = $this->ask('GET', "/api/comparisons/{$started['id']}", null, 200)['runs'];
        self::assertCount(17, $planned);
        self::assertSame([17, 1], [$planned[8]['position'], $planned[8]['visit']], 'Before the next coat is put on.');
        $this->signIn('technician');
        // Effort of each print: print 5 of the first coat needs a scraper; the second lasts.
        $this->import($started['id'], ['A' => [[1, 1, 0], [1, 1, 0], [1, 1, 0], [1, 3, 0], [1, 3, 0], [0, null, null], [1, 4, 0], [1, 4, 0], ...array_fill(0, 8, [1, 1, 0])]]);
        $coats = $this->ask('GET', "/api/comparisons/{$started['id']}/judgement", null, 200)['coats'];
        self::assertSame([['prints' => 9, 'failedAt' => 5], ['prints' => 8, 'failedAt' => null]], $coats[0]['coats']);
        self::assertSame([4, false], [$coats[0]['renewAfter'], $coats[0]['atLeast']]);
        self::assertContains('Renew it after 4 prints on one spot: the coat that failed first lasted so long.', $coats[0]['sentences']);

        // By the next coat this one is gone.
        $this->signIn('lead');
        $this->ask('POST', "/api/runs/{$runs[3]['id']}/void", ['version' => $this->ask('GET', "/api/runs/{$runs[3]['id']}", null, 200)['run']['version'], 'reason' => 'wrong spool was on'], 200);
        self::assertCount(17, $this->ask('GET', "/api/comparisons/{$started['id']}", null, 200)['runs']);

        // What was seen is what Care goes by, once somebody says so.
        self::assertSame([null, 'Blue bottle'], [$coats[0]['takenOver'], $coats[0]['agentName']]);
        self::assertSame(4, $this->ask('POST', "/api/comparisons/{$started['id']}/coat-life", ['setup' => 'A'], 201)['prints']);
        self::assertSame(4, $this->ask('GET', "/api/comparisons/{$started['id']}/judgement", null, 200)['coats'][0]['takenOver']);
        $side = $this->ask('GET', "/api/comparisons/{$started['id']}", null, 200)['setups'][0];
        $due = fn (): string => implode(' ', array_column($this->ask('GET', '/api/care', null, 200)['sides'], 'due', 'plateSideId')[$side['plateSideId']]);
        $this->database()->executeStatement("UPDATE side_tally SET on_coat = '1,,5', coated_at = UTC_TIMESTAMP(6), coat_agent_id = ? WHERE side_id = ?", [
            Uuid::fromString($side['agentId'])->toBinary(),
            Uuid::fromString($side['plateSideId'])->toBinary(),
        ]);
        self::assertStringContainsString('5 prints on this coat, which lasted 4 in your own test', $due());
        $this->ask('POST', "/api/comparisons/{$started['id']}/coat-life/withdraw", ['setup' => 'A'], 200);
        self::assertStringNotContainsString('your own test', $due());
        $this->ask('POST', "/api/comparisons/{$started['id']}/coat-life", ['setup' => 'Z'], 422);
    }

    public function testPartsThatStandOnAllSpotsSayWhereTheyFailed(): void
    {
        $plan = $this->begin('grid', [])['plan'];
        $plan['proof']['spotsBalanced'] = true;
        $started = $this->start($this->ask('POST', '/api/comparisons', $plan, 201));
        $run = $this->runsOf($started, 0)[0]['id'];
        $sheet = $this->ask('GET', "/api/runs/$run", null, 200);
        self::assertCount(1, $sheet['plate']['places']);
        $print = $sheet['sheet'][array_search('print', array_column($sheet['sheet'], 'step'), true)];
        self::assertStringContainsString('This part stands ', implode(' ', $print['lines']));
        $this->import($started['id'], ['A' => [[0, null, null], [1, 1, 0]]]);
        $places = array_column($this->ask('GET', "/api/comparisons/{$started['id']}/judgement", null, 200)['places'], null, 'setup');
        self::assertCount(5, $places['A']['places']);
        self::assertSame([['failed', $sheet['plate']['places'][0]['place']]], array_map(static fn (array $mark): array => [$mark['kind'], $mark['place']], $places['A']['marks']));
    }

    public function testAFullPlateHoldsOnlyIfEveryPartDoesAndSaysWhichDidNot(): void
    {
        $plan = $this->begin('whole_plate', ['pull'])['plan'];
        self::assertSame([9, [], 1], [$plan['proof']['partsPerRun'], $plan['proof']['measures'], \count($plan['setups'])]);
        $started = $this->start($this->ask('POST', '/api/comparisons', $plan, 201));
        $run = $this->runsOf($started, 0)[0]['id'];
        $mark = ['id' => Uuid::v7()->toRfc4122(), 'kind' => 'failed', 'x' => 1 / 6, 'y' => 5 / 6, 'place' => 7];
        $this->ask('POST', "/api/runs/$run/marks", $mark, 409);
        $sheet = $this->outcome($run, 'held');
        self::assertCount(9, $sheet['plate']['places']);
        self::assertSame('kind', $this->ask('POST', "/api/runs/$run/marks", $mark, 422)['errors'][0]['field'], 'All held, it was said.');
        $this->outcome($run, 'came_off');
        $this->ask('POST', "/api/runs/$run/marks", $mark, 201);
        self::assertCount(1, $this->ask('POST', "/api/runs/$run/marks", $mark, 200)['marks'], 'Sent twice, it is one mark.');
        $this->ask('POST', "/api/runs/$run/marks", ['id' => Uuid::v7()->toRfc4122(), 'place' => 10] + $mark, 422);
        $marked = $this->ask('POST', "/api/runs/$run/marks", ['kind' => 'torn', 'x' => 0.5, 'y' => 0.5], 201);
        self::assertCount(1, $this->ask('POST', "/api/marks/{$marked['marks'][1]['id']}/withdraw", null, 200)['marks']);
        self::assertSame(1, (int) $this->database()->fetchOne('SELECT COUNT(*) FROM plate_mark WHERE withdrawn_at IS NOT NULL'), 'It is kept.');
        // Each part has a lift of its own, and the worst of them is that of the run.
        $lift = static fn (int $part, float $mm): array => ['id' => Uuid::v7()->toRfc4122(), 'measure' => 'lift', 'value' => $mm, 'unit' => 'mm', 'atLeast' => false, 'place' => $part];
        $this->ask('POST', "/api/runs/$run/readings", $lift(9, 0.4), 201);
        $marked = $this->ask('POST', "/api/runs/$run/readings", $lift(2, 0.05), 201);
        $this->ask('POST', "/api/runs/$run/readings", $lift(10, 0.1), 422);
        // A mark that is taken back contradicts no step: whoever goes on at once, or holds the sheet as well, is not refused.
        $this->ask('POST', "/api/runs/$run/finish", ['version' => $marked['run']['version']], 200);
        $judged = $this->ask('GET', "/api/comparisons/{$started['id']}/judgement", null, 200);
        self::assertSame([0, 1], [$judged['setups'][0]['held'], $judged['setups'][0]['heldRuns']]);
        self::assertSame([7], array_column($judged['places'][0]['marks'], 'place'));
        self::assertSame([0.4], $judged['setups'][0]['lifts']);
        // Nine parts on the plate: a class of their own for Choose.
        self::assertSame(9, (int) $this->database()->fetchOne('SELECT MAX(parts) FROM run_tally t WHERE t.parts IS NOT NULL'));
        self::assertSame(0, $this->tally()->wrong());
    }

    public function testAnEarlierComparisonStandsBesideAndIsNeverPooled(): void
    {
        $earlier = $this->pick('/api/comparisons', 'title', 'Filter cells in grey PLA, which plate?')['id'];
        $plan = ['controlId' => $earlier, 'roomC' => 26] + $this->begin('still_holding', [])['plan'];
        $started = $this->start($this->ask('POST', '/api/comparisons', $plan, 201));
        $this->import($started['id'], ['A' => [[1, 1, 0], [1, 1, 0]]]);
        $judged = $this->ask('GET', "/api/comparisons/{$started['id']}/judgement", null, 200);
        self::assertStringContainsString('different in room', $judged['control']['differs']);
        self::assertCount(3, $judged['control']['setups']);
        self::assertSame('holds_and_lets_go', $judged['control']['setups'][0]['verdict']);
        self::assertSame([2, 2], [$judged['setups'][0]['held'], $judged['setups'][0]['heldRuns']]);
        $version = $this->ask('GET', "/api/comparisons/{$started['id']}", null, 200)['version'];
        $this->ask('PUT', "/api/comparisons/{$started['id']}", ['version' => $version, 'controlId' => null] + $plan, 409);
        $draft = $this->ask('POST', '/api/comparisons', $plan, 201);
        self::assertSame('controlId', $this->ask('PUT', "/api/comparisons/{$draft['id']}", ['version' => $draft['version'], 'controlId' => $draft['id']] + $plan, 422)['errors'][0]['field']);
    }

    /** What is kept of a resin is its exposure, and only that exposure is proven. */
    public function testAResinIsKeptWithItsExposureAndChosenWithIt(): void
    {
        $lot = $this->pick('/api/lots', 'label', 'L-701')['id'];
        $plan = $this->ask('POST', '/api/plans/begin', ['kind' => 'exposure', 'lotId' => $lot, 'measures' => [], 'sure' => 'use'], 200)['plan'];
        $setup = ['exposureS' => 31] + $plan['setups'][2];
        $started = $this->start($this->ask('POST', '/api/comparisons', ['runsPerSetup' => 11, 'proof' => ['design' => 'fixed'] + $plan['proof'], 'setups' => [$setup]] + $plan, 201));
        $this->import($started['id'], ['A' => array_fill(0, 11, [1, 1, 0])], 120);
        $wish = ['setupId' => $started['setups'][0]['id'], 'plan' => ['reliability' => 0.8, 'confidence' => 0.9, 'failuresAllowed' => 0], 'anyLot' => false, 'anyPlate' => false];
        $profile = $this->ask('POST', '/api/profiles', $wish + ['title' => 'Resin at 31 s', 'reviewBy' => '2027-06-01'], 201);
        self::assertEqualsWithDelta(31, $profile['document']['setting']['exposureS'], 1e-9);
        self::assertNull($profile['document']['setting']['windowLowC'], 'A resin has no window in degrees.');
        self::assertSame([$started['id'], $started['setups'][0]['id'], 11], array_values($profile['confirm']));
        $choose = fn (): array => $this->ask('POST', '/api/choose', ['materialId' => $started['materialId'], 'printerId' => $plan['printerId'], 'lotId' => $lot, 'roomC' => $plan['roomC'], 'partCount' => 1, 'jobMinutes' => 90, 'part' => null], 200);
        $here = static fn (array $choice): array => array_values(array_filter($choice['candidates'], static fn (array $each): bool => $each['plateSideId'] === $setup['plateSideId'] && null === $each['agentId']))[0];
        self::assertFalse($here($choose())['proven']);
        $this->signIn('lead');
        $this->ask('POST', "/api/profiles/{$profile['id']}/sign", ['version' => $profile['version'], 'trial' => false, 'reason' => '', 'password' => 'hilltop'], 200);
        $choice = $choose();
        self::assertSame([true, 31.0], [$here($choice)['proven'], (float) $here($choice)['strip']['target']], (string) json_encode($choice['profiles']));
        $exported = $this->send('GET', "/api/profiles/{$profile['id']}/export", null)->getContent();
        self::assertSame('Resin at 31 s', $this->ask('POST', '/api/profiles/import', ['document' => json_decode((string) $exported, true)], 201)['title']);
    }

    /**
     * @param list<string> $measures
     *
     * @return array<string, mixed>
     */
    private function begin(string $kind, array $measures): array
    {
        /* @var array<string, mixed> */
        return $this->ask('POST', '/api/plans/begin', ['kind' => $kind, 'measures' => $measures, 'sure' => 'use'], 200);
    }

    /**
     * @param array<mixed> $planned
     *
     * @return array<mixed>
     */
    private function start(array $planned): array
    {
        return $this->ask('POST', "/api/comparisons/{$planned['id']}/start", ['version' => $planned['version']], 200);
    }

    /**
     * @param array<mixed> $comparison
     *
     * @return list<array<string, mixed>>
     */
    private function runsOf(array $comparison, int $setup): array
    {
        return array_values(array_filter($comparison['runs'], static fn (array $run): bool => $run['setupId'] === $comparison['setups'][$setup]['id']));
    }

    /** @return array<mixed> */
    private function outcome(string $run, string $outcome): array
    {
        $version = $this->ask('GET', "/api/runs/$run", null, 200)['run']['version'];

        return $this->ask('POST', "/api/runs/$run/outcome", ['version' => $version, 'outcome' => $outcome, 'note' => ''], 200);
    }

    /** @param array<string, list<array{int, ?int, ?int}>> $runs held, effort and damage by label of the setup */
    private function import(string $comparison, array $runs, ?int $minutes = null): void
    {
        $table = "setup,run,measure,value,unit,status\n";
        foreach ($runs as $label => $each) {
            foreach ($each as $i => [$held, $effort, $damage]) {
                $run = $i + 1;
                $table .= "$label,$run,held,$held,,exact\n";
                $table .= null === $minutes ? '' : "$label,$run,print_minutes,$minutes,min,exact\n";
                $table .= null === $effort ? '' : "$label,$run,effort,$effort,,exact\n$label,$run,damage,$damage,,exact\n";
            }
        }
        $version = $this->ask('GET', "/api/comparisons/$comparison", null, 200)['version'];
        $this->ask('POST', "/api/comparisons/$comparison/import", ['version' => $version, 'table' => $table], 201);
    }

    private function tally(): RunTally
    {
        $tally = self::getContainer()->get(RunTally::class);
        self::assertInstanceOf(RunTally::class, $tally);

        return $tally;
    }
}
