<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Keep;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Heat\HeatUse;
use Sitzplatz\Keep\PrintedInMonth;
use Sitzplatz\Keep\ShopReport;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Tests\Core\ReadsTheCatalogue;
use Sitzplatz\Tests\Core\Words\Said;
use Sitzplatz\Wear\Wear;

final class ShopReportTest extends TestCase
{
    use ReadsTheCatalogue;

    public function testPrintsAreSummedByMonthMaterialAndEnd(): void
    {
        $report = ShopReport::of([
            self::printed('2026-11', 'pla', 8, cost: 0.8),
            self::printed('2026-10', 'pla', 5, cost: 0.5),
            self::printed('2026-11', 'petg', 2, Outcome::CameOff, false, 40.0, cost: 0.4),
            self::printed('2026-11', 'petg', 1, Outcome::Held, false, 60.0, 1, cost: 0.2),
        ]);
        self::assertSame([16, 13, 1], [$report->all->prints, $report->all->cameTrue, $report->all->damaged]);
        // By hand: 13 prints of 60 min each, and 2·40 + 60 of what did not come true.
        self::assertEqualsWithDelta([13 * 60 + 140, 140.0, 1.9, 1.9 / 16, 13 / 16], [$report->all->minutes, $report->all->lostMinutes, $report->all->cost, $report->all->costPerPrint(), $report->all->share()], 1e-9);
        self::assertSame(['2026-10', '2026-11'], array_keys($report->months));
        self::assertSame(['pla', 'petg'], array_keys($report->materials), 'The most printed first.');
        self::assertSame(['held' => 14, 'lifted' => 0, 'came_off' => 2, 'plate_shifted' => 0], $report->ends);
        self::assertSame('report.in_short prints=16 came=13 share=0.8125 lost=8400', Said::of($report->sentence()));
    }

    public function testEnergyIsSummedOverThoseOfWhichItIsKnown(): void
    {
        // By hand: 40 Wh to warm up and 60 W for three hours are 220 Wh.
        self::assertEqualsWithDelta(220.0, (new HeatUse(40.0, 60.0))->energyWh(180.0), 1e-12);
        $known = new PrintedInMonth('2026-11', 'pla', 's', Outcome::Held, true, 8, 480.0, 0, null, 6 * 220.0, 6);
        $report = ShopReport::of([$known, self::printed('2026-11', 'abs', 2)]);
        self::assertEqualsWithDelta([1320.0, 220.0], [$report->all->energyWh, $report->all->energyWhPerPrint()], 1e-9);
        self::assertSame('report.energy kwh=1.32 known=6 prints=10', Said::of($report->energy()));
        self::assertNull($report->materials['abs']->energyWhPerPrint());
        self::assertNull(ShopReport::of([self::printed('2026-11', 'abs', 2)])->energy());
    }

    public function testAPriceThatIsMissingIsNoPriceOfNought(): void
    {
        $report = ShopReport::of([self::printed('2026-11', 'pla', 8, cost: 0.8), self::printed('2026-11', 'abs', 1, cost: null)]);
        self::assertNull($report->all->cost);
        self::assertNull($report->all->costPerPrint());
        self::assertEqualsWithDelta(0.1, $report->materials['pla']->costPerPrint(), 1e-12);
        $none = ShopReport::of([]);
        self::assertSame(['report.nothing', null], [$none->sentence()->key, $none->all->share()]);
    }

    public function testASheetNearTheEndOfItsLifeIsToBeBought(): void
    {
        $surface = self::catalogue()->surface('pei_smooth');
        self::assertFalse(Wear::nearlyWorn((int) (0.9 * $surface->lifePrints) - 1, $surface));
        self::assertTrue(Wear::nearlyWorn((int) ceil(0.9 * $surface->lifePrints), $surface));
    }

    private static function printed(string $month, string $material, int $prints, Outcome $outcome = Outcome::Held, bool $cameTrue = true, ?float $each = 60.0, int $damaged = 0, ?float $cost = 0.0): PrintedInMonth
    {
        return new PrintedInMonth($month, $material, 's', $outcome, $cameTrue, $prints, $prints * (float) $each, $damaged, $cost);
    }
}
