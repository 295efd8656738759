<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Catalogue\Ladder;
use Sitzplatz\Choose\Detail\Batches;
use Sitzplatz\Choose\Detail\CandidateSums;
use Sitzplatz\Choose\Detail\NextRungs;
use Sitzplatz\Choose\Expectation\OwnRuns;
use Sitzplatz\Choose\Order\Step;
use Sitzplatz\Choose\Request\Finish;
use Sitzplatz\Choose\Request\Foothold;
use Sitzplatz\Choose\Request\FootholdKind;
use Sitzplatz\Choose\Request\HoldDown;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Request\PartFacts;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Choose\Request\SideState;
use Sitzplatz\Choose\Request\Wishes;
use Sitzplatz\Tests\Core\Words\Said;

/**
 * What a seasoned technician answers, situation by situation. Every row is common practice (trade notes, sections 2 to 6,
 * 12, 16 and 19), none is taken from the program.
 */
final class SeasonedTechnicianTest extends TestCase
{
    use BuildsJobs;

    /** @return iterable<string, array{string, string, string, string, 4?: array<string, mixed>}> material, surface, way, words of the refusal, and what is special about the job */
    public static function refused(): iterable
    {
        yield 'PETG on bare smooth PEI without a barrier' => ['petg', 'pei_smooth', 'bare', 'gate.bonds_bare'];
        yield 'TPU on bare smooth PEI' => ['tpu', 'pei_smooth', 'bare', 'gate.bonds_bare'];
        yield 'PETG-CF as PETG' => ['petg_cf', 'pei_smooth', 'bare', 'gate.bonds_bare'];
        yield 'PETG on bare glass' => ['petg', 'glass', 'bare', 'gate.bonds_bare'];
        yield 'PETG on mirror glass without the film' => ['petg', 'mirror_glass', 'bare', 'gate.bonds_bare'];
        yield 'PLA on the high-hold film without glue' => ['pla', 'polyester_high_hold', 'bare', 'gate.bonds_bare'];
        yield 'a veil of spray is no barrier on smooth PEI' => ['petg', 'pei_smooth', 'spray_film', 'gate.bonds_no_barrier'];
        yield 'PP on textured PEI' => ['pp', 'pei_textured', 'bare', 'nothing but polypropylene'];
        yield 'PP on glass' => ['pp', 'glass', 'bare', 'nothing but polypropylene'];
        yield 'PLA on the polypropylene sheet' => ['pla', 'pp_sheet', 'bare', 'takes polypropylene and polyethylene only'];
        yield 'nylon on the adhesive sheet' => ['pa', 'adhesive_sheet', 'bare', 'gate.never_holds'];
        yield 'PP on the adhesive sheet' => ['pp', 'adhesive_sheet', 'bare', 'gate.never_holds'];
        yield 'nylon on bare glass' => ['pa', 'glass', 'bare', 'gate.never_holds'];
        yield 'PLA on polyimide tape' => ['pla', 'polyimide_tape', 'bare', 'gate.never_holds'];
        yield 'ABS in acetone on an adhesive polymer sheet' => [
            'abs',
            'adhesive_sheet',
            'abs_acetone',
            'gate.solvent agent=ABS in acetone solvent=acetone surface=textured adhesive polymer sheet',
        ];
        yield 'ABS in acetone on PEI' => ['abs', 'pei_textured', 'abs_acetone', 'gate.solvent agent=ABS in acetone solvent=acetone'];
        yield 'spray on a coated low-temperature plate' => ['pla', 'low_temp_matte', 'spray_film', 'gate.solvent agent=spray film'];
        yield 'release spray on a resin plate' => ['resin', 'resin_sanded', 'spray_film', 'is a fault', ['resin' => true]];
        yield 'ABS on the low-temperature plate' => ['abs', 'low_temp_matte', 'bare', 'stop=(stop.surface side=P1 front) at=80'];
        yield 'ABS over a magnet rated 80 °C' => ['abs', 'pei_textured', 'bare', 'stop=(stop.magnet printer=North bay) at=80', ['magnet' => 80]];
        yield 'ABS on the flexible magnetic sheet' => ['abs', 'magnet_sheet', 'bare', 'stop=(stop.surface side=P1 front) at=80'];
        yield 'ABS on a bed that reaches 80 °C' => ['abs', 'pei_textured', 'bare', 'stop=(stop.printer printer=North bay) at=80', ['maxBed' => 80]];
        yield 'PEEK with a usual hot end' => ['peek', 'pei_smooth', 'bare', 'nozzle=360'];
        yield 'PEI filament with a usual hot end' => ['pei', 'glass', 'polymer_adhesive', 'nozzle=350'];
        yield 'PEEK with a hot nozzle and a usual bed' => ['peek', 'pei_smooth', 'bare', 'reaches=110', ['nozzle' => 450, 'maxBed' => 110]];
        yield 'PC on an open printer' => ['pc', 'pei_smooth', 'polymer_adhesive', 'gate.enclosure', ['open' => true]];
        yield 'PA-CF too hot for the carbon laminate' => ['pa_cf', 'carbon_laminate', 'pva_stick', 'limit=270', ['firstNozzle' => 285]];
        yield 'an inductive probe on the thin polymer skin' => ['pla', 'polymer_skin', 'bare', 'gate.probe_', ['inductive' => 4]];
        yield 'an inductive probe over 4 mm of glass' => ['pla', 'glass', 'pva_stick', 'gate.probe_', ['inductive' => 4]];
        yield 'a thick composite without room in Z' => ['pla', 'thick_composite', 'bare', 'gate.z_travel', ['zRoom' => 2]];
        yield 'perforated board for an articulated part' => ['abs', 'perforated_board', 'bare', 'gate.raft', ['articulated' => true]];
        yield 'PLA on PEI without heat' => ['pla', 'pei_smooth', 'bare', 'gate.never_cold', ['cold' => true]];
        yield 'PLA on textured PEI without heat' => ['pla', 'pei_textured', 'bare', 'gate.never_cold', ['cold' => true]];
        yield 'PETG on a wiped film without heat' => ['petg', 'glass', 'wiped_film', 'gate.never_cold', ['cold' => true]];
        yield 'ABS on spray without heat' => ['abs', 'glass', 'spray_film', 'gate.never_cold', ['cold' => true]];
        yield 'glass with the engineered adhesive without heat' => ['pla', 'glass', 'polymer_adhesive', 'gate.cold_untested', ['cold' => true]];
        yield 'nothing is known of ABS on high-hold film' => ['abs', 'polyester_high_hold', 'pva_stick', 'gate.unknown_pair'];
        yield 'nothing is known of the adhesive on the cool plate' => ['pla', 'low_temp_matte', 'polymer_adhesive', 'gate.unknown_'];
        yield 'PETG-CF on bare glass' => ['petg_cf', 'glass', 'bare', 'gate.bonds_bare'];
        yield 'TPU on the high-hold film without glue' => ['tpu', 'polyester_high_hold', 'bare', 'gate.bonds_bare'];
        yield 'PP on the matte low-temperature plate' => ['pp', 'low_temp_matte', 'bare', 'gate.never_holds'];
        yield 'PP on smooth PEI' => ['pp', 'pei_smooth', 'bare', 'gate.never_holds'];
        yield 'PC on bare glass' => ['pc', 'glass', 'bare', 'gate.never_holds'];
        yield 'ABS on the polypropylene sheet' => ['abs', 'pp_sheet', 'bare', 'gate.never_holds'];
        yield 'ABS in acetone on smooth PEI' => ['abs', 'pei_smooth', 'abs_acetone', 'gate.solvent'];
        yield 'the primer on a coated plate that bears no alcohol' => ['pp', 'low_temp_matte', 'pp_primer', 'gate.solvent agent=PP primer'];
        yield 'ASA on a bed that reaches 80 °C' => ['asa', 'glass', 'wiped_film', 'stop=(stop.printer', ['maxBed' => 80]];
        yield 'PA-CF over the limit of the laminate with its own range' => ['pa_cf', 'carbon_laminate', 'bare', 'limit=270', ['firstNozzle' => 280]];
        yield 'PC in the open, whatever the plate' => ['pc', 'adhesive_sheet', 'bare', 'gate.enclosure', ['open' => true]];
        yield 'ABS on a wiped film without heat' => ['abs', 'glass', 'wiped_film', 'gate.never_cold', ['cold' => true]];
        yield 'PA on PEI without heat' => ['pa', 'pei_textured', 'pva_stick', 'gate.cold_untested', ['cold' => true]];
        yield 'PLA in a resin printer' => ['pla', 'pei_textured', 'bare', 'gate.prints_resin', ['resin' => true]];
    }

    /** @param array<string, mixed> $special */
    #[DataProvider('refused')]
    public function testRuledOut(string $material, string $surface, string $way, string $words, array $special = []): void
    {
        $ranking = self::rank(self::jobFor($material, $special), [self::sideFor($surface, $special)], 'bare' === $way ? [] : [$way]);
        self::assertNull(self::find($ranking, $surface, $way));
        self::assertStringContainsString($words, self::refusal($ranking, $surface, $way));
    }

    /** @return iterable<string, array{string, list<string>, list<string>, string, string, 5?: array<string, mixed>}> material, surfaces, agents, first surface and way */
    public static function preferred(): iterable
    {
        yield 'PETG on smooth PEI: the stick as barrier' => [
            'petg',
            ['pei_smooth'],
            ['pva_stick', 'spray_film', 'polymer_adhesive'],
            'pei_smooth',
            'pva_stick',
        ];
        yield 'PLA on textured PEI: bare before the stick' => ['pla', ['pei_textured'], ['pva_stick'], 'pei_textured', 'bare'];
        yield 'TPU on textured PEI: the stick lets it go' => ['tpu', ['pei_textured'], ['pva_stick'], 'pei_textured', 'pva_stick'];
        yield 'PP: the polypropylene sheet with its primer' => [
            'pp',
            ['pei_textured', 'glass', 'epoxy_glass', 'pp_sheet'],
            ['pp_primer', 'pva_stick'],
            'pp_sheet',
            'pp_primer',
        ];
        yield 'nylon: the laminate' => ['pa', ['pei_textured', 'glass', 'epoxy_glass', 'low_temp_matte'], ['pva_stick'], 'epoxy_glass', 'bare'];
        yield 'nylon, thin part on hot-grip steel: the stick' => ['pa', ['hot_grip_steel'], ['pva_stick'], 'hot_grip_steel', 'pva_stick', ['thin' => true]];
        yield 'nylon, small contact on laminate: a thin coat' => ['pa', ['epoxy_glass'], ['pva_stick'], 'epoxy_glass', 'pva_stick', ['thin' => true]];
        yield 'nylon: the smooth low-temperature plate before the matte' => ['pa', ['low_temp_matte', 'low_temp_smooth'], [], 'low_temp_smooth', 'bare'];
        yield 'PLA: the matte low-temperature plate before the smooth' => ['pla', ['low_temp_matte', 'low_temp_smooth'], [], 'low_temp_matte', 'bare'];
        yield 'PETG-CF on hot-grip steel: bare' => ['petg_cf', ['hot_grip_steel'], ['pva_stick'], 'hot_grip_steel', 'bare'];
        yield 'PLA, one part on carbon laminate: bare' => ['pla', ['carbon_laminate'], ['pva_stick'], 'carbon_laminate', 'bare'];
        yield 'PLA, a full plate on carbon laminate: the stick' => ['pla', ['carbon_laminate'], ['pva_stick'], 'carbon_laminate', 'pva_stick', ['parts' => 20]];
        yield 'PETG on engineered polyester: the stick' => ['petg', ['polyester_engineered'], ['pva_stick'], 'polyester_engineered', 'pva_stick'];
        yield 'PLA on a patterned film: an agent' => ['pla', ['patterned_film'], ['pva_stick'], 'patterned_film', 'pva_stick'];
        yield 'ABS on aluminium: the wiped film' => ['abs', ['bare_aluminium'], ['wiped_film'], 'bare_aluminium', 'wiped_film'];
        yield 'ABS on polyimide: the solution' => ['abs', ['polyimide_tape'], ['abs_acetone'], 'polyimide_tape', 'abs_acetone'];
        yield 'PC on glass: the engineered adhesive' => ['pc', ['glass'], ['pva_stick', 'polymer_adhesive'], 'glass', 'polymer_adhesive'];
        yield 'PLA without a heater: tape, for PEI is out' => [
            'pla',
            ['pei_smooth', 'painters_tape', 'pei_textured'],
            [],
            'painters_tape',
            'bare',
            ['cold' => true],
        ];
        yield 'PLA without a heater: spray film on glass before the composite' => [
            'pla',
            ['thick_composite', 'glass'],
            ['spray_film'],
            'glass',
            'spray_film',
            ['cold' => true],
        ];
        yield 'PETG without a heater: spray film on glass' => [
            'petg',
            ['strong_pad', 'thick_composite', 'glass'],
            ['spray_film'],
            'glass',
            'spray_film',
            ['cold' => true],
        ];
        yield 'gloss asked for: sprayed glass before texture' => [
            'pla',
            ['pei_textured', 'glass'],
            ['spray_film'],
            'glass',
            'spray_film',
            ['finish' => Finish::Gloss],
        ];
        yield 'gloss asked for: spotless glass, for a stick shows underneath' => [
            'pla',
            ['pei_textured', 'glass'],
            ['pva_stick'],
            'glass',
            'bare',
            ['finish' => Finish::Gloss],
        ];
        yield 'exact height asked for: smooth before texture' => ['pla', ['pei_textured', 'pei_smooth'], [], 'pei_smooth', 'bare', ['exact' => true]];
        yield 'bare first: texture before the surer stick on smooth' => [
            'petg',
            ['pei_textured', 'pei_smooth'],
            ['pva_stick'],
            'pei_textured',
            'bare',
            ['bareFirst' => true],
        ];
        yield 'low energy: the cool plate' => ['petg', ['carbon_laminate', 'low_temp_matte'], [], 'low_temp_matte', 'bare', ['lowEnergy' => true]];
        yield 'PETG on glass: sprayed before the adhesive' => ['petg', ['glass'], ['spray_film', 'polymer_adhesive'], 'glass', 'spray_film'];
        yield 'PLA for a full plate on textured PEI: bare' => ['pla', ['pei_textured'], ['pva_stick', 'spray_film'], 'pei_textured', 'bare', ['parts' => 20]];
        yield 'ABS on the carbon laminate: the stick' => ['abs', ['carbon_laminate'], ['pva_stick'], 'carbon_laminate', 'pva_stick'];
        yield 'ABS on painter\'s tape: the stick' => ['abs', ['painters_tape'], ['pva_stick'], 'painters_tape', 'pva_stick'];
        yield 'ABS: the smooth low-temperature plate before the matte' => ['abs', ['low_temp_matte', 'low_temp_smooth'], [], 'low_temp_smooth', 'bare'];
        yield 'ABS on glass: sprayed before bare' => ['abs', ['glass'], ['spray_film'], 'glass', 'spray_film'];
        yield 'ASA on engineered polyester: the stick' => ['asa', ['polyester_engineered'], ['pva_stick'], 'polyester_engineered', 'pva_stick'];
        yield 'TPU on glass: the stick' => ['tpu', ['glass'], ['pva_stick'], 'glass', 'pva_stick'];
        yield 'nylon on PEI: the adhesive before the stick' => ['pa', ['pei_textured'], ['pva_stick', 'polymer_adhesive'], 'pei_textured', 'polymer_adhesive'];
        yield 'PETG-CF as PETG: the stick on smooth PEI' => ['petg_cf', ['pei_smooth'], ['pva_stick'], 'pei_smooth', 'pva_stick'];
        yield 'PLA on the strong pad is for printers without heat' => ['pla', ['strong_pad', 'pei_textured'], [], 'pei_textured', 'bare'];
        yield 'PLA without a heater: the strong pad holds, the tape lets go better' => [
            'pla',
            ['strong_pad', 'painters_tape'],
            [],
            'painters_tape',
            'bare',
            ['cold' => true],
        ];
        yield 'resin: a sanded plate before glass' => ['resin', ['resin_glass', 'resin_sanded'], [], 'resin_sanded', 'bare', ['resin' => true]];
    }

    /**
     * @param list<string>         $surfaces
     * @param list<string>         $agents
     * @param array<string, mixed> $special
     */
    #[DataProvider('preferred')]
    public function testTakenFirst(string $material, array $surfaces, array $agents, string $surface, string $way, array $special = []): void
    {
        $sides = array_map(static fn (string $each, int $i): SideFacts => self::sideFor($each, $special, 'P'.($i + 1)), $surfaces, array_keys($surfaces));
        $candidates = self::rank(self::jobFor($material, $special), $sides, $agents)->candidates;
        self::assertNotSame([], $candidates);
        self::assertSame([$surface, $way], [$candidates[0]->proposal->surface->id, $candidates[0]->treatment->agentId ?? 'bare']);
    }

    public function testTheStickOnTexturedPeiForPlaSaysWhyItIsBelow(): void
    {
        $stick = self::find(self::rank(self::job('pla'), [self::side('pei_textured')], ['pva_stick']), 'pei_textured', 'pva_stick');
        self::assertStringContainsString('levels the texture and takes its grip away', implode(' ', Said::all($stick?->reasons() ?? [])));
    }

    public function testTwentySmallPartsNeedABetterSetupThanOne(): void
    {
        $sides = [self::side('pei_textured', 'P1'), self::side('pei_smooth', 'P2')];
        $one = self::rank(self::job('petg'), $sides, ['pva_stick']);
        $twenty = self::rank(self::job('petg', ['partCount' => 20]), $sides, ['pva_stick']);
        self::assertGreaterThan(0.1 + (self::find($twenty, 'pei_textured')->chance ?? 0), self::find($one, 'pei_textured')->chance ?? 0);
        self::assertGreaterThan(0.1 + (self::find($twenty, 'pei_textured')->chance ?? 0), self::find($twenty, 'pei_smooth', 'pva_stick')->chance ?? 0);
        // By hand: 0.4·ln(20) on log-odds less than for one.
        self::assertEqualsWithDelta(
            0.4 * log(20),
            (self::find($one, 'pei_textured')->hold->prediction->chance->mean ?? 0.0) - (self::find($twenty, 'pei_textured')->hold->prediction->chance->mean ?? 0.0),
            1e-12,
        );
    }

    public function testAThickCompositeRaisesTheSetPointAndTheSoak(): void
    {
        $ranking = self::rank(self::job('pla'), [self::side('thick_composite', 'P1'), self::side('pei_textured', 'P2')]);
        $thick = self::find($ranking, 'thick_composite');
        $thin = self::find($ranking, 'pei_textured');
        self::assertNotNull($thick);
        self::assertNotNull($thin);
        self::assertGreaterThan(($thick->target->at ?? 0) + 5, $thick->target->displayC);
        self::assertLessThan(($thin->target->at ?? 0) + 2.5, $thin->target->displayC);
        self::assertGreaterThan(
            30 + ($ranking->heat->of($thin->proposal)?->heatUp->soakSeconds ?? 0),
            $ranking->heat->of($thick->proposal)?->heatUp->soakSeconds,
        );
    }

    public function testCopperInTheCompositeTriggersAProbeAndALongRangeSeesThroughGlass(): void
    {
        self::assertNotNull(self::find(self::rank(self::job('pla', ['printer' => self::inductive()]), [self::side('thick_composite')]), 'thick_composite'));
        self::assertNotNull(self::find(
            self::rank(self::job('pla', ['printer' => self::inductive(8)]), [self::side('glass')], ['pva_stick']),
            'glass',
            'pva_stick',
        ));
        self::assertNotNull(self::find(self::rank(self::job('pla'), [self::side('polymer_skin')]), 'polymer_skin'), 'A touch probe does not mind.');
    }

    public function testAnOwnSoakTestLiftsTheLimitOfAMagnet(): void
    {
        $rated = self::printer(['magnetLimitC' => 80.0]);
        $soaked = self::printer(['magnetLimitC' => 80.0, 'magnetSoakC' => 110.0]);
        $side = self::side('pei_textured', heldBy: HoldDown::Magnet);
        self::assertNull(self::find(self::rank(self::job('abs', ['printer' => $rated]), [$side]), 'pei_textured'));
        self::assertNotNull(self::find(self::rank(self::job('abs', ['printer' => $soaked]), [$side]), 'pei_textured'));
    }

    public function testPerforatedBoardBringsItsRaft(): void
    {
        $board = self::find(self::rank(self::job('abs'), [self::side('perforated_board')]), 'perforated_board');
        self::assertNotNull($board);
        self::assertSame('foothold.raft', Said::of($board->proposal->foothold()->words()));
        self::assertStringContainsString('heed.raft', implode(' ', Said::all($board->heeds(null))));
    }

    public function testATallBarOfAbsInTheOpenIsFarBelowTheSameInAChamber(): void
    {
        $bar = new PartFacts(1500, 320, 150, 10, 40, 4);
        $hold = static fn (array $printer): float => self::find(
            self::rank(self::job('abs', ['part' => $bar, 'printer' => self::printer($printer)]), [self::side('pei_textured')]),
            'pei_textured',
        )?->hold->chance ?? 0.0;
        self::assertGreaterThanOrEqual(0.15, $hold(['chamberC' => 70.0]) - $hold(['enclosed' => false]));
        self::assertGreaterThan($hold(['enclosed' => false]), $hold(['enclosed' => true]));
        self::assertGreaterThan($hold(['enclosed' => true]), $hold(['chamberC' => 70.0]));
    }

    public function testTheCarbonLaminateFallsSmoothlyWithTheNumberOfParts(): void
    {
        $hold = array_map(static fn (int $n): float => self::find(
            self::rank(self::job('pla', ['partCount' => $n]), [self::side('carbon_laminate')]),
            'carbon_laminate',
        )?->hold->chance ?? 0.0, range(1, 12));
        for ($i = 1; $i < 12; ++$i) {
            self::assertLessThan($hold[$i - 1], $hold[$i]);
            self::assertLessThan(0.2, $hold[$i - 1] - $hold[$i], 'No cliff.');
        }
        self::assertEqualsWithDelta(log(19), self::find(self::rank(self::job('pla'), [self::side('carbon_laminate')]), 'carbon_laminate')?->hold->prediction->chance->mean, 1e-9);
        // A full plate wanted the stick: poor, as far as it is known.
        $full = self::find(self::rank(self::job('pla', ['partCount' => 10]), [self::side('carbon_laminate')]), 'carbon_laminate');
        self::assertEqualsWithDelta(log(0.25), $full?->hold->prediction->chance->mean, 1e-9);
    }

    public function testThirtyBareTenMinuteSuccessesDoNotClearFourHoursOfNylon(): void
    {
        // Common practice: a small square held bare for ten minutes, long thin parts lifted, the stick solved it.
        $ten = [RunsMade::of('P1', 'hot_grip_steel', null, 99, 30, 30, 30, 30, 10.0)];
        $job = ['part' => self::thinBar(), 'foothold' => Foothold::none(), 'minutes' => 240.0];
        $of = static fn (array $change): ?\Sitzplatz\Choose\Order\Candidate => self::find(self::rank(self::job('pa', $change), [self::side('hot_grip_steel')], [], $ten), 'hot_grip_steel');
        $short = $of(['minutes' => 10.0] + $job);
        $long = $of($job);
        self::assertGreaterThan(0.03, ($short->hold->chance ?? 0.0) - ($long->hold->chance ?? 1.0));
        self::assertGreaterThan(($short->hold->prediction->chance->variance ?? 9.0) + 0.05, $long->hold->prediction->chance->variance ?? 0.0, 'Of a long part less is known.');
    }

    public function testUnheatedRunsSpeakForAnUnheatedBedOnly(): void
    {
        $cold = [RunsMade::of('P1', 'painters_tape', null, null, 12, 12, 12, 12)];
        $ranking = self::rank(self::job('pla'), [self::side('painters_tape')], [], $cold);
        self::assertSame(0, self::find($ranking, 'painters_tape')?->hold->runs);
        self::assertSame(12, self::find($ranking, 'painters_tape', off: true)?->hold->runs);
    }

    public function testARunOfManyPartsIsOneRunAndSaysMoreOfFullPlatesThanOneOfOnePart(): void
    {
        $chance = static fn (int $parts, OwnRuns ...$runs): float => self::find(
            self::rank(self::job('pla', ['partCount' => $parts]), [self::side('pei_textured')], [], array_values($runs)),
            'pei_textured',
        )->chance ?? 0.0;
        $of = static fn (int $parts): OwnRuns => RunsMade::of('P1', 'pei_textured', null, 57, 10, 10, 10, 10, null, $parts);
        self::assertGreaterThan($chance(9), $chance(9, $of(9)));
        self::assertGreaterThan($chance(10, $of(9)), $chance(9, $of(9)));
        self::assertGreaterThan($chance(9, $of(1)), $chance(9, $of(9)), 'Ten runs of one part say less of nine.');
    }

    public function testTheAdhesiveHasATemperatureOfItsOwn(): void
    {
        // It grips above 50 to 60 °C and lets go below 50 °C: ABS on PEI comes off at 60 bare, at 50 with the adhesive.
        $ranking = self::rank(self::job('abs'), [self::side('pei_textured')], ['polymer_adhesive']);
        foreach (['bare' => 60.0, 'polymer_adhesive' => 50.0] as $way => $below) {
            $candidate = self::find($ranking, 'pei_textured', $way) ?? self::fail();
            self::assertEqualsWithDelta($below, CandidateSums::of($candidate, $ranking->heat, null)->release->belowC, 1e-9);
        }
        self::assertGreaterThan(
            $ranking->heat->of(self::find($ranking, 'pei_textured')->proposal ?? self::fail())?->stillAirSeconds,
            $ranking->heat->of(self::find($ranking, 'pei_textured', 'polymer_adhesive')->proposal ?? self::fail())?->stillAirSeconds,
        );
        // By hand at 45 °C it does not grip.
        $cool = self::find(self::rank(self::job('pla', ['bedC' => 47.0]), [self::side('pei_textured')], ['polymer_adhesive']), 'pei_textured', 'polymer_adhesive');
        self::assertStringContainsString('influence.agent_cool', implode(' ', Said::all($cool?->reasons() ?? [])));
    }

    public function testADirtyPlateIsWashedFirstAndACoatedOneIsNotBare(): void
    {
        $steps = static fn (SideState $state, ?string $agent = null): string => implode(' ', array_map(
            static fn (Step $step): string => Said::of($step->words),
            (self::find(
                self::rank(self::job('pla'), [self::side('pei_textured', state: $state)], null === $agent ? [] : [$agent]),
                'pei_textured',
                $agent ?? 'bare',
            ) ?? self::fail())->proposal->steps(),
        ));
        self::assertSame('', $steps(new SideState(9)));
        self::assertSame('step.wash prints=24', $steps(new SideState(24)));
        $coated = new SideState(3, coat: self::catalogue()->agent('pva_stick'), printsOnCoat: 3);
        self::assertSame('step.strip agent=PVA stick cleaners=[soap; warm water; alcohol]', $steps($coated));
        self::assertSame('step.coated agent=PVA stick prints=3 lasts=7', $steps($coated, 'pva_stick'));
        self::assertSame('step.strip agent=PVA stick cleaners=[soap; warm water; alcohol] step.coat agent=spray film', $steps($coated, 'spray_film'));
        $spent = new SideState(7, coat: self::catalogue()->agent('pva_stick'), printsOnCoat: 7);
        self::assertSame('step.strip_spent prints=7 cleaners=[soap; warm water; alcohol] step.coat agent=PVA stick', $steps($spent, 'pva_stick'));
        self::assertSame('step.wipe days=20', $steps(new SideState(1, 20.5)));
        // What is washed first holds as well as ever; unwashed it does not.
        $clean = self::find(self::rank(self::job('pla'), [self::side('pei_textured')]), 'pei_textured') ?? self::fail();
        $dirty = self::find(self::rank(self::job('pla'), [self::side('pei_textured', state: new SideState(24))]), 'pei_textured') ?? self::fail();
        self::assertEqualsWithDelta($clean->chance, $dirty->chance, 1e-12);
        self::assertLessThan($clean->hold->chance - 0.05, $dirty->holdWithout($dirty->proposal->steps()[0]));
        $film = self::find(self::rank(self::job('pla'), [self::side('polyester_engineered', state: new SideState(scuffed: false))]), 'polyester_engineered');
        self::assertStringContainsString('step.scuff', Said::of($film?->proposal->steps()[0]->words));
    }

    public function testAFullPlateOfAWeakPairIsSplit(): void
    {
        $job = self::job('pla', ['partCount' => 20, 'minutes' => 400.0]);
        $ranking = self::rank($job, [self::side('carbon_laminate')]);
        $batches = Batches::of($ranking->candidates[0], $ranking->heat) ?? self::fail();
        self::assertSame([1, 20], [$batches->batches[0]->plates, $batches->batches[0]->mostParts]);
        self::assertGreaterThan(1, $batches->better->plates);
        self::assertGreaterThan($batches->batches[0]->goodParts, $batches->better->goodParts);
        self::assertGreaterThan($batches->batches[0]->minutes, $batches->better->minutes, 'Each plate is warmed and cooled.');
        self::assertStringStartsWith('batches.split_timed', Said::of($batches->words()));
        // By hand: one plate is worth its twenty parts times its chance.
        self::assertEqualsWithDelta(20 * $ranking->candidates[0]->chance, $batches->batches[0]->goodParts, 1e-9);
        self::assertNull(Batches::of(self::rank(self::job('pla'), [self::side('pei_textured')])->candidates[0], $ranking->heat));
    }

    public function testTheLadderIsClimbedInTheOrderOfTheShop(): void
    {
        $ranking = self::rank(self::job('pla', ['part' => self::thinBar(), 'foothold' => Foothold::none()]), [self::side('glass'), self::side('pei_textured', 'P2')], ['pva_stick']);
        $bare = self::find($ranking, 'glass') ?? self::fail();
        $rungs = static fn (Ladder $ladder): array => array_map(
            static fn (array $each): string => $each['rung']->value,
            NextRungs::of($bare, $ranking->candidates, $ladder)->rungs,
        );
        self::assertSame(['bare', 'gap_or_heat', 'gap_or_heat', 'foothold', 'agent', 'surface'], $rungs(Ladder::HeatFirst));
        self::assertSame(['bare', 'foothold', 'gap_or_heat', 'gap_or_heat', 'agent', 'surface'], $rungs(Ladder::FootholdFirst));
        $chances = array_map(static fn (array $each): float => $each['chance'], NextRungs::of($bare, $ranking->candidates, Ladder::HeatFirst)->rungs);
        self::assertGreaterThan($chances[0], $chances[1], 'A nearer gap helps what holds poorly.');
        self::assertGreaterThan($chances[0], $chances[3], 'So do ears.');
        // What welds is not squeezed any nearer.
        $petg = self::rank(self::job('petg'), [self::side('pei_smooth')], ['pva_stick']);
        $words = implode(' ', array_map(
            static fn (array $each): string => Said::of($each['words']),
            NextRungs::of($petg->candidates[0], $petg->candidates, Ladder::HeatFirst)->rungs,
        ));
        self::assertStringNotContainsString('rung.nearer', $words);
    }

    public function testAnAdhesiveSheetOnSpringSteelIsFlexedAndPeiOnGlassIsNot(): void
    {
        // Build × release, build × foot: the same surface, another plate under it.
        $steel = [['spring_steel', 0.5], ['acrylic_tape', 0.05], ['pei', 0.15]];
        $glass = [['borosilicate_glass', 4.0], ['acrylic_tape', 0.05], ['pei', 0.15]];
        self::assertLessThan(self::releaseOf('pei_smooth', $steel), self::releaseOf('pei_smooth', $glass));
        $large = new PartFacts(10_000, 400, 141, 100, 20, 4);
        self::assertEqualsWithDelta(self::releaseOf('pei_smooth', $steel), self::releaseOf('pei_smooth', $steel, $large), 1e-12, 'Flexed off, a large foot is no harder.');
        self::assertLessThan(self::releaseOf('pei_smooth', $glass) - 0.1, self::releaseOf('pei_smooth', $glass, $large));
        // Trade notes, section 3: a base of 100 × 100 mm is very hard to remove from ceramic glass.
        self::assertLessThan(0.5, self::releaseOf('ceramic_glass', [['borosilicate_glass', 4.0]], $large));
    }

    public function testEarsHelpThinNylonButTheStickStillWins(): void
    {
        $sides = [self::side('hot_grip_steel')];
        $none = self::job('pa', ['part' => self::thinBar(), 'foothold' => Foothold::none()]);
        $plain = self::find(self::rank($none, $sides, ['pva_stick']), 'hot_grip_steel');
        $ears = self::rank(self::job('pa', ['part' => self::thinBar(), 'foothold' => new Foothold(FootholdKind::Ears, 6)]), $sides, ['pva_stick']);
        self::assertGreaterThan($plain->chance ?? 1, self::find($ears, 'hot_grip_steel')?->chance);
        self::assertSame('pva_stick', $ears->candidates[0]->treatment->agentId);
    }

    /** @param list<array{string, float}> $layers */
    private static function releaseOf(string $surface, array $layers, ?PartFacts $part = null): float
    {
        $ranking = self::rank(self::job('pla', ['part' => $part]), [self::side($surface, layers: self::layers($layers, true))]);

        return self::find($ranking, $surface)?->release->chance ?? 0.0;
    }

    /** @param array<string, mixed> $special */
    private static function jobFor(string $material, array $special): JobRequest
    {
        $printer = [];
        foreach ($special as $what => $value) {
            $printer += match ($what) {
                'magnet' => ['magnetLimitC' => (float) $value],
                'maxBed' => ['maxBedC' => (float) $value],
                'nozzle' => ['maxNozzleC' => (float) $value],
                'open' => ['enclosed' => false],
                'zRoom' => ['zTravelBelowMm' => (float) $value, 'usualPlateMm' => 0.7],
                'cold' => ['maxBedC' => null],
                'resin' => ['filament' => false, 'maxBedC' => null, 'maxNozzleC' => 0.0],
                default => [],
            };
        }

        return self::job($material, [
            'printer' => isset($special['inductive']) ? self::inductive((float) $special['inductive']) : self::printer($printer),
            'roomC' => isset($special['cold']) ? 18.0 : 20.0,
            'partCount' => $special['parts'] ?? 1,
            'foothold' => isset($special['thin']) ? Foothold::none() : null,
            'part' => isset($special['articulated']) ? self::thinBar(true) : (isset($special['thin']) ? self::thinBar() : null),
            'nozzleC' => isset($special['firstNozzle']) ? (float) $special['firstNozzle'] : null,
            'wishes' => new Wishes($special['finish'] ?? null, $special['exact'] ?? false, $special['bareFirst'] ?? false, $special['lowEnergy'] ?? false),
        ]);
    }

    /** @param array<string, mixed> $special */
    private static function sideFor(string $surface, array $special, string $number = 'P1'): SideFacts
    {
        return self::side($surface, $number, heldBy: isset($special['magnet']) ? HoldDown::Magnet : HoldDown::Clips);
    }
}
