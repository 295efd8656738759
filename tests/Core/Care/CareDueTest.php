<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Care;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Care\CareDue;
use Sitzplatz\Care\JarDue;
use Sitzplatz\Choose\Request\SideState;
use Sitzplatz\Evidence\Learned\Lesson;
use Sitzplatz\Tests\Core\ReadsTheCatalogue;
use Sitzplatz\Tests\Core\Words\Said;
use Sitzplatz\Wear\SideHistory;
use Sitzplatz\Wear\Wear;

final class CareDueTest extends TestCase
{
    use ReadsTheCatalogue;

    public function testCareIsDueByPrintsAndByWhatTheCatalogueSaysOfTheAgent(): void
    {
        // Common practice: wash every 5 to 10 prints; how long a coat lasts is told for each agent in the trade notes, section 4.
        $due = static fn (SideHistory $side, ?string $agent = null, bool $own = false): array => Said::all((new CareDue(
            $side,
            null === $agent ? null : ($own ? self::catalogue()->agent($agent)->withOwnCoatPrints(['glass' => 4]) : self::catalogue()->agent($agent)),
            self::catalogue()->surface($own ? 'glass' : 'pei_textured'),
        ))->sentences());
        self::assertSame([], $due(new SideHistory(9, 9)));
        self::assertSame(['care.wash prints=10'], $due(new SideHistory(10, 10)));
        foreach (self::catalogue()->agents as $id => $agent) {
            $coated = static fn (int $prints): SideHistory => new SideHistory(
                20,
                1,
                $prints,
                '2026-11-01T00:00:00+00:00',
                '2026-11-02T00:00:00+00:00',
                (string) $id,
                'ours',
            );
            self::assertSame([], $due($coated($agent->coatPrints - 1), (string) $id));
            self::assertSame([[], ['care.coat_by_own prints=4 lasts=4']], [$due($coated(3), (string) $id, true), $due($coated(4), (string) $id, true)], 'An own test goes before what is usual.');
            self::assertSame(["care.coat prints=$agent->coatPrints lasts=$agent->coatPrints"], $due($coated($agent->coatPrints), (string) $id));
        }
        $washedOff = new SideHistory(20, 1, 30, '2026-11-03T00:00:00+00:00', '2026-11-02T00:00:00+00:00', 'pva_stick', 'ours');
        self::assertNull($washedOff->printsOnCoat, 'A coat that was washed off since is no coat.');
        self::assertSame([], $due($washedOff, 'pva_stick'));
    }

    public function testAGoodCoatIsNotWashedOffAndTapeIsRenewed(): void
    {
        $due = static fn (int $onCoat, string $agent, string $surface = 'pei_textured'): array => Said::all((new CareDue(
            new SideHistory(60, 12, $onCoat, '2026-11-01T00:00:00+00:00', '2026-11-02T00:00:00+00:00', $agent, 'ours'),
            self::catalogue()->agent($agent),
            self::catalogue()->surface($surface),
        ))->sentences());
        // Common practice: the adhesive lasts 30 to 50 prints and comes off with soap; at 11 of 40 a wash would waste it.
        self::assertSame([], $due(11, 'polymer_adhesive'));
        self::assertSame(['care.wash prints=12', 'care.coat prints=40 lasts=40'], $due(40, 'polymer_adhesive'));
        self::assertSame(['care.wash prints=12'], $due(0, 'abs_acetone', 'glass'), 'Soap does that coat no harm.');
        // Painter's tape is renewed, not washed.
        self::assertSame(['care.fresh_layer prints=10'], Said::all((new CareDue(new SideHistory(10, 10), null, self::catalogue()->surface('painters_tape')))->sentences()));
    }

    /** Common practice: a barrier is renewed where it was stood on, after each print, and washed off after 5 to 10; on a pair that does not weld nobody minds. */
    public function testABarrierIsRenewedWhereItWasStoodOn(): void
    {
        $due = static fn (int $onCoat, string $material, string $surface = 'pei_smooth'): array => Said::all((new CareDue(
            new SideHistory(
                60,
                2,
                $onCoat,
                '2026-11-01T00:00:00+00:00',
                '2026-11-02T00:00:00+00:00',
                'pva_stick',
                'ours',
                materialsOnCoat: [$material],
            ),
            self::catalogue()->agent('pva_stick'),
            self::catalogue()->surface($surface),
            catalogue: self::catalogue(),
        ))->sentences());
        self::assertSame([], $due(0, 'petg'), 'New, or touched up.');
        self::assertSame(['care.renew_spots material=PETG'], $due(1, 'petg'));
        self::assertSame([], $due(1, 'pla'));
        self::assertSame([], $due(1, 'petg', 'pei_textured'));
        self::assertSame(['care.coat prints=7 lasts=7', 'care.renew_spots material=PETG'], $due(7, 'petg'));
        $steps = static fn (int $onCoat, bool $barrier): array => array_column((new SideState(coat: self::catalogue()->agent('pva_stick'), printsOnCoat: $onCoat))->steps(
            self::catalogue()->surface('pei_smooth'),
            self::catalogue()->agent('pva_stick'),
            $barrier,
        ), 'id');
        self::assertSame([['renew', 'coated'], ['coated'], ['coated']], [$steps(1, true), $steps(0, true), $steps(1, false)], 'Said on the card too.');
    }

    /** Common practice: 5 to 10 prints; where grease kills the surface the lower end, and a shop's own word goes before both. */
    public function testAWashIsDueBySurfaceAndByHandling(): void
    {
        $due = static fn (int $prints, string $surface, ?int $own = null): bool => Wear::washIsDue($prints, self::catalogue()->surface($surface), $own);
        self::assertSame([false, true], [$due(9, 'pei_textured'), $due(10, 'pei_textured')]);
        self::assertSame([false, true], [$due(4, 'low_temp_matte'), $due(5, 'low_temp_matte')]);
        self::assertSame([true, false], [$due(3, 'pei_textured', 3), $due(19, 'low_temp_matte', 20)]);
        self::assertSame(['care.wash prints=3'], Said::all((new CareDue(new SideHistory(3, 3, washPrints: 3), null, self::catalogue()->surface('pei_textured')))->sentences()));
    }

    /** Trade notes, section 4: ABS in acetone thickens as its solvent leaves, and is thinned back; what is hazardous has its data sheet at hand. */
    public function testJarsAreDueByAgeByDateAndForTheirDataSheet(): void
    {
        $due = static fn (string $agent, ?string $opened, ?string $until = null, string $sheet = 'in the folder'): array => Said::all(
            JarDue::of(self::catalogue()->agent($agent), $opened, $until, $sheet, '2026-12-01'),
        );
        self::assertSame([], $due('abs_acetone', '2026-09-10'));
        self::assertSame(['jar.thickened months=5'], $due('abs_acetone', '2026-06-20'));
        self::assertSame(['jar.spoilt months=2'], $due('pva_thinned', '2026-09-20'));
        self::assertSame([], $due('polymer_adhesive', '2020-01-01'), 'It keeps for years.');
        self::assertSame([[], ['jar.expired day=2026-11-30']], [$due('spray_film', null, '2026-12-01'), $due('spray_film', null, '2026-11-30')]);
        self::assertSame([['jar.data_sheet'], []], [$due('spray_film', null, null, ''), $due('pva_stick', null, null, '')]);
    }

    /** Trade notes, the table of surfaces: an adhesive sheet lasts about three months, mirror glass with its film a year; PEI is worn by prints. */
    public function testASheetIsDueByItsAgeWhereItIsTimeThatTakesIt(): void
    {
        $due = static fn (string $surface, string $laid): array => Said::all((new CareDue(
            new SideHistory(3, 3, laidAt: $laid),
            null,
            self::catalogue()->surface($surface),
            now: '2026-12-01T00:00:00+00:00',
        ))->sentences());
        self::assertSame([[], ['care.past_months months=4 usual=3']], [$due('adhesive_sheet', '2026-09-10T00:00:00+00:00'), $due('adhesive_sheet', '2026-07-20T00:00:00+00:00')]);
        self::assertSame(['care.past_months months=13 usual=12'], $due('mirror_glass', '2025-10-20T00:00:00+00:00'));
        self::assertSame([], $due('pei_textured', '2020-01-01T00:00:00+00:00'));
    }

    public function testWhatStaysUnderThePartIsToldOfEveryAgent(): void
    {
        foreach (self::catalogue()->agents as $agent) {
            self::assertNotNull($agent->underside, $agent->id);
        }
    }

    public function testASheetThatHoldsLessThanItsLikeIsToBeLookedAt(): void
    {
        $worse = Lesson::kept(['kind' => 'sheet', 'names' => ['f'], 'prints' => 33, 'well' => 21, 'without' => 0.82, 'with' => 0.64, 'surely' => 0.95]);
        // By hand: 0.82 of 33 are 27.
        self::assertSame(['care.holds_less well=21 prints=33 expected=27'], Said::all((new CareDue(new SideHistory(9, 9), null, self::catalogue()->surface('pei_textured'), $worse))->sentences()));
        self::assertSame(['kind' => 'sheet', 'names' => ['f'], 'prints' => 33, 'well' => 21, 'without' => 0.82, 'with' => 0.64, 'surely' => 0.95], $worse->toArray());
    }

    public function testWearAndCostComeFromTheCatalogueForEverybody(): void
    {
        $surface = self::catalogue()->surface('pei_textured');
        self::assertFalse(Wear::surfaceMayBeWorn($surface->lifePrints, $surface));
        self::assertTrue(Wear::surfaceMayBeWorn($surface->lifePrints + 1, $surface));
        self::assertEqualsWithDelta(30 / $surface->lifePrints, Wear::ofPlatePerPrint(30.0, $surface), 1e-12);
        self::assertNull(Wear::ofPlatePerPrint(null, $surface));
        $stick = self::catalogue()->agent('pva_stick');
        self::assertEqualsWithDelta(4 / 40 / $stick->coatPrints, Wear::perPrint(0.0, $stick, Wear::ofACoat(4.0, 40), 'glass'), 1e-12);
        $own = $stick->withOwnCoatPrints(['glass' => 4]);
        self::assertEqualsWithDelta([4 / 40 / 4, 4 / 40 / $stick->coatPrints], [Wear::perPrint(0.0, $own, 0.1, 'glass'), Wear::perPrint(0.0, $own, 0.1, 'pei_smooth')], 1e-12, 'By how long it lasted there in own tests, as Care has it.');
        self::assertNull(Wear::ofACoat(4.0, null));
        self::assertEqualsWithDelta(0.2, Wear::perPrint(0.2, null, null, 'glass'), 1e-12, 'Bare it is the plate alone.');
        self::assertNull(Wear::perPrint(0.2, $stick, null, 'glass'), 'Half a cost is none.');
        self::assertNull(Wear::perPrint(null, $stick, 0.1, 'glass'));
    }
}
