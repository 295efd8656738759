<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Choose\Request\Foothold;
use Sitzplatz\Choose\Request\FootholdKind;
use Sitzplatz\Choose\Request\PartFacts;
use Sitzplatz\Tests\Core\Words\Said;

/** Where a part begins to be delicate, tall, long, and what is laid around it. */
final class PartFactsTest extends TestCase
{
    use BuildsJobs;

    public function testASmallFootIsThatOfThePullBlock(): void
    {
        // 6 × 20 mm (trade notes, section 7), of each foot.
        self::assertSame(['part.small_foot foot=119.9'], Said::all((new PartFacts(119.9, 50, 20, 12, 5))->delicate));
        self::assertSame([], (new PartFacts(120.1, 50, 20, 12, 5))->delicate);
        self::assertSame([], (new PartFacts(240.2, 100, 20, 12, 5, islands: 2))->delicate);
        self::assertSame(['part.small_foot foot=119.9'], Said::all((new PartFacts(239.8, 100, 20, 12, 5, islands: 2))->delicate));
    }

    public function testThinEndsCountOnALongPartAndATallOneIsFiveTimesItsWidth(): void
    {
        self::assertSame(['part.thin_ends span=60 ends=2'], Said::all((new PartFacts(600, 140, 60, 10, 5, 2, 2))->delicate));
        self::assertSame([], (new PartFacts(600, 140, 59.9, 10, 5, 2, 2))->delicate);
        self::assertSame([], (new PartFacts(600, 140, 60, 10, 5, 4, 0))->delicate);
        self::assertSame(['part.tall times=5'], Said::all((new PartFacts(600, 140, 30, 10, 50))->delicate));
        self::assertSame([], (new PartFacts(600, 140, 30, 10, 49.9))->delicate);
        self::assertEqualsWithDelta(0, (new PartFacts(600, 140, 30, 0, 50))->slenderness(), 1e-12);
        self::assertEqualsWithDelta(4.99, (new PartFacts(600, 140, 30, 10, 49.9))->slenderness(), 1e-12);
    }

    public function testABedThatSlingsShakesWhatStandsTwiceAsHighAsWide(): void
    {
        $hold = static fn (float $height, bool $moves): float => self::rank(
            self::job('pla', ['part' => new PartFacts(400, 80, 28, 20, $height, 0), 'printer' => self::printer(['bedMoves' => $moves])]),
            [self::side('pei_textured')],
        )->candidates[0]->hold->prior->mean();
        self::assertEqualsWithDelta($hold(40, false), $hold(40, true), 1e-12);
        // By hand: a quarter of a step on log-odds for each time more, so at three times a quarter.
        $odds = static fn (float $mean): float => log($mean / (1 - $mean));
        self::assertEqualsWithDelta(0.25, $odds($hold(60, false)) - $odds($hold(60, true)), 1e-9);
        self::assertEqualsWithDelta(0.5, $odds($hold(80, false)) - $odds($hold(80, true)), 1e-9);
    }

    public function testARaftReachesThreeMillimetresBeyond(): void
    {
        self::assertEqualsWithDelta(3 * 160 + 9 * \M_PI, self::block()->gainedMm2(new Foothold(FootholdKind::Raft)), 1e-9);
        // With inner corners a brim loses: nothing is gained below nought.
        self::assertEqualsWithDelta(0, (new PartFacts(100, 1, 10, 10, 5, brimRounding: -10))->gainedMm2(new Foothold(FootholdKind::Brim, 4)), 0);
    }

    public function testAPartTakesUpHeat(): void
    {
        // By hand: 1600 mm² × 20 mm, two fifths full, 1.8 mJ/mm³K.
        self::assertEqualsWithDelta(1600 * 20 * 0.4 * 1.8e-3, self::block()->heatJK(), 1e-9);
    }
}
