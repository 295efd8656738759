<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Request\HoldDown;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Request\MeasuredSurface;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Tests\Core\Words\Said;

/** Where on its window a setup is run. Windows and the five degrees of a cold room are common practice. */
final class TargetTest extends TestCase
{
    use BuildsJobs;

    public function testAColdRoomAddsFiveDegreesButStaysInTheWindowAndBelowStops(): void
    {
        // PLA on textured PEI: window 50 to 65, target 55.
        self::assertEqualsWithDelta(55, self::onTexture(['roomC' => 18.0])->target->at ?? 0, 1e-9);
        $cold = self::onTexture(['roomC' => 14.0]);
        self::assertEqualsWithDelta(60, $cold->target->at ?? 0, 1e-9);
        self::assertStringContainsString('target.cold_room room=14 more=5 usual=55', implode(' ', Said::all($cold->reasons())));
        $limited = self::onTexture(['roomC' => 14.0], self::side('pei_textured', ownLimitC: 57.0));
        self::assertEqualsWithDelta(57, $limited->target->at ?? 0, 1e-9);
        $narrow = self::find(
            self::rank(self::job('pla', ['roomC' => 14.0]), [self::side('polyester_high_hold')], ['pva_stick']),
            'polyester_high_hold',
            'pva_stick',
        );
        self::assertEqualsWithDelta(45, $narrow?->target->at, 1e-9, 'Window 32 to 48: 40 and five.');
    }

    /** The adhesive grips from 55 °C on: PLA, wanted at 60 on smooth PEI, is warm enough for it anyway; on a sheet wanted at 40 it is what decides. */
    public function testAnAgentThatGripsLaterSaysSoOnlyWhereItDecides(): void
    {
        $seen = [];
        foreach (self::catalogue()->materials as $material) {
            foreach ($material->filament ? self::catalogue()->surfaces : [] as $surface) {
                $candidate = self::find(self::rank(self::job($material->id), [self::side($surface->id)], ['polymer_adhesive']), $surface->id, 'polymer_adhesive');
                if (null === $candidate?->target->at) {
                    continue;
                }
                $usual = $candidate->pairing->window->target;
                $said = str_contains(implode(' ', Said::all($candidate->target->reasons)), 'target.agent_grips');
                self::assertSame($candidate->target->at > $usual + 0.5, $said, "$material->id on $surface->id");
                $seen[(int) $said] = true;
            }
        }
        self::assertNotSame([], $seen);
    }

    public function testALimitThatBitesLowersTheTargetAndSaysSo(): void
    {
        // Magnets are limited where the display is, a plate where the surface is.
        $magnet = self::onTexture(['printer' => self::printer(['magnetLimitC' => 54.0])], self::side('pei_textured', heldBy: HoldDown::Magnet));
        self::assertEqualsWithDelta(54, $magnet->target->displayC, 0);
        self::assertLessThan(54, $magnet->target->at);
        self::assertGreaterThan(52, $magnet->target->at);
        self::assertStringContainsString('usual=55 stop=(stop.magnet printer=North bay) at=54', implode(' ', Said::all($magnet->reasons())));
        $plate = self::onTexture([], self::side('pei_textured', ownLimitC: 53.0));
        self::assertEqualsWithDelta(53, $plate->target->at ?? 0, 1e-9);
        self::assertGreaterThanOrEqual(53, $plate->target->displayC);
    }

    public function testTheDisplayIsAWholeDegreeThatGivesTheTarget(): void
    {
        foreach (['pei_textured', 'glass', 'thick_composite', 'epoxy_glass'] as $surface) {
            $candidate = self::rank(self::job('pla'), [self::side($surface)], ['pva_stick'])->candidates[0];
            $display = $candidate->target->displayC ?? 0;
            self::assertEqualsWithDelta(round($display), $display, 0);
            self::assertEqualsWithDelta($candidate->target->at, $candidate->proposal->stack?->surfaceAt($display, 20), 0.5, $surface);
        }
    }

    public function testAMeasuredSurfaceBeatsTheSum(): void
    {
        // By hand: 12 K lost at 48 over a room of 20. At the target 55 the top gives off 1.3 to 1.4 times as much, so 15 to 17 K are to be added.
        $side = self::side('pei_textured', measured: new MeasuredSurface(60, 48, 20, '2026-11-03'));
        $display = self::onTexture([], $side)->target->displayC;
        self::assertGreaterThanOrEqual(70, $display);
        self::assertLessThanOrEqual(72, $display);
    }

    public function testWhatSomebodySetsIsTakenAndJudged(): void
    {
        $hot = self::rank(self::job('pla', ['bedC' => 130.0]), [self::side('pei_textured')]);
        self::assertStringContainsString('target.too_hot set=130 stop=(stop.surface side=P1 front) at=120', self::refusal($hot, 'pei_textured'));
        $usual = self::onTexture(['bedC' => 57.0]);
        self::assertTrue($usual->target->byHand);
        self::assertSame([], $usual->target->reasons);
        $below = self::onTexture(['bedC' => 48.0]);
        self::assertStringContainsString('target.below_window set=48 low=50 high=65', implode(' ', Said::all($below->reasons())));
        // About a grade down within five degrees of the window, two beyond: 0.95, 0.7, 0.2.
        self::assertEqualsWithDelta(0.7, self::onTexture(['bedC' => 47.0])->hold->chance, 0.15);
        self::assertEqualsWithDelta(0.2, self::onTexture(['bedC' => 39.0])->hold->chance, 0.15);
        $above = self::onTexture(['bedC' => 85.0]);
        self::assertStringContainsString('target.above_window', implode(' ', Said::all($above->reasons())));
        self::assertSame('strong', $above->hold->grade->value);
        self::assertLessThan(0.2, $above->release->chance);
    }

    public function testWithoutAHeaterTheBedIsTheRoomAndAResinIsExposed(): void
    {
        $tape = self::rank(self::job('pla', ['printer' => self::printer(['maxBedC' => null]), 'roomC' => 18.0]), [self::side('painters_tape')])->candidates[0];
        self::assertNull($tape->target->at);
        self::assertNull($tape->target->displayC);
        self::assertStringContainsString('target.no_heater printer=North bay room=18', implode(' ', Said::all($tape->reasons())));
        $resin = self::rank(
            self::job('resin', ['printer' => self::printer(['filament' => false, 'maxBedC' => null, 'maxNozzleC' => 0.0]), 'lotId' => null]),
            [self::side('resin_sanded')],
        )->candidates[0];
        self::assertEqualsWithDelta($resin->pairing->window->target, $resin->target->at ?? 0, 1e-9);
        self::assertNull($resin->target->displayC);
    }

    /** @param array<string, mixed> $change members of {@see JobRequest} */
    private static function onTexture(array $change, ?SideFacts $side = null): Candidate
    {
        return self::rank(self::job('pla', $change), [$side ?? self::side('pei_textured')])->candidates[0];
    }
}
