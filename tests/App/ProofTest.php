<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Component\Console\Tester\CommandTester;
use Symfony\Component\Uid\Uuid;

/** What a plan takes for proof, from planning to the profile. */
final class ProofTest extends ApiTestCase
{
    private const COUNTS = ['criterion' => 'counts', 'share' => 0.8, 'design' => 'fixed', 'measures' => [], 'scaleStepN' => 0.1, 'visits' => 2, 'plateStays' => false];
    private const NO_PULLS = ['hotPullAtLeastN' => null, 'coldPullAtMostN' => null, 'liftAtMostMm' => null, 'liftBy' => 'mean_of_ends', 'effortAtMost' => 2, 'failuresAllowed' => 0];

    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('technician');
    }

    public function testAShopWithoutAnInstrumentComesToAVerdictAndAProfile(): void
    {
        $comparison = $this->started($this->bare(14));
        $run = $this->ask('GET', '/api/runs/'.$comparison['runs'][0]['id'], null, 200);
        self::assertSame([], $run['comparison']['measures']);
        self::assertSame('Take the part off', array_column($run['sheet'], 'title', 'step')['cold_pull']);
        $this->take($comparison, array_fill(0, 13, [1, 1, 0]));
        $open = $this->judged($comparison);
        self::assertSame(['not_yet_known', 1], [$open['verdict'], $open['moreRuns']]);
        self::assertStringContainsString('13 of 14 planned runs are done', $open['hold']['reasons'][0]);
        self::assertGreaterThan(0.5, $open['chance']);
        $this->take($comparison, [[1, 1, 0]]);
        $judged = $this->judged($comparison);
        self::assertSame('holds_and_lets_go', $judged['verdict']);
        // R: binom.test(14, 14, conf.level = .9)$conf.int[1] = 0.8073638
        self::assertStringContainsString("at least 81\u{a0}% of all runs hold (95\u{a0}% confidence), and 80\u{a0}% are asked", $judged['hold']['reasons'][0]);
        $wish = ['setupId' => $judged['id'], 'plan' => ['reliability' => 0.8, 'confidence' => 0.9, 'failuresAllowed' => 0], 'anyLot' => false, 'anyPlate' => false];
        self::assertTrue($this->ask('POST', '/api/profiles/assess', $wish, 200)['carried']);
        $profile = $this->ask('POST', '/api/profiles', [...$wish, 'id' => Uuid::v7()->toRfc4122(), 'title' => 'Without a gauge', 'reviewBy' => '2030-01-01'], 201);
        self::assertSame("To be shown with 90\u{a0}% confidence: at least 80\u{a0}% of runs succeed.", $profile['accepted']);
        $this->signIn('lead');
        $signed = $this->ask('POST', "/api/profiles/{$profile['id']}/sign", ['version' => 1, 'password' => 'hilltop', 'trial' => false, 'reason' => ''], 200);
        self::assertSame("Accepted at 90\u{a0}%: with that confidence at least 80\u{a0}% of runs succeed. A verdict asks 95\u{a0}%.", $signed['accepted']);
        self::assertNull($profile['document']['evidence']['limits']['hotPullAtLeastN']);
    }

    public function testAMissingLiftLeavesARunOpenAndABadLiftCondemns(): void
    {
        $limits = ['liftAtMostMm' => 0.1] + self::NO_PULLS;
        $comparison = $this->started($this->bare(14, ['limits' => $limits, 'proof' => ['measures' => ['lift']] + self::COUNTS]));
        $this->take($comparison, array_fill(0, 12, [1, 1, 0, 0.9]));
        $judged = $this->judged($comparison);
        self::assertSame('does_not_hold', $judged['verdict'], '0.9 mm of lift in twelve of twelve runs.');
        self::assertEqualsWithDelta(0.9, $judged['lifts'][0], 1e-9);
        $this->take($comparison, [[1, 1, 0]]);
        $run = $this->ask('GET', '/api/runs/'.$comparison['runs'][12]['id'], null, 200);
        self::assertArrayHasKey('lift', $run['run']['notTaken']);
    }

    public function testAnAdaptivePlanBeginsSmallAndOffersTheRunThatTellsMost(): void
    {
        $plan = $this->bare(14, ['proof' => ['design' => 'adaptive'] + self::COUNTS], ['P1 front', 'P12 front']);
        $comparison = $this->started($plan);
        self::assertCount(6, $comparison['runs'], 'Three of each setup.');
        $a = $comparison['setups'][0]['id'];
        $this->take($comparison, [[1, 1, 0], [1, 1, 0], [1, 1, 0]], 'A');
        $this->take($comparison, [[1, 1, 0], [0], [1, 1, 0]], 'B');
        $judgement = $this->ask('GET', "/api/comparisons/{$comparison['id']}/judgement", null, 200);
        self::assertSame([$a, 'cold', 0], [$judgement['next']['setupId'], $judgement['next']['pull'], $judgement['next']['plannedOpen']]);
        self::assertSame(['B'], array_column($judgement['next']['left'], 'setup'), 'With no failure allowed it cannot pass this plan any more.');
        self::assertSame('descriptive', $judgement['figures']);
        self::assertStringContainsString('At most 18 runs of each setup count', $judgement['basis']);
        $version = $this->ask('GET', '/api/comparisons/'.$comparison['id'], null, 200)['version'];
        $more = $this->ask('POST', "/api/comparisons/{$comparison['id']}/runs", ['id' => Uuid::v7()->toRfc4122(), 'version' => $version, 'setupId' => $a, 'count' => 1, 'pull' => 'both'], 200);
        $added = end($more['runs']);
        self::assertSame(['cold', 3], [$added['pull'], $added['visit']], 'Without pulls no run is pulled hot.');
    }

    public function testRunsBeyondAPlanOfOneLookOnlyDescribe(): void
    {
        $comparison = $this->started($this->bare(14));
        $this->take($comparison, array_fill(0, 14, [1, 1, 0]));
        $before = $this->judged($comparison);
        $version = $this->ask('GET', '/api/comparisons/'.$comparison['id'], null, 200)['version'];
        $this->ask('POST', "/api/comparisons/{$comparison['id']}/runs", ['id' => Uuid::v7()->toRfc4122(), 'version' => $version, 'setupId' => $before['id'], 'count' => 2, 'pull' => 'cold'], 200);
        $this->take($comparison, [[0], [0]]);
        $after = $this->judged($comparison);
        self::assertSame([$before['verdict'], 16], [$after['verdict'], $after['heldRuns']]);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function refused(): iterable
    {
        $pulls = ['proof' => ['measures' => ['pull'], 'criterion' => 'mean'] + self::COUNTS];
        yield 'a blank limit that decides' => [['hotPerSetup' => 7] + $pulls, 'limits.hotPullAtLeastN'];
        yield 'a blank limit of how parts come off' => [$pulls, 'limits.coldPullAtMostN'];
        yield 'a blank lift that decides' => [['proof' => ['measures' => ['lift']] + self::COUNTS], 'limits.liftAtMostMm'];
        yield 'a limit of nothing' => [['limits' => ['hotPullAtLeastN' => 0, 'coldPullAtMostN' => 12] + self::NO_PULLS], 'limits.hotPullAtLeastN'];
        yield 'a mean without pulls' => [['proof' => ['criterion' => 'mean'] + self::COUNTS], 'proof.criterion'];
        yield 'hot pulls without pulls' => [['hotPerSetup' => 3], 'hotPerSetup'];
        yield 'more visits than runs' => [['proof' => ['visits' => 15] + self::COUNTS], 'proof.visits'];
    }

    /** @param array<string, mixed> $change */
    #[DataProvider('refused')]
    public function testPlansThatLeaveSomethingBlankAreRefused(array $change, string $field): void
    {
        $rows = $this->rowsIn('comparison');
        $answer = $this->ask('POST', '/api/comparisons', $this->bare(14, $change), 422);
        self::assertContains($field, array_column($answer['errors'], 'field'));
        self::assertSame($rows, $this->rowsIn('comparison'));
    }

    public function testABlankBedIsAskedFor(): void
    {
        $plan = $this->bare(14);
        $plan['setups'] = [['plateSideId' => $this->side('P1 front'), 'agentId' => null, 'bedFirstC' => null, 'bedOtherC' => null]];
        $answer = $this->ask('POST', '/api/comparisons', $plan, 422);
        self::assertSame(['setups.0.bedFirstC'], array_column($answer['errors'], 'field'));
    }

    public function testAPlanSaysWhatItCanShow(): void
    {
        $ask = ['proof' => self::COUNTS, 'limits' => self::NO_PULLS, 'runsPerSetup' => 11, 'hotPerSetup' => 0];
        $eleven = $this->ask('POST', '/api/plan-chances', $ask, 200);
        self::assertSame([11, 14], [$eleven['mostRuns'], $eleven['runsForShare']]);
        self::assertStringContainsString("11 runs cannot show 80\u{a0}% with no failure allowed: at least 14 are needed", $eleven['warnings'][0]);
        // R: pbinom(0, 14, 0.05)
        $fourteen = $this->ask('POST', '/api/plan-chances', ['runsPerSetup' => 14] + $ask, 200);
        self::assertEqualsWithDelta([0.95, 0.487675], [$fourteen['questions'][0]['rows'][1]['truth'], $fourteen['questions'][0]['rows'][1]['passes']], 1e-6);
        $this->ask('POST', '/api/plan-chances', ['proof' => ['criterion' => 'mean'] + self::COUNTS] + $ask, 422);
    }

    public function testThePlanKeepsWhatWasExpected(): void
    {
        $comparison = $this->ask('POST', '/api/comparisons', $this->bare(14), 201);
        $choice = $this->ask('POST', '/api/choose', [
            'materialId' => 'pla', 'printerId' => $comparison['printerId'], 'lotId' => $comparison['lotId'],
            'roomC' => $comparison['roomC'], 'partCount' => 1, 'jobMinutes' => $comparison['durations']['printMinutes'], 'bedC' => 57,
            'nozzleC' => $comparison['constants']['nozzleFirstC'], 'gapMm' => $comparison['constants']['gapMm'],
        ], 200);
        $candidate = array_values(array_filter($choice['candidates'], fn (array $c): bool => $c['plateSideId'] === $this->side('P1 front') && null === $c['agentId']))[0];
        // A test is another purpose than a print for use, of which as much or more is known.
        foreach (['hold' => 'expectedHold', 'release' => 'expectedRelease'] as $question => $expected) {
            self::assertEqualsWithDelta($candidate[$question]['chance'], $comparison['setups'][0][$expected], 0.03);
        }
        // And what moved it is kept with it, for when it is answered.
        $measures = json_decode((string) $this->database()->fetchOne('SELECT measures FROM setup WHERE id = ?', [Uuid::fromString($comparison['setups'][0]['id'])->toBinary()]), true);
        self::assertIsArray($measures);
        self::assertArrayHasKey('temperature', $measures);
    }

    public function testTheSimulationPrintsItsCells(): void
    {
        $tester = $this->simulate(['--criterion' => 'mean', '--runs' => '5', '--replicates' => '60', '--json' => true]);
        self::assertSame(0, $tester->getStatusCode());
        $cells = json_decode($tester->getDisplay(), true, flags: \JSON_THROW_ON_ERROR)['cells'];
        // At the limit each kind of data for either question, at one look and after each run; of the normal kind four distances more.
        self::assertCount(2 * 8 * 2 + 4 * 2, $cells);
        self::assertSame([
            'criterion', 'question', 'rule', 'runs', 'max_runs', 'truth', 'data', 'looks', 'adaptive', 'claimed',
            'yes', 'false_yes', 'false_no', 'not_yet', 'mean_runs',
        ], array_keys($cells[0]));
        self::assertSame(['hold', 'release'], array_values(array_unique(array_column($cells, 'question'))));
        self::assertEqualsCanonicalizing(
            ['normal', 'coarse', 'right_skewed', 'left_skewed', 'weibull', 'capped', 'visits', 'weak_link'],
            array_values(array_unique(array_column($cells, 'data'))),
        );
        self::assertSame($cells, json_decode($this->simulate(['--criterion' => 'mean', '--runs' => '5', '--replicates' => '60', '--json' => true])->getDisplay(), true)['cells']);
        foreach ([['--criterion' => 'luck'], ['--runs' => '2'], ['--replicates' => 'many']] as $bad) {
            self::assertSame(2, $this->simulate($bad)->getStatusCode());
        }
    }

    /** @param array<string, mixed> $input */
    private function simulate(array $input): CommandTester
    {
        $tester = new CommandTester((new Application(self::$kernel ?? self::fail()))->find('sitzplatz:simulate-verdicts'));
        $tester->execute($input, ['capture_stderr_separately' => true]);

        return $tester;
    }

    /**
     * @param array<string, mixed> $change
     * @param list<string>         $sides
     *
     * @return array<string, mixed> a plan without an instrument
     */
    private function bare(int $runs, array $change = [], array $sides = ['P1 front']): array
    {
        $setups = array_map(fn (string $side): array => ['plateSideId' => $this->side($side), 'agentId' => null, 'bedFirstC' => 'P12 front' === $side ? 45 : 57, 'bedOtherC' => 'P12 front' === $side ? 45 : 57], $sides);

        return [...$this->plan($setups), 'limits' => self::NO_PULLS, 'proof' => self::COUNTS, 'runsPerSetup' => $runs, 'hotPerSetup' => 0, ...$change];
    }

    /**
     * @param array<string, mixed> $plan
     *
     * @return array<string, mixed>
     */
    private function started(array $plan): array
    {
        $comparison = $this->ask('POST', '/api/comparisons', $plan, 201);

        return $this->ask('POST', "/api/comparisons/{$comparison['id']}/start", ['version' => 1], 200);
    }

    /**
     * @param array<string, mixed>  $comparison
     * @param list<list<int|float>> $runs       held, effort, damage, lift of each
     */
    private function take(array $comparison, array $runs, string $setup = 'A'): void
    {
        $lines = ['setup,run,measure,value,unit,status'];
        foreach ($runs as $i => $values) {
            foreach (\array_slice(['held', 'effort', 'damage', 'lift'], 0, \count($values)) as $at => $measure) {
                $lines[] = "$setup,$setup".$i.",$measure,{$values[$at]},".('lift' === $measure ? 'mm' : '').',exact';
            }
        }
        $version = $this->ask('GET', '/api/comparisons/'.$comparison['id'], null, 200)['version'];
        $this->ask('POST', "/api/comparisons/{$comparison['id']}/import", ['version' => $version, 'table' => implode("\n", $lines)], 201);
    }

    /**
     * @param array<string, mixed> $comparison
     *
     * @return array<string, mixed>
     */
    private function judged(array $comparison): array
    {
        return $this->ask('GET', "/api/comparisons/{$comparison['id']}/judgement", null, 200)['setups'][0];
    }
}
