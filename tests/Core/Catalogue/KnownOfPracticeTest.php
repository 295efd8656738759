<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Catalogue;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Catalogue\AgentRole;
use Sitzplatz\Catalogue\Basis;
use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Catalogue\Treatment;
use Sitzplatz\Choose\Request\HoldDown;
use Sitzplatz\Tests\Core\Choose\BuildsJobs;
use Sitzplatz\Tests\Core\Words\Said;

/** What practitioners told of single pairs (common practice, trade notes; the sections "Added after a third reading" and 16). */
final class KnownOfPracticeTest extends TestCase
{
    use BuildsJobs;

    private static function treatment(string $material, string $surface, ?string $agent = null): Treatment
    {
        return self::catalogue()->pairing($material, $surface)?->treatment($agent) ?? self::fail("$material on $surface");
    }

    public function testWhatNobodyKnowsIsNoFigure(): void
    {
        // Nobody has found the heat limit of the strong pad, nor of smooth low-temperature plates.
        foreach (['strong_pad', 'low_temp_smooth', 'no_heat_plate'] as $surface) {
            self::assertNull(self::catalogue()->surface($surface)->limitC, $surface);
        }
        $job = self::job('abs');
        $side = self::side('low_temp_smooth');
        $candidate = self::rank($job, [$side])->candidates[0];
        $window = $candidate->pairing->window;
        self::assertLessThanOrEqual($window->high, $candidate->target->at, 'It stays in the window of the pair.');
        self::assertStringContainsString('heed.limit_unknown', implode(' ', Said::all($candidate->heeds(null))));
        // Noted at the sheet, it bites and is asked for no more.
        $noted = self::rank($job, [self::side('low_temp_smooth', ownLimitC: 80.0)])->candidates[0];
        self::assertEqualsWithDelta(80, $noted->target->at, 0.5);
        self::assertStringNotContainsString('heed.limit_unknown', implode(' ', Said::all($noted->heeds(null))));
        $soaked = self::side('low_temp_smooth', soakC: 82.0);
        self::assertEqualsWithDelta(82, $soaked->standsC(self::catalogue()->surface('low_temp_smooth')), 1e-9, 'What it was seen to stand.');
        self::assertNull($side->standsC(self::catalogue()->surface('low_temp_smooth')));
    }

    public function testAbsOnTheSkinIsPrintedAtADisplayOf105(): void
    {
        self::assertEqualsWithDelta(99, self::catalogue()->pairing('abs', 'polymer_skin')?->window->target ?? 0.0, 1e-9);
        // On the thick plate it is cooler on top, and its window lies lower.
        self::assertLessThan(90, self::catalogue()->pairing('abs', 'thick_composite')?->window->target);
        // A display of 93 on glass holds with the stick: 86 to 90 at the surface lie in the window.
        self::assertLessThanOrEqual(86, self::catalogue()->pairing('abs', 'glass')?->window->low);
        $glass = self::side('glass', heldBy: HoldDown::Clips);
        $by93 = self::find(self::rank(self::job('abs', ['bedC' => 93.0]), [$glass], ['pva_stick']), 'glass', 'pva_stick');
        self::assertNotNull($by93);
        self::assertStringNotContainsString('target.below_window', implode(' ', Said::all($by93->target->reasons)));
    }

    public function testSurfacesAreAsPracticeFoundThem(): void
    {
        $carbon = self::catalogue()->surface('carbon_laminate');
        self::assertSame('gloss', $carbon->finish, 'It leaves a smooth underside, no pattern.');
        self::assertStringNotContainsString('edge', implode(' ', Said::all($carbon->cautions)));
        self::assertContains('scouring_pad', self::catalogue()->surface('polyester_engineered')->cleaners);
        self::assertTrue(self::catalogue()->surface('coated_experimental')->bears('alcohol'), 'It lives on as a carrier for spray.');
        self::assertSame(Basis::Practice, self::catalogue()->surface('polyester_high_hold')->basis);
        self::assertTrue(self::catalogue()->surface('no_heat_plate')->worksCold, 'Plates made for no heat are another thing than cooler ones.');
    }

    public function testPairsAreAsPracticeFoundThem(): void
    {
        $tape = self::treatment('pla', 'painters_tape', 'pva_stick');
        self::assertSame(AgentRole::Release, $tape->role, 'It lies on tape because tape holds too well.');
        foreach (['spray_film', 'polymer_adhesive'] as $agent) {
            $second = self::treatment('petg', 'pei_smooth', $agent);
            self::assertFalse($second->barrier, 'Practised by some, and no barrier to rely on.');
        }
        self::assertSame(Grade::Strong, self::treatment('abs', 'pei_smooth', 'spray_film')->hold);
        self::assertSame(AgentRole::Grip, self::treatment('abs', 'ceramic_glass', 'spray_film')->role);
        self::assertSame(AgentRole::Grip, self::treatment('abs', 'ceramic_glass', 'pva_stick')->role);
        foreach (['pla', 'petg'] as $material) {
            self::assertSame(Grade::Strong, self::treatment($material, 'ceramic_glass', 'pva_stick')->holdSmall, 'Hold for small contacts.');
        }
        self::assertSame(Grade::Fair, self::treatment('tpu', 'glass')->holdCold);
        self::assertSame(Grade::Poor, self::treatment('abs', 'carbon_laminate')->hold, 'Bare untried; its makers want the stick.');
        self::assertSame(Basis::MakerGuidance, self::treatment('abs', 'carbon_laminate', 'pva_stick')->basis);
        self::assertSame(Grade::Strong, self::treatment('pla', 'no_heat_plate')->holdCold);
    }

    public function testWhatIsSaidOfColdBedsIsNotSaidOfHeatedOnes(): void
    {
        $notes = static fn (array $printer): string => implode(' ', Said::all(self::rank(
            self::job('pla', ['printer' => self::printer($printer)]),
            [self::side('thick_composite')],
        )->candidates[0]->notes()));
        self::assertStringNotContainsString('Cold it held', $notes([]));
        self::assertStringContainsString('Cold it held with very slight warp.', $notes(['maxBedC' => null]));
    }

    public function testAFamilyHasFromAnotherWhatPracticeHasNotOfItself(): void
    {
        foreach (['pla_silk' => 'pla', 'tpe' => 'tpu', 'pe' => 'pp'] as $own => $like) {
            $seen = 0;
            foreach (self::catalogue()->surfaces as $surface) {
                $of = self::catalogue()->pairing($own, $surface->id);
                $from = self::catalogue()->pairing($like, $surface->id);
                self::assertSame(null === $from, null === $of, "$own on $surface->id");
                if (null !== $of && null !== $from) {
                    self::assertSame(Basis::Memory, $of->basis);
                    self::assertSame(array_keys($from->treatments), array_keys($of->treatments));
                    self::assertSame($from->bonds, $of->bonds);
                    ++$seen;
                }
            }
            self::assertGreaterThan(5, $seen);
        }
        self::assertSame(Grade::Never, self::treatment('pe', 'pei_smooth')->hold, 'It sticks to polyethylene and polypropylene only.');
    }
}
