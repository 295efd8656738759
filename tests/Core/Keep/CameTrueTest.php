<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Keep;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Keep\CameTrue;
use Sitzplatz\Keep\ToldJob;
use Sitzplatz\Keep\ToldScore;
use Sitzplatz\Tests\Core\Words\Said;

/** What was said against what came, by hand and by R's exact intervals. */
final class CameTrueTest extends TestCase
{
    public function testItIsBetterWhereItIsNearerThanThePlainShareAndThanPractice(): void
    {
        self::assertNull(ToldScore::of([], []));
        self::assertSame('came_true.none', Said::of(CameTrue::of([])->sentence()));
        // Brier (1950) by hand: said (0.01 + 0.01 + 0.04)/3 = 0.02; practice 0.25; the plain share 2/9.
        $told = static fn (float $practice, float $running = 0.5): ?ToldScore => ToldScore::of([
            self::job(0.9, true, practice: $practice), self::job(0.9, true, practice: $practice), self::job(0.2, false, practice: 1 - $practice),
        ], [$running, $running, 1 - $running]);
        $score = $told(0.5) ?? self::fail();
        self::assertEqualsWithDelta([0.02, 2 / 9, 0.25, 2 / 3], [$score->score->brier, $score->score->baseRateBrier, $score->practice->brier, $score->said], 1e-12);
        self::assertTrue($score->better());
        // By their logarithms (Good 1952): −(2·ln 0.9 + ln 0.8)/3, and ln 2 of who says a half.
        self::assertEqualsWithDelta([-(2 * log(0.9) + log(0.8)) / 3, log(2), log(2)], [$score->score->log, $score->practice->log, $score->running->log], 1e-12);
        self::assertFalse(($told(0.99) ?? self::fail())->better(), 'Practice alone was nearer.');
        self::assertFalse(($told(0.5, 0.99) ?? self::fail())->better(), 'A running share was nearer.');
        $worse = ToldScore::of([self::job(0.1, true, practice: 0.0), self::job(0.9, false, practice: 1.0)], [0.0, 1.0]) ?? self::fail();
        self::assertFalse($worse->better(), 'The plain share was nearer.');
        // As near as practice is better still.
        self::assertTrue((ToldScore::of([self::job(0.9, true, practice: 0.9), self::job(0.1, false, practice: 0.1)], [0.9, 0.1]) ?? self::fail())->better());
        self::assertSame('came_true.better n=2 happened=1 said=0.5', Said::of(CameTrue::of([self::job(0.9, true), self::job(0.1, false)])->sentence()));
        self::assertStringStartsWith('came_true.mixed n=2', Said::of(CameTrue::of([self::job(0.1, true), self::job(0.9, false)])->sentence()));
    }

    /** By hand, of one setup: a half worth three prints, then what came. */
    public function testTheRunningShareGoesInTheOrderOfThePrints(): void
    {
        $came = CameTrue::of([self::job(0.9, true), self::job(0.9, true), self::job(0.9, false), self::job(0.9, true, 'abs')])->all ?? self::fail();
        self::assertEqualsWithDelta((0.5 ** 2 + (2.5 / 4 - 1) ** 2 + (3.5 / 5) ** 2 + 0.5 ** 2) / 4, $came->running->brier, 1e-12);
    }

    public function testAPairIsNamedWhereSoManyPrintsLeaveNoRoomForWhatWasSaid(): void
    {
        $of = static fn (float $said, int $happened, int $n): array => array_map(
            static fn (array $odd): string => Said::of($odd['sentence']),
            CameTrue::of(array_map(static fn (int $i): ToldJob => self::job($said, $i < $happened), range(0, $n - 1)))->odd,
        );
        // R: binom.test(6, 12)$conf.int is 0.2109446 to 0.7890554.
        self::assertSame(['came_true.odd_worse n=12 happened=6 said=0.8'], $of(0.8, 6, 12));
        self::assertSame([], $of(0.78, 6, 12));
        self::assertSame(['came_true.odd_better n=12 happened=6 said=0.2'], $of(0.2, 6, 12));
        self::assertSame([], $of(0.22, 6, 12));
        // R: binom.test(10, 10)$conf.int[1] is 0.6915029; nine prints are too few to name a pair.
        self::assertSame(['came_true.odd_better n=10 happened=10 said=0.69'], $of(0.69, 10, 10));
        self::assertSame([], $of(0.3, 9, 9));
    }

    public function testThePairWithTheMostPrintsIsNamedFirstAndEachGroupIsScored(): void
    {
        $jobs = [];
        foreach ([['pla', 10], ['abs', 14]] as [$material, $n]) {
            array_push($jobs, ...array_map(static fn (int $i): ToldJob => self::job(0.2, true, $material, 0 === $i % 2 ? 'own' : 'practice'), range(1, $n)));
        }
        $came = CameTrue::of($jobs);
        self::assertSame(['abs', 'pla'], array_map(static fn (array $odd): string => $odd['job']->materialId, $came->odd));
        self::assertSame(['practice' => 12, 'own' => 12], array_map(static fn (ToldScore $score): int => $score->score->n, $came->byBasis));
        self::assertSame(['pla' => 10, 'abs' => 14], array_map(static fn (ToldScore $score): int => $score->score->n, $came->byMaterial));
        self::assertSame('pla/glass/', self::job(0.5, true)->pair());
    }

    private static function job(float $said, bool $cameTrue, string $material = 'pla', string $basis = 'practice', float $practice = 0.5): ToldJob
    {
        return new ToldJob($material, 'glass', 'P6 front', null, $basis, $said, $practice, $cameTrue);
    }
}
