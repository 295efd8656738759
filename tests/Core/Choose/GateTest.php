<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Choose\Request\HoldDown;
use Sitzplatz\Choose\Request\PrinterFacts;
use Sitzplatz\Choose\Request\ProbeKind;
use Sitzplatz\Choose\Request\SideFacts;

/** Each gate at its edge: what just passes and what just does not (rules of trade notes, section 5: common practice). */
final class GateTest extends TestCase
{
    use BuildsJobs;

    public function testWhatPracticeDoesNotKnowIsNamed(): void
    {
        $bare = $with = [];
        foreach (self::catalogue()->materials as $material) {
            foreach ($material->filament ? self::catalogue()->surfaces : [] as $surface) {
                $ranking = self::rank(self::job($material->id), [self::side($surface->id)], ['pva_stick']);
                $bare[] = self::refusal($ranking, $surface->id);
                $with[] = self::refusal($ranking, $surface->id, 'pva_stick');
            }
        }
        self::assertSame([], preg_grep('/^gate\.unknown_agent/', $bare));
        self::assertNotSame([], preg_grep('/^gate\.unknown_agent agent=/', $with));
        self::assertSame([], preg_grep('/^gate\.unknown_bare/', $with));
    }

    public function testZTravel(): void
    {
        // 2.2 + 0.1 + 2.2 mm of composite instead of a usual plate of 0.7: 3.8 mm more.
        $side = self::side('thick_composite', layers: self::layers([['polymer_composite', 2.2], ['copper', 0.1], ['polymer_composite', 2.2]], true));
        $room = static fn (float $mm): PrinterFacts => self::printer(['zTravelBelowMm' => $mm, 'usualPlateMm' => 0.7]);
        self::assertSame('', self::why('pla', $side, $room(3.8)));
        self::assertStringContainsString('thickness=4.5 more=3.8', self::why('pla', $side, $room(3.7)));
        self::assertSame('', self::why('pla', $side, self::printer(['zTravelBelowMm' => 1.0])), 'What is not known rules nothing out.');
    }

    public function testAProbeSeesSoFar(): void
    {
        // 3 mm of pane above the bed's metal, and the nozzle 1 mm ahead: four in all.
        $side = self::side('glass', layers: self::layers([['borosilicate_glass', 3.0]], true));
        self::assertNull(self::refusedBare($side, 4.0));
        self::assertStringContainsString('gate.probe_range side=P1 front above=3 ', (string) self::refusedBare($side, 3.9));
        self::assertStringContainsString('gate.probe_blind', self::why('pla', self::side('polymer_skin'), self::inductive(12)));
        self::assertSame('', self::why('pla', self::side('polymer_skin'), self::printer(['probe' => ProbeKind::ByHand])));
    }

    public function testAPlateLiesEitherWayRoundAndAJobHasToFitIt(): void
    {
        self::assertSame('', self::why('pla', self::side('pei_textured', widthMm: 210.0, depthMm: 250.0)));
        self::assertStringContainsString(
            'printer=North bay bedWidth=250 bedDepth=210',
            self::why('pla', self::side('pei_textured', widthMm: 255.5, depthMm: 210.0)),
        );
        $wide = self::rank(self::job('pla', ['widthMm' => 205.0, 'depthMm' => 245.0]), [self::side('pei_textured')]);
        self::assertNotSame([], $wide->candidates);
        $wider = self::rank(self::job('pla', ['widthMm' => 212.0, 'depthMm' => 245.0]), [self::side('pei_textured')]);
        self::assertStringContainsString('gate.job_beyond_print_area width=212 depth=245', self::refusal($wider, 'pei_textured'));
    }

    public function testTheNozzleOfTheFirstLayer(): void
    {
        self::assertNotNull(self::find(
            self::rank(self::job('pa', ['nozzleC' => 270.0]), [self::side('carbon_laminate')], ['pva_stick']),
            'carbon_laminate',
            'pva_stick',
        ));
        self::assertStringContainsString(
            'gate.nozzle nozzle=271',
            self::refusal(self::rank(self::job('pa', ['nozzleC' => 271.0]), [self::side('carbon_laminate')], ['pva_stick']), 'carbon_laminate'),
        );
        self::assertStringContainsString('printer=North bay reaches=194', self::why('pla', self::side('pei_textured'), self::printer(['maxNozzleC' => 194.0])));
        self::assertSame('', self::why('pla', self::side('pei_textured'), self::printer(['maxNozzleC' => 195.0])));
    }

    public function testALimitThatLeavesPartOfTheWindowLowersAndOneThatLeavesNothingRefuses(): void
    {
        // ABS on textured PEI holds from 95 on.
        $low = self::catalogue()->pairing('abs', 'pei_textured')->window->low ?? 0.0;
        self::assertSame('', self::why('abs', self::side('pei_textured', ownLimitC: $low)));
        self::assertStringContainsString('stop.surface side=P1 front', self::why('abs', self::side('pei_textured', ownLimitC: $low - 1)));
    }

    public function testASoakTestOnlyEverLiftsALimit(): void
    {
        self::assertEqualsWithDelta(80, self::printer(['magnetLimitC' => 80.0])->magnetStandsC(), 0);
        self::assertEqualsWithDelta(100, self::printer(['magnetLimitC' => 80.0, 'magnetSoakC' => 100.0])->magnetStandsC(), 0);
        self::assertEqualsWithDelta(
            80,
            self::printer(['magnetLimitC' => 80.0, 'magnetSoakC' => 70.0])->magnetStandsC(),
            0,
            'A cooler soak proves nothing against the rating.',
        );
        self::assertNull(self::printer(['magnetLimitC' => null, 'magnetSoakC' => 70.0])->magnetStandsC());
    }

    public function testWhatMagnetsStandMattersOnlyToPlatesTheyHold(): void
    {
        $weak = self::printer(['magnetLimitC' => 80.0]);
        self::assertStringContainsString('stop.magnet', self::why('abs', self::side('pei_smooth', heldBy: HoldDown::Magnet), $weak));
        self::assertSame('', self::why('abs', self::side('pei_smooth', heldBy: HoldDown::Clips), $weak));
    }

    public function testAnAgentThatCannotBeTakenOffAgainIsRefused(): void
    {
        $low = self::rank(self::job('petg'), [self::side('low_temp_matte')], ['spray_film', 'abs_acetone']);
        self::assertStringContainsString('gate.solvent', self::refusal($low, 'low_temp_matte', 'spray_film'));
        self::assertStringContainsString('gate.solvent', self::refusal($low, 'low_temp_matte', 'abs_acetone'));
    }

    public function testEveryOtherThingTheSameABoxIsAsked(): void
    {
        self::assertStringContainsString('gate.enclosure', self::why('pc', self::side('pei_smooth'), self::printer(['enclosed' => false])));
        self::assertStringNotContainsString(
            'gate.enclosure',
            self::why('abs', self::side('pei_smooth'), self::printer(['enclosed' => false])),
            'ABS wants one, PC needs one.',
        );
    }

    private static function refusedBare(SideFacts $side, float $range): ?string
    {
        $ranking = self::rank(self::job('pla', ['printer' => self::inductive($range)]), [$side], ['pva_stick']);

        return null === self::find($ranking, 'glass', 'pva_stick') ? self::refusal($ranking, 'glass', 'pva_stick') : null;
    }

    /** Why this side is out when bare; "" if it is not. */
    private static function why(string $material, SideFacts $side, ?PrinterFacts $printer = null): string
    {
        $ranking = self::rank(self::job($material, null === $printer ? [] : ['printer' => $printer]), [$side]);

        return [] === $ranking->candidates ? self::refusal($ranking, $side->surfaceId) : '';
    }
}
