<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Judge;

use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Sitzplatz\Judge\Answer;
use Sitzplatz\Judge\NextRun;
use Sitzplatz\Judge\OpenSetup;
use Sitzplatz\Judge\Outlook;
use Sitzplatz\Judge\PassedSetup;
use Sitzplatz\Judge\Rungs;
use Sitzplatz\Judge\Scatter;
use Sitzplatz\Judge\SetupJudgement;
use Sitzplatz\Judge\SetupRecord;
use Sitzplatz\Judge\SetupToUse;
use Sitzplatz\Test\Criterion;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Limits;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Test\PullKind;
use Sitzplatz\Test\Reading;
use Sitzplatz\Test\RunDurations;
use Sitzplatz\Tests\Core\Words\Said;

/** Which run comes next, how likely it settles what is open, and which setup to use; rules of the project's own. */
final class NextRunTest extends TestCase
{
    private const GOOD = [Measure::Held->value => 1, Measure::Effort->value => 1, Measure::Damage->value => 0];

    public function testEffortGoesWhereTheQuestionIsOpenAndNearlyAnswered(): void
    {
        $plan = self::counted();
        $nearly = self::open('A', self::good(13), $plan);
        $hardly = self::open('B', self::good(4), $plan, 'p2');
        $next = self::next([$hardly, $nearly], $plan, onPlate: 'p2');
        self::assertSame(['A', PullKind::Cold], [$next->setup, $next->pull]);
        self::assertStringStartsWith('next_run.change setup=A', Said::of($next->reason ?? self::fail()));
    }

    public function testThePlateThatIsOnIsPreferredWhereNothingElseDiffers(): void
    {
        $plan = self::counted();
        $setups = [self::open('A', self::good(6), $plan, 'p1'), self::open('B', self::good(6), $plan, 'p2')];
        self::assertSame('A', self::next($setups, $plan, onPlate: 'p1')->setup);
        self::assertSame('B', self::next($setups, $plan, onPlate: 'p2')->setup);
        self::assertNull(self::next([self::open('A', self::good(6), $plan, runsOpen: 1)], $plan)->setup, 'A planned run comes first.');
    }

    /** By pulls each question has runs of its own: what is settled takes none. By counts every run answers for both, and they go evenly. */
    public function testTheKindOfTheNextPullIsThatOfTheOpenQuestion(): void
    {
        $kind = static fn (SetupRecord $record, ProofPlan $plan): ?PullKind => self::next([new OpenSetup('A', $record, SetupJudgement::of($record, $plan), 'p1')], $plan)->pull;
        $mean = new ProofPlan(new Limits(20, 12, Effort::Flex), Criterion::Mean, 0.8, 0, Design::Adaptive, 20, 10, 10);
        $holds = self::pulls([40.0, 41.0, 40.5, 39.8, 40.2], [11.2, 13.0, 12.1, 11.5, 12.6, 11.9]);
        self::assertSame([Answer::Yes, Answer::NotYet], [SetupJudgement::of($holds, $mean)->hold->answer, SetupJudgement::of($holds, $mean)->release->answer]);
        self::assertSame(PullKind::Cold, $kind($holds, $mean));
        $letsGo = self::pulls([20.5, 19.0, 21.0, 20.0, 18.8, 21.4], [4.0, 4.1, 4.2, 3.9, 4.0]);
        self::assertSame([Answer::NotYet, Answer::Yes], [SetupJudgement::of($letsGo, $mean)->hold->answer, SetupJudgement::of($letsGo, $mean)->release->answer]);
        self::assertSame(PullKind::Hot, $kind($letsGo, $mean));
        self::assertSame([PullKind::Hot, PullKind::Cold], [$kind(self::pulls([20.5], [11.9, 12.1]), $mean), $kind(self::pulls([20.5, 19.0], [11.9]), $mean)], 'Both are open.');
        $counts = new ProofPlan(new Limits(20, 12, Effort::Flex), Criterion::Counts, 0.8, 0, Design::Adaptive, 60, 40, 20);
        $counted = self::pulls(array_fill(0, 20, 40.0), array_fill(0, 11, 4.0));
        self::assertSame([Answer::Yes, Answer::NotYet], [SetupJudgement::of($counted, $counts)->hold->answer, SetupJudgement::of($counted, $counts)->release->answer]);
        self::assertSame(PullKind::Hot, $kind($counted, $counts), 'Half of the hot ones, and more of the cold ones.');
        $cold = new ProofPlan(new Limits(null, 12, Effort::Flex), Criterion::Mean, 0.8, 0, Design::Adaptive, 10, 0, 10);
        self::assertSame(PullKind::Cold, $kind(self::pulls([], [11.0]), $cold), 'No hot ones were planned.');
    }

    public function testSettledSpoiledAndBeatenSetupsLeave(): void
    {
        $plan = self::counted();
        $easy = self::open('A', self::good(16, 0), $plan);
        self::assertSame(Answer::Yes, $easy->judgement->release->answer);
        $hard = self::open('B', self::good(8, 2), $plan);
        $failed = self::open('C', [...self::good(5), ['held' => 0]], $plan);
        $next = self::next([$easy, $hard, $failed], $plan);
        self::assertNull($next->setup);
        self::assertStringStartsWith('next_run.settled', Said::of($next->left['A']));
        self::assertStringStartsWith('next_run.cannot_win winner=A p=', Said::of($next->left['B']));
        self::assertSame('verdict.not_in_this_plan', Said::of($next->left['C']));
    }

    public function testARungIsGivenUpAfterTwoFailuresWithItsErrorSaid(): void
    {
        $plan = self::counted(failures: 3);
        $rung = self::open('A', [['held' => 0], ...self::good(1), ['held' => 0]], $plan);
        self::assertNull(self::next([$rung], $plan, rungs: Rungs::Ladder)->setup);
        // R: 1 - pbinom(1, 3, 0.2)
        self::assertStringContainsString('failures=2 runs=3 share=0.8 error=0.104', Said::of(self::next([$rung], $plan, rungs: Rungs::Ladder)->left['A']));
        self::assertSame('A', self::next([$rung], $plan)->setup, 'Only rungs of a ladder are given up so.');
    }

    public function testTheChanceToSettleItIsKept(): void
    {
        // Of cases in which the plan says that its runs settle it with a chance, about so many are settled.
        $random = new Randomizer(new Xoshiro256StarStar(9));
        $plan = new ProofPlan(new Limits(20, null, Effort::Flex), Criterion::Mean, 0.8, 0, Design::Fixed, 10, 10, 0);
        $said = $settled = 0.0;
        $cases = 0;
        for ($i = 0; $i < 300; ++$i) {
            // Truths as vague as the posterior takes them: means near and far, spreads small and large.
            $mean = 20 + 12 * Scatter::normal($random);
            $sd = exp(1.2 + 0.6 * Scatter::normal($random));
            $runs = [];
            for ($k = 0; $k < 10; ++$k) {
                $runs[] = [new Reading(Measure::Held, 1), new Reading(Measure::PullHot, max(0.0, $mean + $sd * Scatter::normal($random)))];
            }
            $record = new SetupRecord('A', \array_slice($runs, 0, 5));
            $after = SetupJudgement::of(new SetupRecord('A', $runs), $plan)->hold->answer;
            $outlook = self::holdOutlook($record, $plan);
            $said += $outlook;
            $settled += Answer::NotYet === $after ? 0 : 1;
            ++$cases;
        }
        self::assertEqualsWithDelta($said / $cases, $settled / $cases, 0.06);
        self::assertGreaterThan(0.3, $said / $cases);
    }

    public function testANewPlanIsOfferedWithTheFewestRunsThatSettleItOrNone(): void
    {
        $plan = new ProofPlan(new Limits(20, 12, Effort::Flex), Criterion::Mean, 0.8, 0, Design::Fixed, 6, 3, 3);
        $near = Outlook::inNewPlan(self::pulls([21.5, 24.0, 22.5], [4.0, 5.0, 4.5]), $plan);
        self::assertNotNull($near);
        self::assertGreaterThanOrEqual(0.8, $near->chance);
        self::assertLessThan(40, $near->runs);
        self::assertNull(Outlook::inNewPlan(self::pulls([18.0, 20.1, 22.0, 19.9, 18.5, 21.5, 19.2, 20.8, 17.5, 22.5, 19.0, 21.0], [4.0, 5.0, 4.5]), $plan), 'It lies at the limit.');
        self::assertNull(Outlook::inNewPlan(self::pulls([22.0], [4.0]), $plan), 'One pull says nothing of its spread.');
        self::assertNull(Outlook::inNewPlan(self::pulls([22.0], [4.0, 5.0, 4.5]), $plan), 'Neither does one beside three of the other question.');
        self::assertNull(Outlook::inNewPlan(self::pulls([31.0, 34.0, 32.0], [4.0]), $plan));
        foreach ([[[31.0], [4.0, 5.0]], [[31.0, 32.0], [4.0]]] as [$hot, $cold]) {
            $few = self::pulls($hot, $cold);
            self::assertNull(Outlook::inPlan($few, $plan, SetupJudgement::of($few, $plan)));
        }
    }

    public function testTheOneToUseHoldsEnoughAndComesOffMostEasily(): void
    {
        self::assertNull(SetupToUse::among([]));
        $only = SetupToUse::among([new PassedSetup('A', [1, 1], false, 60, 0.5)]);
        self::assertSame(['use.only_one'], Said::all($only->reasons ?? []));
        $use = SetupToUse::among([
            new PassedSetup('A', [2, 2, 2, 2, 2, 2], false, 55, 0.1),
            new PassedSetup('B', [0, 0, 1, 0, 0, 1], true, 60, 0.4),
        ]);
        self::assertSame('B', $use?->setup);
        self::assertStringStartsWith('use.harder other=A', Said::of($use->others[0]));
    }

    public function testOfWhatCannotBeToldApartTheLeastTroubleAndThatIsSaid(): void
    {
        $use = SetupToUse::among([
            new PassedSetup('A', [0, 1, 0], true, 60, 0.4),
            new PassedSetup('B', [0, 1, 1], false, 60, 0.4),
            new PassedSetup('C', [1, 1, 0], false, 45, 0.4),
        ]);
        self::assertSame('C', $use?->setup);
        self::assertSame(['use.as_easy alike=2', 'use.no_consumable'], Said::all($use->reasons));
        self::assertStringStartsWith('use.cannot_tell other=A', Said::of($use->others[0]));
        $heat = SetupToUse::among([new PassedSetup('A', [1, 1], false, 60, 0.1), new PassedSetup('B', [1, 1], false, 45, 0.9)]);
        self::assertSame(['B', 'use.less_heat'], [$heat?->setup, Said::of($heat->reasons[1] ?? self::fail())]);
        $cost = SetupToUse::among([new PassedSetup('A', [1, 1], false, 60, 0.9), new PassedSetup('B', [1, 1], false, 60, 0.1)]);
        self::assertSame(['B', 'use.less_cost'], [$cost?->setup, Said::of($cost->reasons[1] ?? self::fail())]);
    }

    private static function counted(int $failures = 0): ProofPlan
    {
        return new ProofPlan(new Limits(null, null, Effort::Flex), Criterion::Counts, 0.8, $failures, Design::Adaptive, 14, 0, 14);
    }

    /** @return list<array<string, int>> */
    private static function good(int $runs, int $effort = 1): array
    {
        return array_fill(0, $runs, [...self::GOOD, Measure::Effort->value => $effort]);
    }

    /** @param list<array<string, int>> $runs */
    private static function open(string $name, array $runs, ProofPlan $plan, string $plate = 'p1', int $runsOpen = 0, ?float $grip = null): OpenSetup
    {
        $record = new SetupRecord($name, array_map(static fn (array $run): array => array_map(
            static fn (string $measure): Reading => new Reading(Measure::from($measure), $run[$measure]),
            array_keys($run),
        ), $runs));

        return new OpenSetup($name, $record, SetupJudgement::of($record, $plan), $plate, $runsOpen, $grip);
    }

    /** Common practice: what fails at 90 °C fails at 85 too, and what welds at 60 s welds at 70 too; it need not be printed to know. */
    public function testARungDecidesThoseThatGripLessOrMore(): void
    {
        $plan = self::counted();
        $bad = ['held' => 0];
        $welds = [...self::GOOD, Measure::Effort->value => 4, Measure::Damage->value => 1];
        $next = self::next([
            self::open('at 80', self::good(3), $plan, grip: 80.0),
            self::open('at 85', [$bad, $bad, ...self::good(1)], $plan, grip: 85.0),
            self::open('at 90', self::good(3), $plan, grip: 90.0),
            self::open('at 100', array_fill(0, 12, $welds), $plan, grip: 100.0),
            self::open('at 105', self::good(3), $plan, grip: 105.0),
        ], $plan, Rungs::Ladder);
        self::assertSame('at 90', $next->setup);
        self::assertSame('next_run.weaker rung=at 85', Said::of($next->left['at 80']));
        self::assertStringStartsWith('next_run.rung failures=2 runs=3', Said::of($next->left['at 85']));
        self::assertSame('next_run.stronger rung=at 100', Said::of($next->left['at 105']));
    }

    /** Common practice: bare, then nearer or warmer, then a foothold, then an agent; what holds and lets go is enough. */
    public function testRungsInTurnEndAtTheFirstThatPasses(): void
    {
        $plan = self::counted();
        $bad = ['held' => 0];
        $failed = self::open('A', [$bad, $bad], $plan);
        $climbs = self::next([$failed, self::open('B', [], $plan), self::open('C', [], $plan)], $plan, Rungs::InTurn);
        self::assertSame('B', $climbs->setup, 'Two failures, and the next rung is tried.');
        self::assertArrayHasKey('A', $climbs->left);
        $waits = self::next([$failed, self::open('B', [], $plan, runsOpen: 1), self::open('C', [], $plan)], $plan, Rungs::InTurn);
        self::assertNull($waits->setup, 'C waits for B.');
        self::assertSame(['A'], array_map(strval(...), array_keys($waits->left)));
        $ended = self::next([$failed, self::open('B', self::good(18), $plan), self::open('C', [], $plan)], $plan, Rungs::InTurn);
        self::assertNull($ended->setup);
        self::assertSame('next_run.enough rung=B', Said::of($ended->left['C']));
    }

    /** @param list<OpenSetup> $setups */
    private static function next(array $setups, ProofPlan $plan, Rungs $rungs = Rungs::None, ?string $onPlate = null): NextRun
    {
        return NextRun::among($setups, $plan, new RunDurations(4, 8, 25, 20, 5, 6), $rungs, $onPlate);
    }

    private static function holdOutlook(SetupRecord $record, ProofPlan $plan): float
    {
        $readings = $record->runs;
        $plain = new ProofPlan(new Limits(20, null, Effort::Flex), Criterion::Mean, 0.8, 0, Design::Fixed, 10, 10, 1);
        // One part that came off well settles the other question in a plan that asks one only.
        $readings[0] = [...$readings[0], new Reading(Measure::Effort, 1), new Reading(Measure::Damage, 1)];
        $with = new SetupRecord('A', $readings);
        $judgement = SetupJudgement::of($with, $plain);

        return Outlook::inPlan($with, $plain, $judgement)->chance ?? 1.0;
    }

    /**
     * @param list<float> $hot
     * @param list<float> $cold
     */
    private static function pulls(array $hot, array $cold): SetupRecord
    {
        $runs = array_map(static fn (float $pull): array => [new Reading(Measure::Held, 1), new Reading(Measure::PullHot, $pull)], $hot);
        foreach ($cold as $pull) {
            $runs[] = [new Reading(Measure::Held, 1), new Reading(Measure::PullCold, $pull), new Reading(Measure::Effort, 1), new Reading(Measure::Damage, 0)];
        }

        return new SetupRecord('A', $runs);
    }
}
