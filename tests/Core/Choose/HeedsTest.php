<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Choose\Candidate;
use Sitzplatz\Choose\PartFacts;
use Sitzplatz\Choose\ProbeKind;

/** What a technician is told to see to before printing; common practice (trade notes, sections 3, 5, 6 and 18). */
final class HeedsTest extends TestCase
{
    use BuildsJobs;

    public function testTheOffsetFollowsTheKindOfProbe(): void
    {
        $pad = self::side('strong_pad', 'P7');
        $now = self::side('bare_spring_steel', 'P2');
        $above = ($pad->aboveMetalMm() ?? 0) - ($now->aboveMetalMm() ?? 0);
        self::assertGreaterThan(0.2, $above, 'The pad of practice is 0.3 mm thick and no metal.');
        $heeds = static fn (ProbeKind $probe): string => self::heeds(self::rank(self::job('pla', ['printer' => self::printer(['maxBedC' => null, 'probe' => $probe, 'probeRangeMm' => 8.0]), 'roomC' => 19.0, 'lyingThere' => $now]), [$pad]));
        self::assertStringContainsString(\sprintf('by hand by %+.2f mm against P2 front', $above), $heeds(ProbeKind::Inductive));
        self::assertStringContainsString('follows the new plate by itself', $heeds(ProbeKind::Touch));
        self::assertStringContainsString('Set the gap again with the feeler you always use. It is', $heeds(ProbeKind::ByHand));
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
        self::assertStringContainsString('looks for a mark, and P1 has none', self::heeds(self::rank(self::job('pla', $looks), [self::side('pei_textured', marked: false)])));
        self::assertStringNotContainsString('mark', self::heeds(self::rank(self::job('pla', $looks), [self::side('pei_textured')])));
        self::assertStringContainsString('misread the pattern', self::heeds(self::rank(self::job('pla', $looks), [self::side('patterned_film')])));
        self::assertStringContainsString('Pick the plate type "Rough" in the slicer before slicing.', self::heeds(self::rank(self::job('pla'), [self::side('pei_textured', slicerType: 'Rough')])));
    }

    public function testCleaningAndLimits(): void
    {
        self::assertStringContainsString('alcohol of at most 70 %', self::heeds(self::rank(self::job('pla'), [self::side('adhesive_sheet')])));
        self::assertStringContainsString('No alcohol on this surface: soap only.', self::heeds(self::rank(self::job('pla'), [self::side('low_temp_matte')])));
        self::assertStringContainsString('Keep the nozzle at 270 °C or less in the first layer.', self::heeds(self::rank(self::job('pa', ['nozzleC' => 265.0]), [self::side('carbon_laminate')], ['pva_stick'])));
        self::assertStringContainsString('no faster than 100 mm/s', self::heeds(self::rank(self::job('pla', ['printer' => self::printer(['plateHoldsToMmS' => 100.0])]), [self::side('glass')], ['pva_stick'])));
    }

    public function testWhatWeldsWantsAWiderGap(): void
    {
        self::assertMatchesRegularExpression('/First-layer gap: .*card/', self::heeds(self::rank(self::job('abs'), [self::side('adhesive_sheet')])));
        self::assertMatchesRegularExpression('/First-layer gap: .*paper/', self::heeds(self::rank(self::job('pla'), [self::side('adhesive_sheet')])));
    }

    public function testCautionsStandWhereTheyApply(): void
    {
        $abs = self::rank(self::job('abs'), [self::side('glass')], ['spray_film', 'abs_acetone']);
        self::assertContains('This material gives off fumes: ventilate or filter.', $abs->candidates[0]->cautions());
        foreach (['spray_film', 'abs_acetone'] as $agent) {
            self::assertMatchesRegularExpression('/lammable/', implode(' ', self::find($abs, 'glass', $agent)?->cautions() ?? []), $agent);
        }
        self::assertSame([], array_values(array_filter(self::rank(self::job('pla'), [self::side('pei_textured')])->candidates[0]->cautions(), static fn (string $c): bool => str_contains($c, 'fumes'))));
    }

    public function testTheJobItself(): void
    {
        self::assertSame([], self::job('pla')->notes());
        $wet = self::job('pa', ['driedDaysAgo' => 30])->notes();
        self::assertStringContainsString('dried 30 days ago', $wet[0]);
        // Practice: nylon 12 h at 80 °C.
        self::assertStringContainsString('12 h at 80 °C', $wet[0]);
        self::assertSame([], self::job('pa', ['driedDaysAgo' => 0])->notes());
        self::assertStringContainsString('A cold room, 15 °C', self::job('pla', ['roomC' => 15.0])->notes()[0]);
        $tall = new PartFacts(100, 40, 10, 10, 80);
        self::assertStringContainsString('a tall part is shaken', self::job('pla', ['part' => $tall, 'printer' => self::printer(['bedMoves' => true])])->notes()[0]);
        self::assertSame([], self::job('pla', ['part' => $tall])->notes());
    }

    public function testAnOpenPrinterIsToldOfWhereTheMaterialWantsABox(): void
    {
        $open = ['printer' => self::printer(['enclosed' => false])];
        self::assertStringContainsString('wants an enclosure, and North bay has none', implode(' ', self::rank(self::job('abs', $open), [self::side('pei_smooth')])->candidates[0]->reasons()));
        self::assertStringNotContainsString('enclosure', implode(' ', self::rank(self::job('abs'), [self::side('pei_smooth')])->candidates[0]->reasons()));
    }

    private static function heeds(\Sitzplatz\Choose\Ranking $ranking): string
    {
        self::assertNotSame([], $ranking->candidates, implode(' ', array_map(static fn ($r): string => $r->reason, $ranking->rejections)));

        return implode(' ', array_merge(...array_map(static fn (Candidate $c): array => $c->heeds(), $ranking->candidates)));
    }
}
