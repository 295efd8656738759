<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Statistics;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Statistics\LogisticNormal;
use Sitzplatz\Statistics\ShareOfBoth;

/** Against R: integrate() over the normal density, and uniroot() on that. */
final class ShareOfBothTest extends TestCase
{
    public function testMomentsOfAShareAreThoseOfTheIntegral(): void
    {
        $share = new LogisticNormal(2.0, 0.8);
        self::assertEqualsWithDelta([0.8511323901, 0.7364491657], [LogisticNormal::allOf([[$share, 1]]), LogisticNormal::allOf([[$share, 2]])], 1e-9);
        self::assertEqualsWithDelta(0.3749288871, LogisticNormal::allOf([[$share, 3], [new LogisticNormal(1.0, 0.5), 2]]), 1e-9);
        $beta = $share->asBeta();
        self::assertEqualsWithDelta([0.8511323901, 0.7364491657], [$beta->mean(), $beta->allOf(2)], 1e-9);
        self::assertEqualsWithDelta(1 / (1 + exp(-2.0)), $share->median(), 1e-12);
    }

    /** @param array{float, float} $range */
    #[TestWith([2.9, 1.0, 1.5, 0.6, 0.05436028, [0.49263238, 0.90023536]])]
    #[TestWith([0.0, 0.3, 0.0, 0.3, 0.99132633, [0.11513684, 0.41603892]])]
    #[TestWith([-1.0, 2.0, 3.0, 0.05, 0.78208872, [0.03299907, 0.75195510]])]
    public function testTheLawOfTheProduct(float $mean, float $variance, float $other, float $otherVariance, float $half, array $range): void
    {
        $both = new ShareOfBoth(new LogisticNormal($mean, $variance), new LogisticNormal($other, $otherVariance));
        self::assertEqualsWithDelta($half, $both->cdf(0.5), 1e-3);
        self::assertEqualsWithDelta($range, $both->interval()->toArray(), 2e-3);
        self::assertEqualsWithDelta($both->one->share() * $both->other->share(), $both->mean(), 1e-12);
        self::assertGreaterThan($both->interval()->low, $both->mean());
        self::assertLessThan($both->interval()->high, $both->mean());
    }

    /**
     * R: 4 000 000 draws of N(2.5, 0.5) and N(2, 0.6) that hang together by 0.3, and of N(2.5, 0.3) and N(1.5, 0.4) by 0.1: the product of the first of
     * each is more in 0.9336 of them.
     */
    public function testThatOneIsMoreIsAsSureAsDrawingManySaysIt(): void
    {
        $one = new ShareOfBoth(new LogisticNormal(2.5, 0.5), new LogisticNormal(2.5, 0.3));
        $other = new ShareOfBoth(new LogisticNormal(2.0, 0.6), new LogisticNormal(1.5, 0.4));
        self::assertEqualsWithDelta(0.9336, $one->exceeds($other, 0.3, 0.1), 0.005);
        self::assertEqualsWithDelta(1.0, $one->exceeds($other, 0.3, 0.1) + $other->exceeds($one, 0.3, 0.1), 1e-9);
        self::assertEqualsWithDelta(0.5, $one->exceeds($one, 0.5, 0.3), 1e-9);
        self::assertGreaterThan($one->exceeds($other, 0.0, 0.0), $one->exceeds($other, 0.3, 0.1), 'What they share tells them apart in nothing.');
    }

    /** How much the log-odds of both move with those of the one: by a small step of it. */
    public function testHowMuchBothMoveWithOne(): void
    {
        $at = static fn (float $one, float $other): ShareOfBoth => new ShareOfBoth(new LogisticNormal($one, 1.0), new LogisticNormal($other, 1.0));
        $both = $at(1.2, 0.4);
        self::assertEqualsWithDelta(($at(1.2 + 1e-6, 0.4)->logOdds - $both->logOdds) / 1e-6, $both->withOne, 1e-5);
        self::assertEqualsWithDelta(($at(1.2, 0.4 + 1e-6)->logOdds - $both->logOdds) / 1e-6, $both->withOther, 1e-5);
    }
}
