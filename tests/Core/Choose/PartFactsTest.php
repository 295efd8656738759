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
        $shakes = static function (float $height, bool $moves): float {
            $job = self::job('pla', ['part' => new PartFacts(400, 80, 28, 20, $height, 0), 'printer' => self::printer(['bedMoves' => $moves])]);
            $moved = self::rank($job, [self::side('pei_textured')])->candidates[0]->moved->all();

            return array_sum(array_map(static fn ($each): float => 'slinging' === $each->id ? $each->onHold : 0.0, $moved));
        };
        self::assertEqualsWithDelta([0.0, 0.0], [$shakes(40, false), $shakes(40, true)], 1e-12);
        // By hand: a quarter of a step on log-odds for each time more, so at three times a quarter.
        self::assertEqualsWithDelta([0.0, -0.25], [$shakes(60, false), $shakes(60, true)], 1e-9);
        self::assertEqualsWithDelta(-0.5, $shakes(80, true), 1e-9);
    }

    public function testARaftReachesThreeMillimetresBeyond(): void
    {
        self::assertEqualsWithDelta(3 * 160 + 9 * \M_PI, self::block()->gainedMm2(new Foothold(FootholdKind::Raft)), 1e-9);
    }

    public function testABlockIsKnownByItsLengthWidthAndHeight(): void
    {
        $block = PartFacts::ofBox(60, 20, 10);
        // By hand: 60·20, 2·80, √(60² + 20²), 1200 ÷ that is no width across: across the longest side it is 20.
        self::assertEqualsWithDelta([1200, 160, sqrt(4000), 20, 10], [$block->contactAreaMm2, $block->outlineMm, $block->spanMm, $block->barWidthMm, $block->heightMm], 1e-6);
        self::assertSame([4, 0, 1], [$block->sharpCorners, $block->thinEnds, $block->islands]);
        self::assertSame('part.follows contact=1200 span=63.2456 corners=4', Said::of($block->follows()));
        self::assertEqualsWithDelta(160 * 4 + 16 * \M_PI, $block->brimMm2(4), 3);
    }

    public function testABrimAddsWhatIsKeptOfItsWidthsAndBetweenThem(): void
    {
        // Of a convex foot by hand: what is kept is P·w + π·w², and so is what lies between and beyond.
        $kept = array_map(static fn (float $w): float => 160 * $w + \M_PI * $w ** 2, PartFacts::BRIMS_MM);
        $part = new PartFacts(1600, 160, 57, 57, 20, brimMm2: $kept);
        foreach ([0.5, 1, 2.5, 4, 6, 10, 12, 16] as $w) {
            self::assertEqualsWithDelta(160 * $w + \M_PI * $w ** 2, $part->gainedMm2(new Foothold(FootholdKind::Brim, $w)), 1e-9, "$w mm");
        }
        self::assertEqualsWithDelta(160 * 4 + 2 * \M_PI * 16, (new PartFacts(1600, 160, 57, 57, 20, islands: 2))->brimMm2(4), 1e-9);
    }

    public function testAPartTakesUpHeat(): void
    {
        // By hand: 1600 mm² × 20 mm, two fifths full, 1.8 mJ/mm³K.
        self::assertEqualsWithDelta(1600 * 20 * 0.4 * 1.8e-3, self::block()->heatJK(), 1e-9);
    }

    public function testTheFirstLayersNozzleMovesGripByItsDegrees(): void
    {
        // PLA at 195 to 220: by hand 0.02 a degree from 207.5, 0.08 more for each below 195, at most 0.6 on the hot side.
        $moved = static function (string $material, float $nozzleC, string $surface = 'pei_textured'): array {
            $candidate = self::rank(self::job($material, ['nozzleC' => $nozzleC]), [self::side($surface)], ['pva_stick'])->candidates[0];
            $nozzle = array_values(array_filter($candidate->moved->all(), static fn ($each): bool => 'nozzle' === $each->id))[0] ?? null;

            return [$nozzle->onHold ?? 0.0, $nozzle->onRelease ?? 0.0];
        };
        self::assertEqualsWithDelta([-0.02 * 17.5 - 0.08 * 5, 0.0], $moved('pla', 190), 1e-9);
        self::assertEqualsWithDelta([-0.02 * 12.5, 0.0], $moved('pla', 195), 1e-9);
        self::assertEqualsWithDelta([0.2, -0.2], $moved('pla', 217.5), 1e-9);
        self::assertEqualsWithDelta([0.6, -0.6], $moved('pla', 250), 1e-9);
        self::assertEqualsWithDelta([0.0, 0.0], $moved('pla', 207.6), 1e-9);
        // What bonds for good lets go less, twice over: PETG at 240 ± 10.
        self::assertEqualsWithDelta([0.2, -0.4], $moved('petg', 250, 'pei_smooth'), 1e-9);
    }

    public function testTheGapMovesGripByTheEndsOfItsWindow(): void
    {
        // Note paper: 0.05 to 0.16 about 0.1 mm; by hand half a step at the wide end, 0.8 at the near one, 25 a millimetre beyond.
        $moved = static function (float $gapMm): array {
            $candidate = self::rank(self::job('pla', ['gapMm' => $gapMm]), [self::side('pei_textured')])->candidates[0];
            $gap = array_values(array_filter($candidate->moved->all(), static fn ($each): bool => 'gap' === $each->id))[0] ?? null;

            return [$gap->onHold ?? 0.0, $gap->onRelease ?? 0.0];
        };
        self::assertEqualsWithDelta([0.0, 0.0], $moved(0.1), 1e-9);
        self::assertEqualsWithDelta([-0.5, 0.0], $moved(0.16), 1e-9);
        self::assertEqualsWithDelta([-0.5 - 25 * 0.04, 0.0], $moved(0.2), 1e-9);
        self::assertEqualsWithDelta([0.3 * 0.8, -0.8], $moved(0.05), 1e-9);
        self::assertEqualsWithDelta([0.3 * (0.8 + 25 * 0.02), -0.8 - 25 * 0.02], $moved(0.03), 1e-9);
    }
}
