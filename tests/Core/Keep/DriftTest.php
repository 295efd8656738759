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
use Sitzplatz\Keep\ShelfNow;
use Sitzplatz\Statistics\BernoulliCusum;
use Sitzplatz\Statistics\InvalidArgument;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Life\JobAnswer;
use Sitzplatz\Test\Outcome;

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
        $steady = Drift::of(array_fill(0, 60, self::job()), 0.8);
        self::assertNull($steady->kind);
        self::assertSame('drift.steady', $steady->sentence->key);
        $fails = [...array_fill(0, 20, self::job()), ...array_fill(0, 6, self::job(Outcome::CameOff))];
        $drifted = Drift::of($fails, 0.8);
        // By hand: six failures of ln 2 each are 4.16, five are 3.47.
        self::assertSame([DriftKind::Hold, 25], [$drifted->kind, $drifted->since]);
        self::assertEqualsWithDelta([0.8, 0.6], [$drifted->accepted, $drifted->worse], 1e-12);
    }

    public function testWhatComesOffWorseIsFoundAmongThoseThatWereTakenOff(): void
    {
        $jobs = [self::job(Outcome::CameOff), ...array_fill(0, 6, self::job(effort: Effort::Scraper))];
        $drifted = Drift::of($jobs, 0.8);
        self::assertSame([DriftKind::Release, 6], [$drifted->kind, $drifted->since], 'Counted among all.');
        self::assertCount(6, $drifted->released->path);
        self::assertSame('drift.release', $drifted->sentence->key);
        self::assertSame(DriftKind::Release, Drift::of(array_fill(0, 6, self::job(damaged: true)), 0.8)->kind, 'Harm to the plate is no clean release.');
    }

    public function testAnAcceptedShareIsHeldAgainstOneThatFailsTwiceAsOften(): void
    {
        self::assertEqualsWithDelta(0.9, Drift::of([self::job()], 0.95)->worse, 1e-12);
        self::assertEqualsWithDelta(0.25, Drift::of([self::job()], 0.5)->worse, 1e-12, 'Never all of them.');
        self::assertEqualsWithDelta([0.98, 0.96], [Drift::of([self::job()], 1.0)->accepted, Drift::of([self::job()], 1.0)->worse], 1e-12);
    }

    public function testWhatHasDriftedIsInQuestion(): void
    {
        $ground = new ProfileGround('f1', 'P1 front', 'p1', 'S-7', 1000.0, null);
        $doubts = Doubts::of($ground, new ShelfNow('f1', 'S-7', false, [], '2026-11-20', DriftKind::Hold, '2026-11-19'));
        self::assertSame([['drift', 'doubt.drift_hold', 'doubt.restore_drift']], array_map(static fn ($doubt): array => [$doubt->kind, $doubt->reason->key, $doubt->restoredBy->key], $doubts));
        self::assertSame([], Doubts::of($ground, new ShelfNow('f1', 'S-7', false, [], '2026-11-20')));
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
