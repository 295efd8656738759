<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Choose\AgentFacts;
use Sitzplatz\Choose\Candidate;
use Sitzplatz\Choose\Experience;
use Sitzplatz\Choose\JobRequest;
use Sitzplatz\Choose\OwnRuns;
use Sitzplatz\Choose\PrinterFacts;
use Sitzplatz\Choose\Ranking;
use Sitzplatz\Choose\SetupCheck;
use Sitzplatz\Choose\SideFacts;
use Sitzplatz\Tests\Core\ReadsTheCatalogue;

/** What a seasoned technician answers; every situation is common practice (trade notes, sections 2 to 5 and 16). */
final class SituationsTest extends TestCase
{
    use ReadsTheCatalogue;

    private const AGENTS = ['pva_stick', 'spray_film', 'polymer_adhesive'];

    /** @return iterable<string, array{string, string, ?string, string}> material, surface, agent, words of the refusal */
    public static function refusals(): iterable
    {
        yield 'PETG bonds to smooth PEI' => ['petg', 'pei_smooth', null, 'never bare, only with a barrier'];
        yield 'a thin veil of spray is no barrier' => ['petg', 'pei_smooth', 'spray_film', 'no barrier to rely on'];
        yield 'TPU bonds to smooth PEI' => ['tpu', 'pei_smooth', null, 'never bare, only with a barrier'];
        yield 'PETG pulls chips out of glass' => ['petg', 'glass', null, 'only with a barrier'];
        yield 'PLA tears the high-hold film' => ['pla', 'polyester_high_hold', null, 'only with a barrier'];
        yield 'nylon does not hold on bare glass' => ['pa', 'glass', null, 'known not to hold'];
        yield 'ABS is too hot for the low-temperature plate' => ['abs', 'low_temp_matte', null, 'usually 95 °C; P1 front stands 80 °C'];
        yield 'spray strips the low-temperature coating' => ['pla', 'low_temp_matte', 'spray_film', 'attacks'];
        yield 'nothing is known of ABS on high-hold film' => ['abs', 'polyester_high_hold', 'pva_stick', 'Practice has nothing'];
        yield 'nothing is known of the adhesive on the cool plate' => ['pla', 'low_temp_matte', 'polymer_adhesive', 'Practice has nothing on'];
    }

    #[DataProvider('refusals')]
    public function testRuledOut(string $material, string $surface, ?string $agent, string $words): void
    {
        $ranking = self::rank($material, [self::side('P1', $surface)]);
        foreach ($ranking->rejections as $rejection) {
            if ($rejection->wholeSide || $rejection->proposal->agent?->id === $agent) {
                self::assertStringContainsString($words, $rejection->reason);

                return;
            }
        }
        self::fail('This should have been ruled out.');
    }

    /** @return iterable<string, array{string, string, ?string}> */
    public static function allowed(): iterable
    {
        yield 'PETG on smooth PEI with the stick as barrier' => ['petg', 'pei_smooth', 'pva_stick'];
        yield 'TPU on smooth PEI with the stick as barrier' => ['tpu', 'pei_smooth', 'pva_stick'];
        yield 'PLA on high-hold film with the stick as parting layer' => ['pla', 'polyester_high_hold', 'pva_stick'];
        yield 'PETG on glass with a film' => ['petg', 'glass', 'spray_film'];
        yield 'nylon on laminate bare' => ['pa', 'epoxy_glass', null];
        yield 'ABS on smooth PEI bare' => ['abs', 'pei_smooth', null];
        yield 'PETG on the cool plate without glue' => ['petg', 'low_temp_matte', null];
    }

    #[DataProvider('allowed')]
    public function testLetThrough(string $material, string $surface, ?string $agent): void
    {
        $labels = array_map(static fn (Candidate $c): ?string => $c->proposal->agent?->id, self::rank($material, [self::side('P1', $surface)])->candidates);
        self::assertContains($agent, $labels);
    }

    public function testTheStickOnTexturedPeiForPlaRanksBelowBareWithTheReason(): void
    {
        $candidates = self::rank('pla', [self::side('P1', 'pei_textured')])->candidates;
        $order = array_map(static fn (Candidate $c): string => $c->proposal->agent->id ?? 'bare', $candidates);
        self::assertSame('bare', $order[0]);
        self::assertSame('pva_stick', $order[3]);
        self::assertStringContainsString('levels the texture', implode(' ', $candidates[3]->reasons()));
    }

    public function testNylonTakesTheLaminateFirst(): void
    {
        $candidates = self::rank('pa', [self::side('P1', 'pei_textured'), self::side('P2', 'glass'), self::side('P3', 'epoxy_glass')])->candidates;
        self::assertSame('P3 front, bare', $candidates[0]->label());
    }

    public function testBareComesBeforeConsumablesWhereBothHold(): void
    {
        $candidates = self::rank('abs', [self::side('P1', 'pei_textured')])->candidates;
        self::assertSame('P1 front, bare', $candidates[0]->label());
        self::assertSame(0, $candidates[0]->consumableRank());
    }

    public function testAColdRoomAddsFiveDegreesWithinTheWindow(): void
    {
        $cold = self::rank('pla', [self::side('P1', 'pei_textured')], room: 14)->candidates[0];
        self::assertEqualsWithDelta(60, $cold->target->at ?? 0, 0);
        self::assertStringContainsString('Cold room', implode(' ', $cold->reasons()));
        self::assertEqualsWithDelta(55, self::rank('pla', [self::side('P1', 'pei_textured')], room: 18)->candidates[0]->target->at ?? 0, 0);
        // Not beyond a stop: this plate stands 57 °C.
        $limited = self::rank('pla', [self::side('P1', 'pei_textured', ownLimit: 57)], room: 14)->candidates[0];
        self::assertEqualsWithDelta(57, $limited->target->at ?? 0, 0);
    }

    public function testTwentySmallPartsNeedABetterSetupThanOne(): void
    {
        $one = self::rank('petg', [self::side('P1', 'pei_textured')])->candidates[0];
        $twenty = self::rank('petg', [self::side('P1', 'pei_textured')], parts: 20)->candidates[0];
        self::assertGreaterThan(0.6, $one->chance);
        self::assertLessThan(0.2, $twenty->chance);
        self::assertStringContainsString('20 parts share the plate', implode(' ', $twenty->reasons()));
    }

    public function testLimitsOfPrinterMagnetAndSize(): void
    {
        $weak = new PrinterFacts('p', 'Old', true, 250, 210, 90, 300, true, null);
        self::assertStringContainsString('Old reaches 90 °C', self::rank('abs', [self::side('P1', 'pei_smooth')], printer: $weak)->rejections[0]->reason);
        $magnet = new PrinterFacts('p', 'Bay', true, 250, 210, 120, 300, true, 80);
        self::assertStringContainsString('magnets of Bay stand 80 °C', self::rank('abs', [self::side('P1', 'pei_smooth')], printer: $magnet)->rejections[0]->reason);
        self::assertNotSame([], self::rank('abs', [self::side('P1', 'pei_smooth', magnetic: false)], printer: $magnet)->candidates);
        $cool = new PrinterFacts('p', 'Bay', true, 250, 210, 120, 220, true, null);
        self::assertStringContainsString('needs a nozzle of 230 °C', self::rank('petg', [self::side('P1', 'pei_textured')], printer: $cool)->rejections[0]->reason);
        $resin = new PrinterFacts('p', 'Darkroom', false, 143, 90, null, 0, true, null);
        self::assertStringContainsString('prints resin, not filament', self::rank('pla', [self::side('P1', 'pei_textured')], printer: $resin)->rejections[0]->reason);
        $small = new PrinterFacts('p', 'Small', true, 200, 180, 120, 300, true, null);
        self::assertStringContainsString('the bed of Small takes 200 × 180 mm', self::rank('pla', [self::side('P1', 'pei_textured')], printer: $small)->rejections[0]->reason);
        // A plate may lie either way round.
        $turned = new PrinterFacts('p', 'Turned', true, 210, 250, 120, 300, true, null);
        self::assertNotSame([], self::rank('pla', [self::side('P1', 'pei_textured')], printer: $turned)->candidates);
        $wide = Ranking::of(self::catalogue(), new JobRequest(self::catalogue()->material('pla'), self::printer(), 20, null, 1, 260, 100), [self::side('P1', 'pei_textured')], [], new Experience([]));
        self::assertStringContainsString('The job needs 260 × 100 mm', $wide->rejections[0]->reason);
    }

    public function testWithoutAHeaterTheBedHasTheRoomsTemperature(): void
    {
        $cold = new PrinterFacts('p', 'Cold bed', true, 250, 210, null, 300, false, null);
        self::assertStringContainsString('known not to hold on an unheated bed', self::rank('pla', [self::side('P1', 'pei_smooth')], printer: $cold, room: 18)->rejections[0]->reason);
        $warm = self::rank('pla', [self::side('P1', 'low_temp_matte')], printer: $cold, room: 31)->candidates[0];
        self::assertNull($warm->target->at);
        self::assertStringContainsString('has the room\'s 31 °C', implode(' ', $warm->reasons()));
    }

    public function testOwnRunsMoveTheExpectation(): void
    {
        $side = self::side('P1', 'glass');
        $runs = [new OwnRuns('P1', 'glass', null, 'lot', 60, 8, 2, 4, 4), new OwnRuns('P1', 'glass', null, 'lot', 90, 50, 0, 0, 0)];
        $candidates = Ranking::of(self::catalogue(), new JobRequest(self::catalogue()->material('pla'), self::printer(), 20, 'lot'), [$side], [], new Experience($runs))->candidates;
        // By hand: Beta(7 + 2, 3 + 6), mean 9/18; the runs at 90 °C are another setting.
        self::assertEqualsWithDelta(0.5, $candidates[0]->hold->belief->mean(), 1e-12);
        self::assertStringContainsString("2 of your 8 runs on this side with this lot held: together 50\u{00A0}%", $candidates[0]->reasons()[0]);
        self::assertLessThan(0.5, $candidates[0]->hold->interval()->low);
        // Runs with another lot are merely similar: Beta(7 + 0.6·2, 3 + 0.6·6).
        $similar = Ranking::of(self::catalogue(), new JobRequest(self::catalogue()->material('pla'), self::printer(), 20, 'other'), [$side], [], new Experience($runs))->candidates;
        self::assertEqualsWithDelta(8.2 / 14.8, $similar[0]->hold->belief->mean(), 1e-12);
        self::assertStringContainsString('with another lot held (counted at 0.6)', $similar[0]->reasons()[0]);
    }

    public function testGradesOfPracticeAreWorthTenRuns(): void
    {
        // references: strong Beta(9.5, 0.5), fair (7, 3), poor (2, 8), never (0.5, 9.5)
        $petg = self::rank('petg', [self::side('P1', 'pei_textured')])->candidates;
        $bare = array_values(array_filter($petg, static fn (Candidate $c): bool => null === $c->proposal->agent))[0];
        self::assertEqualsWithDelta(0.95, $bare->hold->belief->mean(), 1e-12);
        self::assertEqualsWithDelta(0.70, $bare->release->belief->mean(), 1e-12);
        self::assertEqualsWithDelta(0.95 * 0.70, $bare->chance, 1e-12);
    }

    public function testCautionsAndEnclosureAreSaid(): void
    {
        $open = new PrinterFacts('p', 'Open', true, 250, 210, 120, 300, false, null);
        $abs = self::rank('abs', [self::side('P1', 'glass')], printer: $open)->candidates;
        self::assertStringContainsString('wants an enclosure', implode(' ', $abs[0]->reasons()));
        self::assertContains('This material gives off fumes: ventilate or filter.', $abs[0]->cautions());
        $spray = array_values(array_filter($abs, static fn (Candidate $c): bool => 'spray_film' === $c->proposal->agent?->id))[0];
        self::assertStringContainsString('Flammable', implode(' ', $spray->cautions()));
    }

    public function testRejectionsOfOneSideAreDrawnTogether(): void
    {
        $small = new PrinterFacts('p', 'Small', true, 200, 180, 120, 300, true, null);
        $drawn = self::rank('pla', [self::side('P1', 'pei_textured')], printer: $small)->rejectionsDrawnTogether();
        self::assertCount(1, $drawn);
        self::assertSame('P1 front', $drawn[0]['label']);
        self::assertSame('P1 front', self::rank('pla', [self::side('P1', 'pei_textured')], printer: $small)->rejections[0]->label(), 'A side that is out is named once.');
    }

    public function testATestMayGoWherePracticeIsSilentButNotWhereItCostsAPlate(): void
    {
        $check = static fn (string $material, string $surface, ?string $agent, ?float $bed): ?string => SetupCheck::refuses(self::catalogue(), new JobRequest(self::catalogue()->material($material), self::printer(), 20), self::side('P1', $surface), $agent, $bed);
        self::assertNull($check('pa', 'glass', null, 90), 'Known not to hold, but nothing breaks.');
        self::assertNull($check('abs', 'polyester_high_hold', null, 60), 'Nothing is known: that is what tests are for.');
        self::assertStringContainsString('only with a barrier', (string) $check('petg', 'pei_smooth', null, 70));
        self::assertStringContainsString('too hot here', (string) $check('pla', 'low_temp_matte', null, 95));
        self::assertStringContainsString('attacks', (string) $check('petg', 'low_temp_matte', 'spray_film', 60));
    }

    /** @param list<SideFacts> $sides */
    private static function rank(string $material, array $sides, ?PrinterFacts $printer = null, float $room = 20, int $parts = 1): Ranking
    {
        $catalogue = self::catalogue();

        return Ranking::of($catalogue, new JobRequest($catalogue->material($material), $printer ?? self::printer(), $room, null, $parts), $sides, array_map(static fn (string $kind): AgentFacts => new AgentFacts($kind, $kind), self::AGENTS), new Experience([]));
    }

    private static function printer(): PrinterFacts
    {
        return new PrinterFacts('p', 'North bay', true, 250, 210, 120, 300, true, 120);
    }

    private static function side(string $number, string $surface, bool $magnetic = true, ?float $ownLimit = null): SideFacts
    {
        return new SideFacts($number, $number, "$number front", $surface, 250, 210, $magnetic, $ownLimit);
    }
}
