<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Choose\Expectation\Experience;
use Sitzplatz\Choose\Gate\Risk;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Order\Ranking;
use Sitzplatz\Choose\Request\AgentFacts;
use Sitzplatz\Choose\Request\HoldDown;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Request\PrinterFacts;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Choose\Window\SetupCheck;
use Sitzplatz\Heat\Layer;
use Sitzplatz\Tests\Core\ReadsTheCatalogue;
use Sitzplatz\Tests\Core\Words\Said;
use Sitzplatz\Words\Sentence;

/** What is let through, what a limit does, and where a test may go; common practice (trade notes, sections 2 to 5 and 16). */
final class SituationsTest extends TestCase
{
    use ReadsTheCatalogue;

    private const AGENTS = ['pva_stick', 'spray_film', 'polymer_adhesive'];

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

    public function testLimitsOfPrinterMagnetAndSize(): void
    {
        $weak = new PrinterFacts('p', 'Old', true, 250, 210, 90, 300, true, null);
        self::assertStringContainsString(
            'stop.printer printer=Old',
            Said::of(self::rank('abs', [self::side('P1', 'pei_smooth')], printer: $weak)->rejections[0]->reason),
        );
        $magnet = new PrinterFacts('p', 'Bay', true, 250, 210, 120, 300, true, 80);
        self::assertStringContainsString(
            'stop.magnet printer=Bay',
            Said::of(self::rank('abs', [self::side('P1', 'pei_smooth')], printer: $magnet)->rejections[0]->reason),
        );
        self::assertNotSame([], self::rank('abs', [self::side('P1', 'pei_smooth', heldBy: HoldDown::Clips)], printer: $magnet)->candidates);
        $cool = new PrinterFacts('p', 'Bay', true, 250, 210, 120, 220, true, null);
        self::assertStringContainsString(
            'gate.nozzle_reaches material=PETG nozzle=230',
            Said::of(self::rank('petg', [self::side('P1', 'pei_textured')], printer: $cool)->rejections[0]->reason),
        );
        $resin = new PrinterFacts('p', 'Darkroom', false, 143, 90, null, 0, true, null);
        self::assertStringContainsString(
            'gate.prints_resin',
            Said::of(self::rank('pla', [self::side('P1', 'pei_textured')], printer: $resin)->rejections[0]->reason),
        );
        $small = new PrinterFacts('p', 'Small', true, 200, 180, 120, 300, true, null);
        self::assertStringContainsString(
            'printer=Small bedWidth=200 bedDepth=180',
            Said::of(self::rank('pla', [self::side('P1', 'pei_textured')], printer: $small)->rejections[0]->reason),
        );
        // A plate may lie either way round.
        $turned = new PrinterFacts('p', 'Turned', true, 210, 250, 120, 300, true, null);
        self::assertNotSame([], self::rank('pla', [self::side('P1', 'pei_textured')], printer: $turned)->candidates);
        $wide = Ranking::of(
            self::catalogue(),
            new JobRequest(self::catalogue()->material('pla'), self::printer(), 20, null, 1, 260, 100),
            [self::side('P1', 'pei_textured')],
            [],
            new Experience([]),
        );
        self::assertStringContainsString('gate.job_beyond_print_area width=260 depth=100', Said::of($wide->rejections[0]->reason));
    }

    public function testGradesOfPracticeAreWhereTheChanceBegins(): void
    {
        // references: strong 0.95, fair 0.7, poor 0.2, never 0.05
        $petg = self::rank('petg', [self::side('P1', 'pei_textured')])->candidates;
        $bare = array_values(array_filter($petg, static fn (Candidate $c): bool => null === $c->proposal->agent))[0];
        self::assertEqualsWithDelta([0.95, 0.7, 0.2, 0.05], array_map(static fn (Grade $each): float => $each->share(), Grade::cases()), 1e-12);
        self::assertEqualsWithDelta([0.95, 0.70], [$bare->hold->prediction->chance->median(), $bare->release->prediction->chance->median()], 1e-12);
        self::assertEqualsWithDelta(0.95 * 0.70, $bare->practiceChance(), 1e-12);
    }

    public function testRejectionsOfOneSideAreDrawnTogether(): void
    {
        $small = new PrinterFacts('p', 'Small', true, 200, 180, 120, 300, true, null);
        $drawn = self::rank('pla', [self::side('P1', 'pei_textured')], printer: $small)->rejectionsDrawnTogether();
        self::assertCount(1, $drawn);
        self::assertSame('P1 front', Said::of($drawn[0]['label']));
        self::assertSame(
            'P1 front',
            Said::of(self::rank('pla', [self::side('P1', 'pei_textured')], printer: $small)->rejections[0]->label()),
            'A side that is out is named once.',
        );
    }

    public function testATestMayGoWherePracticeIsSilentButNotWhereItCostsAPlate(): void
    {
        $check = static fn (string $material, string $surface, ?string $agent, ?float $bed): ?Sentence => SetupCheck::refuses(
            self::catalogue(),
            new JobRequest(self::catalogue()->material($material), self::printer(), 20),
            self::side('P1', $surface),
            $agent,
            $bed,
            $bed,
        );
        self::assertNull($check('pa', 'glass', null, 90), 'Known not to hold, but nothing breaks.');
        self::assertNull($check('abs', 'polyester_high_hold', null, 60), 'Nothing is known: that is what tests are for.');
        self::assertNull($check('petg', 'pei_smooth', null, 70), 'A plate is lost by it: the word of a lead, and no refusal.');
        self::assertStringContainsString('target.too_hot', Said::of($check('pla', 'low_temp_matte', null, 95)));
        self::assertStringContainsString('gate.solvent', Said::of($check('petg', 'low_temp_matte', 'spray_film', 60)));
    }

    /** A reader of practitioners' accounts: whoever has a reason plans what practice rules out; what it costs is said, and glass wants glasses and gloves. */
    public function testWhatIsRuledOutIsARiskAndNeverWhatHarmsAPrinterOrAPerson(): void
    {
        $open = new PrinterFacts('p', 'Bench two', true, 250, 210, 120, 300, false, null);
        $risks = static fn (string $material, SideFacts $side, ?string $agent, ?float $bed, ?PrinterFacts $printer = null): array => SetupCheck::risks(
            self::catalogue(),
            new JobRequest(self::catalogue()->material($material), $printer ?? self::printer(), 20),
            $side,
            $agent,
            $bed,
        );
        $said = static fn (array $risks): array => [
            array_map(static fn (Risk $risk): string => explode(' ', Said::of($risk->reason))[0], $risks),
            array_column(Risk::precautions(array_values($risks)), 'value'),
        ];
        $layers = static fn (float $mm): array => [new Layer(self::catalogue()->layer('soda_lime_glass'), $mm)];
        $glass = static fn (float $mm): SideFacts => new SideFacts('g', 'g', 'G front', 'glass', 250, 210, HoldDown::Clips, null, $layers($mm));
        self::assertSame([['gate.bonds_bare'], ['may_be_lost']], $said($risks('petg', self::side('P1', 'pei_smooth'), null, 70)));
        self::assertSame([['gate.bonds_bare'], ['may_be_lost', 'glasses_gloves']], $said($risks('petg', $glass(4.0), null, 70)));
        self::assertSame([['gate.bonds_bare', 'gate.thin_glass'], ['may_be_lost', 'glasses_gloves']], $said($risks('petg', $glass(1.0), null, 70)));
        self::assertSame([['gate.bonds_bare'], ['may_be_lost', 'glasses_gloves']], $said($risks('petg', $glass(1.0), null, null)), 'Left cold the thin pane stands it.');
        self::assertSame([['gate.enclosure'], ['stay_with_it']], $said($risks('pc', self::side('P1', 'pei_smooth', HoldDown::Clips), null, 105, $open)));
        self::assertSame([[], []], $said($risks('pla', self::side('P1', 'pei_textured'), null, 60)));
        // What nobody lifts is refused and no risk: the heater, the nozzle, the size, the spray on a plate that stays on its printer.
        $never = static fn (PrinterFacts $printer, string $material, SideFacts $side, ?string $agent, float $bed): string => explode(' ', Said::of(SetupCheck::refuses(
            self::catalogue(),
            new JobRequest(self::catalogue()->material($material), $printer, 20),
            $side,
            $agent,
            $bed,
            $bed,
        )))[0];
        self::assertSame('target.too_hot', $never($open, 'abs', self::side('P1', 'thick_composite', HoldDown::Clips), null, 125));
        self::assertSame('gate.nozzle_reaches', $never(new PrinterFacts('p', 'Old', true, 250, 210, 120, 230, true, null), 'pc', self::side('P1', 'pei_smooth', HoldDown::Clips), null, 105));
        self::assertSame('gate.plate_too_large', $never(new PrinterFacts('p', 'Small', true, 120, 120, 120, 300, true, null), 'pla', self::side('P1', 'pei_textured'), null, 60));
        self::assertSame('gate.off_printer', $never($open, 'pla', self::side('P1', 'glass', HoldDown::Glue), 'spray_film', 60));
    }

    /** @param list<SideFacts> $sides */
    private static function rank(string $material, array $sides, ?PrinterFacts $printer = null, float $room = 20, int $parts = 1): Ranking
    {
        $catalogue = self::catalogue();

        return Ranking::of(
            $catalogue,
            new JobRequest($catalogue->material($material), $printer ?? self::printer(), $room, null, $parts),
            $sides,
            array_map(static fn (string $kind): AgentFacts => new AgentFacts($kind, $kind), self::AGENTS),
            new Experience([]),
        );
    }

    private static function printer(): PrinterFacts
    {
        return new PrinterFacts('p', 'North bay', true, 250, 210, 120, 300, true, 120);
    }

    private static function side(string $number, string $surface, HoldDown $heldBy = HoldDown::Magnet, ?float $ownLimit = null): SideFacts
    {
        return new SideFacts($number, $number, "$number front", $surface, 250, 210, $heldBy, $ownLimit);
    }
}
