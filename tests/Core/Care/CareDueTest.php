<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Care;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Care\CareDue;
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
