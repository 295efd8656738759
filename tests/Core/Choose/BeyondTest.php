<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Choose\Expectation\Experience;
use Sitzplatz\Choose\Expectation\ProvenSeat;
use Sitzplatz\Choose\Order\Brackets;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Order\FirstTest;
use Sitzplatz\Choose\Order\Lacking;
use Sitzplatz\Choose\Order\OneLimit;
use Sitzplatz\Choose\Order\Ranking;
use Sitzplatz\Choose\Request\AgentFacts;
use Sitzplatz\Choose\Request\HoldDown;
use Sitzplatz\Choose\Request\JobOnPrinter;
use Sitzplatz\Tests\Core\Words\Said;

/** Any printer, what alone stands in the way, and what the shop lacks. */
final class BeyondTest extends TestCase
{
    use BuildsJobs;

    public function testOverSeveralPrintersEachIsReckonedForItself(): void
    {
        $weak = self::printer(['id' => 'weak', 'name' => 'South bay', 'maxBedC' => 60.0]);
        $jobs = [
            new JobOnPrinter(self::job('abs'), [self::side('pei_smooth', 'P1')]),
            new JobOnPrinter(self::job('abs', ['printer' => $weak]), [self::side('pei_smooth', 'P2')]),
            new JobOnPrinter(self::job('abs', ['printer' => self::printer(['id' => 'slow', 'heaterW' => 40.0])]), [self::side('pei_smooth', 'P1')]),
        ];
        $ranking = Ranking::over(self::catalogue(), $jobs, [], new Experience([]));
        self::assertSame(['p', 'slow'], array_map(static fn (Candidate $c): string => $c->proposal->job->printer->id, $ranking->candidates));
        self::assertSame('P2', $ranking->rejections[0]->proposal->side->id);
        // The same plate takes longer to warm on the weaker heater: no sum is shared between printers.
        [$fast, $slow] = array_map(static fn (Candidate $c) => $ranking->heat->of($c->proposal), $ranking->candidates);
        self::assertTrue(null === $slow?->warmSeconds() || $slow->warmSeconds() > $fast?->warmSeconds());
        // One at a time it is as in a ranking of its own.
        $alone = Ranking::of(self::catalogue(), $jobs[0]->job, $jobs[0]->sides, [], new Experience([]));
        self::assertEqualsWithDelta($alone->candidates[0]->chance, $ranking->candidates[0]->chance, 1e-12);
        self::assertSame([], Ranking::over(self::catalogue(), [], [], new Experience([]))->candidates);
    }

    public function testAProfileVouchesForItsOwnPrinterOnly(): void
    {
        $jobs = array_map(
            static fn (string $id): JobOnPrinter => new JobOnPrinter(self::job('pla', ['printer' => self::printer(['id' => $id])]), [self::side('pei_smooth', 'P3')]),
            ['north', 'south'],
        );
        $ranking = Ranking::over(self::catalogue(), $jobs, [], new Experience([], [new ProvenSeat('P3', null, 63.0, printerId: 'south')]));
        $proven = array_column(array_map(static fn (Candidate $c): array => [$c->proposal->job->printer->id, $c->proven], $ranking->candidates), 1, 0);
        self::assertSame(['south' => true, 'north' => false], $proven);
    }

    public function testAPlateIsNotCarriedToAnotherPrinterWhereItsOwnWillDo(): void
    {
        self::assertTrue(JobOnPrinter::liesThere(null, 'north'));
        self::assertTrue(JobOnPrinter::liesThere('north', 'north'));
        self::assertFalse(JobOnPrinter::liesThere('south', 'north'));
    }

    public function testWhatAloneStandsInTheWayIsNamed(): void
    {
        $job = self::job('abs', ['printer' => self::printer(['magnetLimitC' => 80.0, 'usualPlateMm' => 0.7, 'zTravelBelowMm' => 1.0])]);
        $sides = [
            self::side('pei_smooth', 'P1', heldBy: HoldDown::Magnet),
            self::side('pei_textured', 'P2', heldBy: HoldDown::Magnet),
            // Two things stand in the way of this one, and practice in that of the next.
            self::side('glass', 'P3', heldBy: HoldDown::Magnet, layers: self::layers([['borosilicate_glass', 4.0]])),
            self::side('pp_sheet', 'P4', heldBy: HoldDown::Magnet),
        ];
        $ranking = self::rank($job, $sides, ['pva_stick']);
        self::assertSame([], $ranking->candidates);
        $limits = OneLimit::among($ranking->rejections, self::catalogue(), [new AgentFacts('pva_stick', 'Stick')]);
        self::assertCount(1, $limits);
        self::assertSame(['P1 front', 'P2 front'], $limits[0]->sides);
        self::assertStringContainsString('stop.magnet printer=North bay', Said::of($limits[0]->reason));
        // With the limit lifted they are ranked.
        self::assertNotSame([], self::rank(self::job('abs', ['printer' => self::printer(['magnetLimitC' => 120.0])]), $sides)->candidates);
    }

    public function testWhatTheShopLacksIsFoundWithTheBestItWouldMake(): void
    {
        // Nylon on glass alone: what practice prints it on is bought.
        $on = new JobOnPrinter(self::job('pa'), [self::side('glass', 'P6')]);
        $agents = [new AgentFacts('spray_film', 'Spray')];
        $best = Ranking::of(self::catalogue(), $on->job, $on->sides, $agents, new Experience([]))->candidates[0] ?? null;
        $lacking = Lacking::of(self::catalogue(), [$on], $agents, new Experience([]), $best);
        self::assertNotSame([], $lacking);
        foreach ($lacking as $each) {
            self::assertNotSame('glass', $each->surface?->id);
            self::assertNotSame('spray_film', $each->agent?->id);
            self::assertTrue((null === $each->surface) !== (null === $each->agent), 'One thing is bought, not two.');
            self::assertGreaterThanOrEqual(0.5, $each->candidate->chance);
            self::assertTrue(null === $best || Brackets::better($each->candidate, $best));
        }
        // As good as what is there already is no reason to buy.
        $good = new JobOnPrinter(self::job('pla'), [self::side('pei_textured', 'P1')]);
        $run = RunsMade::of('P1', 'pei_textured', null, 56, 30, 30, 30, 30);
        $known = RunsMade::experience(self::catalogue(), $good->job, [$run]);
        $proven = Ranking::of(self::catalogue(), $good->job, $good->sides, [], $known)->candidates[0];
        self::assertSame([], Lacking::of(self::catalogue(), [$good], [], $known, $proven));
    }

    /** What rests on a chart alone is tried first, on the surface that is asked for or on any. */
    public function testWhatNobodyTriedIsWhatIsTriedFirst(): void
    {
        $ranking = self::rank(self::job('tpu'), [self::side('carbon_laminate'), self::side('pei_textured', 'P2')], ['pva_stick']);
        $surfaces = static fn (?FirstTest $test): array => array_values(array_unique(array_map(static fn ($each): string => $each->proposal->surface->id, $test->setups ?? [])));
        self::assertSame(['carbon_laminate'], $surfaces(FirstTest::of($ranking, null)), 'Of the other one practice speaks.');
        self::assertSame(['carbon_laminate'], $surfaces(FirstTest::of($ranking, 'carbon_laminate')));
        self::assertNull(FirstTest::of($ranking, 'pei_textured'));
    }

    /** A shop without anything is told the five surfaces on which it is likelier to go well than wrong, the likeliest first. */
    public function testAShopWithoutAnythingIsToldTheBestOfEachKind(): void
    {
        $seen = 0;
        foreach (self::catalogue()->materials as $material) {
            $job = self::job($material->id);
            if (!$material->filament) {
                continue;
            }
            $best = [];
            foreach (self::catalogue()->surfaces as $surface) {
                foreach (null === self::catalogue()->pairing($material->id, $surface->id) ? [] : self::rank($job, [self::side($surface->id)])->candidates as $candidate) {
                    $best[$surface->id] = max($best[$surface->id] ?? 0.0, $candidate->chance);
                }
            }
            $best = array_filter($best, static fn (float $chance): bool => $chance >= 0.5);
            arsort($best);
            $told = Lacking::of(self::catalogue(), [new JobOnPrinter($job, [])], [], new Experience([]), null);
            $surfaces = array_filter($told, static fn (Lacking $each): bool => null !== $each->surface);
            self::assertCount(min(5, \count($best)), $surfaces, $material->id);
            self::assertEqualsWithDelta(\array_slice(array_values($best), 0, 5), array_map(static fn (Lacking $each): float => $each->candidate->chance, $told), 0.02, $material->id);
            $seen += \count($told);
        }
        self::assertGreaterThan(20, $seen);
    }

    /** A printer without a magnet is bought a plate for what it has. */
    public function testWhatIsBoughtIsHeldAsThePrinterCanHoldIt(): void
    {
        $held = static fn (HoldDown ...$holds): array => array_values(array_unique(array_map(
            static fn (Lacking $each): string => $each->candidate->proposal->side->heldBy->value,
            array_filter(
                Lacking::of(self::catalogue(), [new JobOnPrinter(self::job('pla', ['printer' => self::printer(['holds' => array_values($holds)])]), [])], [], new Experience([]), null),
                static fn (Lacking $each): bool => null !== $each->surface,
            ),
        )));
        self::assertContains(HoldDown::Magnet->value, $held(), 'As is usual.');
        self::assertSame([HoldDown::Screws->value], $held(HoldDown::Screws));
    }
}
