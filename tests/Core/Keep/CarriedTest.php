<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Keep;

use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Sitzplatz\Evidence\EvidenceRun;
use Sitzplatz\Judge\Answer;
use Sitzplatz\Judge\Scatter;
use Sitzplatz\Judge\SetupJudgement;
use Sitzplatz\Judge\SetupRecord;
use Sitzplatz\Keep\AcceptancePlan;
use Sitzplatz\Keep\Assessment;
use Sitzplatz\Keep\ScopeClaim;
use Sitzplatz\Test\Criterion;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Limits;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Test\PullKind;
use Sitzplatz\Test\Reading;

/** What holds of every comparison, over drawn ones: criteria, lower bounds, hot and cold, order and looks. */
final class CarriedTest extends TestCase
{
    private const DRAWN = 500;

    public function testWhatKeepCarriesTheRuleOfTheVerdictSaysYesTo(): void
    {
        $random = new Randomizer(new Xoshiro256StarStar(20));
        $carried = array_fill_keys(array_column(Criterion::cases(), 'value'), 0);
        for ($i = 0; $i < 5 * self::DRAWN; ++$i) {
            [$plan, $runs] = self::drawn($random);
            $acceptance = new AcceptancePlan(0.8, 0 === $i % 2 ? 0.9 : 0.95, $i % 3 > 1 ? 1 : 0);
            $assessment = Assessment::of(self::evidence($runs), $acceptance, $plan, new ScopeClaim(false, false));
            if (!$assessment->carried()) {
                continue;
            }
            ++$carried[$plan->criterion->value];
            $accepting = $plan->accepting($acceptance->reliability, $acceptance->confidence, $acceptance->failuresAllowed);
            // What is counted is looked at once, at all runs that there are.
            $counted = new ProofPlan(
                $plan->limits,
                $plan->criterion,
                $acceptance->reliability,
                $acceptance->failuresAllowed,
                Design::Fixed,
                \count($runs),
                \count(self::of($runs, PullKind::Hot)),
                \count(self::of($runs, PullKind::Cold)),
                1 - $acceptance->confidence,
            );
            $byPulls = SetupJudgement::of(self::record($runs), $accepting);
            $byCounts = SetupJudgement::of(self::record($runs), $counted);
            self::assertNotSame(Answer::No, $byCounts->hold->share->reached);
            self::assertFalse($byCounts->hold->share->spoiled || $byCounts->release->share->spoiled);
            foreach ([[true, $byPulls->hold, $byCounts->hold], [false, $byPulls->release, $byCounts->release]] as [$hold, $ofPulls, $ofCounts]) {
                self::assertSame(Answer::Yes, null === $plan->pullRule($hold) ? $ofCounts->answer : $ofPulls->pulls?->clears, $plan->criterion->value);
            }
        }
        foreach ($carried as $criterion => $times) {
            self::assertGreaterThan(5, $times, "Too few by $criterion for that to say anything.");
        }
    }

    public function testMoreGoodRunsNeverTakeAYesBackAndAFailingOneNeverHelps(): void
    {
        $random = new Randomizer(new Xoshiro256StarStar(21));
        $settled = 0;
        for ($i = 0; $i < self::DRAWN; ++$i) {
            [$plan, $runs] = self::drawn($random, Design::Adaptive);
            $answers = static fn (array $runs): array => array_map(static fn ($finding): Answer => $finding->answer, [
                SetupJudgement::of(self::record(array_values($runs)), $plan)->hold,
                SetupJudgement::of(self::record(array_values($runs)), $plan)->release,
            ]);
            [$hold, $release] = $answers($runs);
            foreach ([self::made(PullKind::Hot, 35.0), self::made(PullKind::Cold, 4.0)] as $good) {
                [$after, $releaseAfter] = $answers([...$runs, $good]);
                self::assertFalse(Answer::Yes === $hold && Answer::Yes !== $after, 'A good run took it back.');
                self::assertFalse(Answer::Yes === $release && Answer::Yes !== $releaseAfter, 'A good run took it back.');
            }
            [$failed] = $answers([...$runs, ['kind' => PullKind::Hot, 'readings' => [new Reading(Measure::Held, 0)]]]);
            self::assertFalse(Answer::Yes !== $hold && Answer::Yes === $failed, 'A failure helped.');
            [, $hard] = $answers([...$runs, self::made(PullKind::Cold, 30.0, Effort::Bonded)]);
            self::assertFalse(Answer::Yes !== $release && Answer::Yes === $hard, 'A failure helped.');
            $settled += Answer::Yes === $hold ? 1 : 0;
        }
        self::assertGreaterThan(50, $settled);
    }

    public function testTheOrderOfRowsNeverMattersAtOneLook(): void
    {
        $random = new Randomizer(new Xoshiro256StarStar(22));
        for ($i = 0; $i < self::DRAWN; ++$i) {
            [$plan, $runs] = self::drawn($random, Design::Fixed);
            // What lies beyond the plan is not looked at, and that is a matter of order.
            $runs = [...\array_slice(self::of($runs, PullKind::Hot), 0, $plan->hotRuns), ...\array_slice(self::of($runs, PullKind::Cold), 0, $plan->coldRuns)];
            $of = static function (array $runs) use ($plan): array {
                $judged = SetupJudgement::of(self::record(array_values($runs)), $plan);

                return [$judged->hold->answer, $judged->release->answer];
            };
            self::assertSame($of($runs), $of($random->shuffleArray($runs)));
        }
    }

    /** @return array{ProofPlan, list<array{kind: PullKind, readings: list<Reading>}>} */
    private static function drawn(Randomizer $random, ?Design $design = null): array
    {
        $criteria = Criterion::cases();
        $each = [6, 8, 11, 14][$random->getInt(0, 3)];
        $plan = new ProofPlan(
            new Limits(0 === $random->getInt(0, 5) ? null : 20, 0 === $random->getInt(0, 5) ? null : 12, Effort::Flex),
            $criteria[$random->getInt(0, \count($criteria) - 1)],
            0.8,
            $random->getInt(0, 1),
            $design ?? Design::cases()[$random->getInt(0, 1)],
            2 * $each,
            $each,
            $each,
        );
        [$strength, $spread, $hard, $weak, $open] = [22 + 14 * Scatter::share($random), 1 + 4 * Scatter::share($random), 3 + 8 * Scatter::share($random), 0.12 * Scatter::share($random), 0.3 * Scatter::share($random)];
        $runs = [];
        for ($k = $random->getInt(8, 2 * $each + 6); $k > 0; --$k) {
            $kind = 0 === $k % 2 ? PullKind::Hot : PullKind::Cold;
            $pull = max(0.0, (PullKind::Hot === $kind ? $strength : $hard) + $spread * Scatter::normal($random));
            $run = self::made($kind, $pull, Scatter::share($random) < $weak ? Effort::Scraper : Effort::Finger, Scatter::share($random) < $open / 3);
            $runs[] = match (true) {
                Scatter::share($random) < $weak / 2 => ['kind' => $kind, 'readings' => [new Reading(Measure::Held, 0)]],
                Scatter::share($random) < $open / 20 => ['kind' => $kind, 'readings' => [new Reading(Measure::Held, 1)]],
                default => $run,
            };
        }

        return [$plan, $runs];
    }

    /** @return array{kind: PullKind, readings: list<Reading>} */
    private static function made(PullKind $kind, float $pull, Effort $effort = Effort::Finger, bool $atLeast = false): array
    {
        return ['kind' => $kind, 'readings' => [
            new Reading(Measure::Held, 1),
            new Reading($kind->measure(), $pull, $atLeast, 0.1),
            ...(PullKind::Hot === $kind ? [] : [new Reading(Measure::Effort, $effort->value), new Reading(Measure::Damage, 0)]),
        ]];
    }

    /**
     * @param list<array{kind: PullKind, readings: list<Reading>}> $runs
     *
     * @return list<array{kind: PullKind, readings: list<Reading>}>
     */
    private static function of(array $runs, PullKind $kind): array
    {
        return array_values(array_filter($runs, static fn (array $run): bool => $run['kind'] === $kind));
    }

    /** @param list<array{kind: PullKind, readings: list<Reading>}> $runs */
    private static function record(array $runs): SetupRecord
    {
        return new SetupRecord('A', array_column($runs, 'readings'), pulls: array_column($runs, 'kind'));
    }

    /**
     * @param list<array{kind: PullKind, readings: list<Reading>}> $runs
     *
     * @return list<EvidenceRun> in the order in which they were begun, given in another
     */
    private static function evidence(array $runs): array
    {
        return array_reverse(array_map(
            static fn (array $run, int $i): EvidenceRun => new EvidenceRun("r$i", false, $run['readings'], 'l', 'p', 20, 24, 1, false, endedAt: 100.0 - $i, beganAt: (float) $i, pull: $run['kind']),
            $runs,
            array_keys($runs),
        ));
    }
}
