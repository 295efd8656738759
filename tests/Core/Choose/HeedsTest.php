<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Choose\Expectation\LastGap;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Request\PartFacts;
use Sitzplatz\Choose\Request\ProbeKind;
use Sitzplatz\Tests\Core\Words\Said;

/** What a technician is told to see to before printing; common practice (trade notes, sections 3, 5, 6 and 18). */
final class HeedsTest extends TestCase
{
    use BuildsJobs;

    public function testTheGapIsRememberedAndWhatWeldsStartsHigh(): void
    {
        $last = new LastGap(0.12, 'note paper', '2026-11-03');
        self::assertStringContainsString(
            'heed.last_gap gap=0.12 feeler=note paper day=2026-11-03',
            self::heeds(self::rank(self::job('pla'), [self::side('pei_textured')]), $last),
        );
        $sheet = self::heeds(self::rank(self::job('petg'), [self::side('adhesive_sheet')]));
        self::assertStringContainsString('heed.start_high high=0.35 usual=0.25', $sheet);
        self::assertStringContainsString('heed.last_gap', self::heeds(self::rank(self::job('petg'), [self::side('adhesive_sheet')]), $last), 'What held beats the rule.');
        self::assertStringNotContainsString('heed.start_high', self::heeds(self::rank(self::job('pla'), [self::side('pei_textured')])));
    }

    public function testTheLabelOfTheLotStandsBesideWhatIsAdvised(): void
    {
        $said = static fn (array $change): string => implode(' ', Said::all(self::rank(self::job('pla', $change), [self::side('pei_textured')])->candidates[0]->reasons()));
        self::assertStringContainsString('reason.label_bed label=62 advised=55 usual=55', $said(['labelBedC' => 62.0]));
        self::assertStringNotContainsString('reason.label_bed', $said([]));
    }

    public function testTheOffsetFollowsTheKindOfProbe(): void
    {
        $pad = self::side('strong_pad', 'P7');
        $now = self::side('bare_spring_steel', 'P2');
        $above = ($pad->aboveMetalMm() ?? 0) - ($now->aboveMetalMm() ?? 0);
        self::assertGreaterThan(0.2, $above, 'The pad of practice is 0.3 mm thick and no metal.');
        $heeds = static fn (ProbeKind $probe): string => self::heeds(self::rank(
            self::job(
                'pla',
                ['printer' => self::printer(['maxBedC' => null, 'probe' => $probe, 'probeRangeMm' => 8.0]), 'roomC' => 19.0, 'lyingThere' => $now],
            ),
            [$pad],
        ));
        self::assertStringContainsString(\sprintf('heed.inductive_raise by=%s plate=P2 front', $above), $heeds(ProbeKind::Inductive));
        self::assertStringContainsString('heed.nozzle_probe', $heeds(ProbeKind::Touch));
        self::assertStringContainsString('heed.touch_probe', $heeds(ProbeKind::Pin));
        self::assertStringContainsString('heed.feeler_thinner', $heeds(ProbeKind::ByHand));
    }

    public function testThePlateThatLiesThereNeedsNothing(): void
    {
        $side = self::side('pei_textured');
        self::assertStringNotContainsString('probe', self::heeds(self::rank(self::job('pla', ['lyingThere' => $side]), [$side])));
        self::assertStringNotContainsString('probe', self::heeds(self::rank(self::job('pla'), [$side])));
    }

    public function testMarksAndPlateTypes(): void
    {
        $looks = ['printer' => self::printer(['looksForMark' => true])];
        self::assertStringContainsString(
            'heed.no_mark printer=North bay plate=P1',
            self::heeds(self::rank(self::job('pla', $looks), [self::side('pei_textured', marked: false)])),
        );
        self::assertStringNotContainsString('mark', self::heeds(self::rank(self::job('pla', $looks), [self::side('pei_textured')])));
        self::assertStringContainsString('heed.pattern_as_mark', self::heeds(self::rank(self::job('pla', $looks), [self::side('patterned_film')])));
        self::assertStringContainsString(
            'heed.slicer type=Rough',
            self::heeds(self::rank(self::job('pla'), [self::side('pei_textured', slicerType: 'Rough')])),
        );
    }

    public function testCleaningAndLimits(): void
    {
        self::assertStringContainsString('heed.alcohol_at_most most=0.7', self::heeds(self::rank(self::job('pla'), [self::side('adhesive_sheet')])));
        self::assertStringContainsString('heed.soap_only', self::heeds(self::rank(self::job('pla'), [self::side('low_temp_matte')])));
        self::assertStringContainsString(
            'heed.nozzle limit=270',
            self::heeds(self::rank(self::job('pa', ['nozzleC' => 265.0]), [self::side('carbon_laminate')], ['pva_stick'])),
        );
        self::assertStringContainsString(
            'heed.slow speed=100',
            self::heeds(self::rank(self::job('pla', ['printer' => self::printer(['plateHoldsToMmS' => 100.0])]), [self::side('glass')], ['pva_stick'])),
        );
    }

    public function testWhatWeldsWantsAWiderGap(): void
    {
        self::assertMatchesRegularExpression('/heed.gap gap=.*card/', self::heeds(self::rank(self::job('abs'), [self::side('adhesive_sheet')])));
        self::assertMatchesRegularExpression('/heed.gap gap=.*paper/', self::heeds(self::rank(self::job('pla'), [self::side('adhesive_sheet')])));
    }

    public function testCautionsStandWhereTheyApply(): void
    {
        $abs = self::rank(self::job('abs'), [self::side('glass')], ['spray_film', 'abs_acetone']);
        self::assertContains('caution.fumes', Said::all($abs->candidates[0]->cautions()));
        foreach (['spray_film', 'abs_acetone'] as $agent) {
            self::assertMatchesRegularExpression('/lammable/', implode(' ', Said::all(self::find($abs, 'glass', $agent)?->cautions() ?? [])), $agent);
        }
        self::assertSame(
            [],
            array_values(array_filter(
                Said::all(self::rank(self::job('pla'), [self::side('pei_textured')])->candidates[0]->cautions()),
                static fn (string $c): bool => str_contains($c, 'fumes'),
            )),
        );
    }

    public function testTheJobItself(): void
    {
        self::assertSame([], self::job('pla')->notes());
        $wet = self::job('pa', ['driedDaysAgo' => 30])->notes();
        self::assertStringContainsString('job.wet days=30', Said::of($wet[0]));
        // Practice: nylon 12 h at 80 °C.
        self::assertStringContainsString('dry=43200 at=80', Said::of($wet[0]));
        self::assertSame([], self::job('pa', ['driedDaysAgo' => 0])->notes());
        self::assertStringContainsString('job.cold_room room=15', Said::of(self::job('pla', ['roomC' => 15.0])->notes()[0]));
        $tall = new PartFacts(100, 40, 10, 10, 80);
        self::assertStringContainsString(
            'job.slings',
            Said::of(self::job('pla', ['part' => $tall, 'printer' => self::printer(['bedMoves' => true])])->notes()[0]),
        );
        self::assertSame([], self::job('pla', ['part' => $tall])->notes());
    }

    public function testAnOpenPrinterIsToldOfWhereTheMaterialWantsABox(): void
    {
        $open = ['printer' => self::printer(['enclosed' => false])];
        self::assertStringContainsString(
            'influence.air_open',
            implode(' ', Said::all(self::rank(self::job('abs', $open), [self::side('pei_smooth')])->candidates[0]->reasons())),
        );
        self::assertStringNotContainsString(
            'influence.air_open',
            implode(' ', Said::all(self::rank(self::job('abs'), [self::side('pei_smooth')])->candidates[0]->reasons())),
        );
    }

    private static function heeds(\Sitzplatz\Choose\Order\Ranking $ranking, ?LastGap $last = null): string
    {
        self::assertNotSame([], $ranking->candidates, implode(' ', array_map(static fn ($r): string => Said::of($r->reason), $ranking->rejections)));

        return implode(' ', array_merge(...array_map(static fn (Candidate $c): array => Said::all($c->heeds($last)), $ranking->candidates)));
    }
}
