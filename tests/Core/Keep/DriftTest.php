<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Keep;

use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Sitzplatz\Keep\Doubts;
use Sitzplatz\Keep\Drift;
use Sitzplatz\Keep\DriftKind;
use Sitzplatz\Keep\ProfileGround;
use Sitzplatz\Keep\PullWatch;
use Sitzplatz\Keep\ShelfNow;
use Sitzplatz\Statistics\BernoulliCusum;
use Sitzplatz\Statistics\InvalidArgument;
use Sitzplatz\Statistics\Normal;
use Sitzplatz\Statistics\Sample;
use Sitzplatz\Statistics\SelfStartingCusum;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Life\JobAnswer;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Tests\Core\Words\Said;

final class DriftTest extends TestCase
{
    public function testTheSumGoesAsInR(): void
    {
        // R: S <- 0; for (x in s) S <- max(0, S + ifelse(x == 1, log(.6/.8), log(.4/.2)))
        $seen = array_map(static fn (int $x): bool => 1 === $x, [1, 1, 0, 1, 0, 0, 1, 1, 1, 0, 0, 0, 0, 1]);
        $sum = BernoulliCusum::of($seen, 0.8, 0.6, 3.5);
        self::assertEqualsWithDelta([
            0, 0, 0.6931471806, 0.4054651081, 1.098612289, 1.791759469, 1.504077397, 1.216395324, 0.9287132519, 1.621860432, 2.315007613, 3.008154794,
            3.701301974, 3.413619902,
        ], $sum->path, 1e-9);
        self::assertSame(12, $sum->alarm, 'The first that reached the limit, whatever came after.');
        $this->expectException(InvalidArgument::class);
        BernoulliCusum::of($seen, 0.6, 0.8, 3.5);
    }

    public function testHowRarelyItIsWrongAndHowSoonItIsRight(): void
    {
        // R, by the Markov chain of Brook & Evans 1972 on 2000 steps to the limit of 4: accepted 0.8, it takes 837 prints on average
        // to a false alarm while 0.8 is true, and 33 to a right one where 0.6 is. Four standard errors of the simulation either way.
        $random = new Randomizer(new Xoshiro256StarStar(11));
        foreach ([[0.8, 837.1, 300], [0.6, 32.8, 1500]] as [$true, $expected, $times]) {
            $sum = 0;
            for ($i = 0; $i < $times; ++$i) {
                $sum += self::until($random, $true);
            }
            self::assertEqualsWithDelta($expected, $sum / $times, 4 * $expected / sqrt($times));
        }
    }

    public function testAProfileThatHoldsLessOftenIsFound(): void
    {
        $steady = Drift::of(self::days(array_fill(0, 60, self::job())), 0.8);
        self::assertNull($steady->kind);
        self::assertSame('drift.steady', $steady->sentence->key);
        $fails = [...array_fill(0, 20, self::job()), ...array_fill(0, 6, self::job(Outcome::CameOff))];
        $drifted = Drift::of(self::days($fails), 0.8);
        // By hand: six failures of ln 2 each are 4.16, five are 3.47.
        self::assertSame([DriftKind::Hold, '2026-01-26', 'drift.hold'], [$drifted->kind, $drifted->on, $drifted->sentence->key]);
        self::assertEqualsWithDelta([0.8, 0.6], [$drifted->accepted, $drifted->worse], 1e-12);
    }

    public function testWhatComesOffWorseIsFoundAmongThoseThatWereTakenOff(): void
    {
        $jobs = [self::job(Outcome::CameOff), ...array_fill(0, 6, self::job(effort: Effort::Scraper))];
        $drifted = Drift::of(self::days($jobs), 0.8);
        self::assertSame([DriftKind::Release, '2026-01-07'], [$drifted->kind, $drifted->on], 'Counted among all.');
        self::assertCount(6, $drifted->charts[1]->path);
        self::assertSame('drift.release', $drifted->sentence->key);
        self::assertSame(DriftKind::Release, Drift::of(self::days(array_fill(0, 6, self::job(damaged: true))), 0.8)->kind, 'Harm to the plate is no clean release.');
    }

    public function testAnAcceptedShareIsHeldAgainstOneThatFailsTwiceAsOften(): void
    {
        self::assertEqualsWithDelta(0.9, Drift::of(self::days([self::job()]), 0.95)->worse, 1e-12);
        self::assertEqualsWithDelta(0.25, Drift::of(self::days([self::job()]), 0.5)->worse, 1e-12, 'Never all of them.');
        self::assertEqualsWithDelta([0.98, 0.96], [Drift::of(self::days([self::job()]), 1.0)->accepted, Drift::of(self::days([self::job()]), 1.0)->worse], 1e-12);
    }

    public function testWhatHasDriftedIsInQuestion(): void
    {
        $ground = new ProfileGround('f1', 'P1 front', 'p1', 'S-7', 1000.0, null);
        $doubts = Doubts::of($ground, new ShelfNow('f1', 'S-7', false, [], '2026-11-20', DriftKind::Hold, '2026-11-19'));
        self::assertSame([['drift', 'doubt.drift.hold', 'doubt.restore_drift']], array_map(static fn ($doubt): array => [$doubt->kind, $doubt->reason->key, $doubt->restoredBy->key], $doubts));
        self::assertSame([], Doubts::of($ground, new ShelfNow('f1', 'S-7', false, [], '2026-11-20')));
    }

    public function testWhatComesOffHarderThanInItsEvidenceIsFoundBeforeItWantsAScraper(): void
    {
        // By Clopper & Pearson: 12 of 12 are 0.825 at least with 90 %, 11 of 12 are 0.714 (0.1^(1/12); R: qbeta(.1, 11, 2)).
        $finger = array_fill(0, 12, Effort::Finger);
        self::assertSame(Effort::Finger, Drift::usualEffort($finger, 0.8, 0.9));
        self::assertSame(Effort::Loose, Drift::usualEffort(array_fill(0, 12, Effort::Loose), 0.8, 0.9));
        self::assertSame(Effort::Finger, Drift::usualEffort([Effort::Loose, ...array_fill(0, 11, Effort::Finger)], 0.8, 0.9));
        self::assertNull(Drift::usualEffort([Effort::Flex, ...array_fill(0, 11, Effort::Finger)], 0.8, 0.9), 'Then flexing is no drift.');
        self::assertNull(Drift::usualEffort([], 0.8, 0.9));
        $prints = self::days([self::job(Outcome::CameOff), ...array_fill(0, 3, self::job()), ...array_fill(0, 6, self::job(effort: Effort::Flex))]);
        $drifted = Drift::of($prints, 0.8, Effort::Finger);
        self::assertSame([DriftKind::Effort, '2026-01-10', 'drift.effort'], [$drifted->kind, $drifted->on, $drifted->sentence->key]);
        self::assertNull(Drift::of($prints, 0.8)->kind, 'They came off cleanly.');
    }

    public function testPullsAreHeldAgainstFewReadingsAsInR(): void
    {
        // R: the loop over T <- (v - m) / sqrt(s2 / (n - 1)) * sqrt(n / (n + 1)); U <- -qnorm(pt(T, n - 1)); S <- max(0, S + U - .5), after
        // x <- c(30.1, 28.2, 31.5, 29.9, 33.0, 27.4).
        $later = [26.5, 25.9, 27.2, 24.8, 26.0, 25.1, 24.0];
        $before = new Sample([30.1, 28.2, 31.5, 29.9, 33.0, 27.4]);
        $sum = SelfStartingCusum::of(6, (float) $before->mean, (float) $before->sd, $later, false, Drift::LIMIT);
        self::assertEqualsWithDelta([0.8555054332, 1.6579879505, 1.8278031174, 2.7718009859, 3.1248577300, 3.7209080498, 4.5804636349], $sum->path, 1e-7);
        self::assertSame(6, $sum->alarm);
        self::assertEqualsWithDelta(array_fill(0, 7, 0.0), SelfStartingCusum::of(6, 30.0, 2.0, $later, true, Drift::LIMIT)->path, 1e-12, 'They did not rise.');
        $pulls = static fn (bool $hot, int $readings = 6): PullWatch => new PullWatch($hot, $readings, 30.0167, 2.0341, array_map(static fn (float $n, int $i): array => ['n' => $n, 'at' => "2026-02-0$i"], $later, range(1, 7)));
        $hot = Drift::of([], 0.8, null, [$pulls(true), $pulls(false)]);
        self::assertSame([DriftKind::HotPull, '2026-02-07', 'drift.hot_pull'], [$hot->kind, $hot->on, $hot->sentence->key], 'Less force while hot is less hold.');
        self::assertStringContainsString('pulls=7 mean=25.6429 was=30.0167', Said::of($hot->sentence));
        self::assertNull(Drift::of([], 0.8, null, [$pulls(false)])->kind, 'Less force when cold is no harm.');
        self::assertCount(2, Drift::of([], 0.8, null, [$pulls(true, 3)])->charts, 'Three pulls say too little of their spread.');
        $this->expectException(InvalidArgument::class);
        SelfStartingCusum::of(6, 30.0, 0.0, $later, true, Drift::LIMIT);
    }

    public function testPullsAreAsRarelyWrongHoweverFewThereWereBefore(): void
    {
        // Montgomery's table for k = 1/2, h = 4 has 336 for one side (from memory); R, by the Markov chain: 335.4. By R's simulation one
        // standard deviation is found after 86 on average where twelve were pulled before, two after 8.3. Four standard errors.
        $engine = new Randomizer(new Xoshiro256StarStar(3));
        $normal = static fn (): float => Normal::quantile($engine->getInt(1, 999_999) / 1e6);
        foreach ([[0.0, 335.4, 80, 3000], [2.0, 8.25, 300, 400]] as [$shift, $expected, $times, $most]) {
            $lengths = [];
            for ($i = 0; $i < $times; ++$i) {
                $before = new Sample(array_map(static fn (): float => $normal(), range(1, 12)));
                $later = [];
                do {
                    for ($j = 0; $j < 60; ++$j) {
                        $later[] = $shift + $normal();
                    }
                    $alarm = SelfStartingCusum::of(12, (float) $before->mean, (float) $before->sd, $later, true, Drift::LIMIT)->alarm;
                } while (null === $alarm && \count($later) < $most);
                $lengths[] = (float) (1 + ($alarm ?? \count($later)));
            }
            $found = new Sample($lengths);
            self::assertEqualsWithDelta($expected, $found->mean, 4 * (float) $found->sd / sqrt($times));
        }
    }

    /**
     * @param list<JobAnswer> $answers
     *
     * @return list<array{answer: JobAnswer, at: string}> one on each day of January
     */
    private static function days(array $answers): array
    {
        return array_map(static fn (JobAnswer $answer, int $i): array => ['answer' => $answer, 'at' => date('Y-m-d', (int) strtotime("2026-01-01 +$i days"))], $answers, array_keys($answers));
    }

    private static function until(Randomizer $random, float $true): int
    {
        $seen = [];
        do {
            for ($i = 0; $i < 200; ++$i) {
                $seen[] = $random->getInt(0, 999_999) < $true * 1e6;
            }
            $alarm = BernoulliCusum::of($seen, 0.8, 0.6, Drift::LIMIT)->alarm;
        } while (null === $alarm && \count($seen) < 20_000);

        return 1 + ($alarm ?? \count($seen));
    }

    private static function job(Outcome $outcome = Outcome::Held, ?Effort $effort = Effort::Finger, bool $damaged = false): JobAnswer
    {
        return new JobAnswer($outcome, $outcome->pullPossible() ? $effort : null, $damaged, 60.0);
    }
}
