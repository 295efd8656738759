<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Catalogue\Ladder;
use Sitzplatz\Choose\Detail\Batches;
use Sitzplatz\Choose\Detail\CandidateSums;
use Sitzplatz\Choose\Detail\NextRungs;
use Sitzplatz\Choose\Expectation\OwnPiece;
use Sitzplatz\Choose\Expectation\OwnRuns;
use Sitzplatz\Choose\Expectation\OwnStrength;
use Sitzplatz\Choose\Expectation\ProvenSeat;
use Sitzplatz\Choose\Order\Ranking;
use Sitzplatz\Choose\Request\AgentFacts;
use Sitzplatz\Choose\Request\FileFacts;
use Sitzplatz\Choose\Request\Finish;
use Sitzplatz\Choose\Request\Foothold;
use Sitzplatz\Choose\Request\FootholdKind;
use Sitzplatz\Choose\Request\HoldDown;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Request\MeasuredSurface;
use Sitzplatz\Choose\Request\PartFacts;
use Sitzplatz\Choose\Request\ProbeKind;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Choose\Request\SideState;
use Sitzplatz\Choose\Request\Wishes;
use Sitzplatz\Test\UsualPlan;
use Sitzplatz\Tests\Core\HoldsFigures;

/** The whole answer to jobs of many kinds, on a shelf in many states. */
final class FiguresTest extends TestCase
{
    use BuildsJobs;
    use HoldsFigures;

    private const AGENTS = ['pva_stick', 'pva_thinned', 'spray_film', 'wiped_film', 'polymer_adhesive', 'abs_acetone', 'pp_primer'];

    /** @return iterable<string, array{string, JobRequest}> */
    public static function jobs(): iterable
    {
        $small = new PartFacts(120, 52, 22, 4, 38, 4, 1, 2, [55.4, 117.6, 186.6, 262.4, 345.0, 633.6, 1113.6]);
        $tall = new PartFacts(900, 190, 80, 11, 120, 4, 0);
        $open = self::printer(['enclosed' => false, 'bedMoves' => true, 'magnetLimitC' => 80.0, 'displayReadsHighK' => 3.0, 'plateHoldsToMmS' => 120.0]);
        $chamber = self::printer(['chamberC' => 70.0, 'chamberW' => 300.0, 'chamberMinutes' => 25.0, 'heaterV' => 24.0, 'limitA' => 15.0, 'heaterW' => 420.0, 'maxNozzleC' => 450.0, 'maxBedC' => 160.0, 'magnetLimitC' => null]);
        $board = self::printer([
            'boardHeater' => true, 'bedRound' => true, 'bedWidthMm' => 340.0, 'bedDepthMm' => 340.0, 'heaterAreaCm2' => 300.0, 'probe' => ProbeKind::Inductive, 'probeRangeMm' => 3.0,
            'zTravelBelowMm' => 3.0, 'usualPlateMm' => 0.7, 'looksForMark' => true, 'printWidthMm' => 230.0, 'printDepthMm' => 230.0,
        ]);
        foreach ([
            'pla bare job' => self::job('pla'),
            'pla small feet, many, long' => self::job('pla', ['part' => $small, 'partCount' => 14, 'minutes' => 400.0, 'widthMm' => 180.0, 'depthMm' => 160.0, 'printer' => $open]),
            'petg bar with a brim' => self::job('petg', ['part' => self::thinBar(), 'foothold' => new Foothold(FootholdKind::Brim, 4.0), 'minutes' => 90.0, 'driedDaysAgo' => 45]),
            'petg cold room, near gap' => self::job('petg', ['roomC' => 12.0, 'gapMm' => 0.06, 'nozzleC' => 252.0, 'part' => self::block(), 'bedC' => 78.0]),
            'abs tall on an open printer' => self::job('abs', ['part' => $tall, 'printer' => $open, 'minutes' => 300.0, 'roomC' => 17.0]),
            'abs tall in a chamber' => self::job('abs', ['part' => $tall, 'printer' => $chamber, 'minutes' => 300.0, 'foothold' => new Foothold(FootholdKind::Ears, 6.0)]),
            'pc plate' => self::job('pc', ['part' => self::block(), 'partCount' => 4, 'printer' => $chamber, 'wishes' => new Wishes(exactHeight: true, lowEnergy: true)]),
            'nylon with what the file sets' => self::job('pa', ['part' => self::thinBar(), 'minutes' => 240.0, 'file' => new FileFacts(85.0, 262.0, 60.0), 'driedDaysAgo' => 9, 'labelBedC' => 70.0]),
            'pa-cf hot nozzle' => self::job('pa_cf', ['nozzleC' => 275.0, 'part' => $small, 'gapMm' => 0.3]),
            'tpu bare first' => self::job('tpu', ['part' => self::block(), 'wishes' => new Wishes(Finish::cases()[0], bareFirst: true), 'printer' => $board]),
            'pp far gap' => self::job('pp', ['part' => self::thinBar(), 'gapMm' => 0.25, 'roomC' => 26.0]),
            'asa raft on a board heater' => self::job('asa', ['part' => $tall, 'printer' => $board, 'foothold' => new Foothold(FootholdKind::Raft), 'minutes' => 45.0]),
            'pla articulated, warm room' => self::job('pla', ['part' => self::thinBar(true), 'roomC' => 31.0, 'partCount' => 3, 'printer' => $board, 'minutes' => 25.0]),
            'hips' => self::job('hips', ['part' => $tall, 'minutes' => 150.0, 'bedC' => 96.0]),
            'peek' => self::job('peek', ['part' => $small, 'printer' => $chamber, 'minutes' => 120.0]),
            'petg-cf' => self::job('petg_cf', ['part' => $tall, 'minutes' => 700.0, 'partCount' => 2]),
        ] as $name => $job) {
            yield $name => [$name, $job];
        }
    }

    #[DataProvider('jobs')]
    public function testTheAnswerStaysAsItIs(string $name, JobRequest $job): void
    {
        $runs = self::runs();
        $experience = RunsMade::experience(self::catalogue(), $job, $runs, [new ProvenSeat('P1', null, 60.0), new ProvenSeat('P3', 'pva_stick', 72.0)]);
        $agents = array_map(static fn (string $kind): AgentFacts => new AgentFacts($kind, $kind, ('pva_stick' === $kind ? 0.04 : 0.2) * self::catalogue()->agent($kind)->coatPrints), self::AGENTS);
        $ranking = Ranking::of(self::catalogue(), $job, self::shelf(), $agents, $experience);
        $figures = ['notes' => $job->notes()];
        foreach ($ranking->candidates as $i => $each) {
            $proposal = $each->proposal;
            $key = $proposal->side->id.'/'.($each->treatment->agentId ?? 'bare').($proposal->off ? '/off' : '').($proposal->often ? '/often' : '');
            $figures[$key] = [
                $each->hold->chance, $each->release->chance, $each->chance, $each->hold->interval()->low, $each->hold->runs,
                $each->target->at, $each->target->displayC, $ranking->bracketOf($each), $each->costPerPrint, $proposal->foothold(),
                array_map(static fn ($step): array => [$step->id, $each->holdWithout($step)], $proposal->steps()),
            ];
            if ($i < 5 || 0 === $i % 6) {
                $figures["$key why"] = [$each->reasons(), $each->heeds(null), $each->cautions()];
            }
            if ($i < 3) {
                $sums = CandidateSums::of($each, $ranking->heat, 1 === $i ? self::strength() : null);
                $figures["$key sums"] = [$sums->reckonings(), $sums->release, $sums->heater?->cautions()];
                $figures["$key next"] = [Batches::of($each, $ranking->heat), NextRungs::of($each, $ranking->candidates, Ladder::cases()[$i % 2])];
            }
        }
        foreach ($ranking->rejectionsDrawnTogether() as $i => $rejection) {
            $figures["refused $i"] = [$rejection['label'], $rejection['reason']];
        }
        self::hold('choose '.$name, $figures);
    }

    /** @return list<SideFacts> */
    private static function shelf(): array
    {
        $sides = [];
        $stick = self::catalogue()->agent('pva_stick');
        foreach ([
            ['pei_textured', ['costPerPrint' => 0.08]],
            ['pei_smooth', ['state' => new SideState(14, 3.0, printsOnSurface: 120)]],
            ['pei_textured', ['state' => new SideState(4, 30.0, $stick, 6, printsOnSurface: 420, changesSince: 2), 'heldBy' => HoldDown::Magnet]],
            ['glass', ['state' => new SideState(40, 1.0, damages: 1)]],
            ['epoxy_glass', ['state' => new SideState(2, 20.0, scuffed: false), 'ownLimitC' => 105.0, 'soakC' => 115.0]],
            ['carbon_laminate', ['measured' => new MeasuredSurface(60.0, 55.0, 20.0, '2026-01-02'), 'slicerType' => 'cool']],
            ['low_temp_matte', ['state' => new SideState(9, 16.0)]],
            ['adhesive_sheet', ['layers' => self::layers([['aluminium', 3.0], ['acrylic_tape', 0.1], ['polymer_composite', 0.5]], true), 'heldBy' => HoldDown::Screws]],
            ['pp_sheet', ['marked' => false]],
            ['hot_grip_steel', ['printerId' => 'p', 'costPerPrint' => 0.3]],
            ['polyester_engineered', ['widthMm' => 200.0, 'depthMm' => 180.0]],
            ['perforated_board', ['round' => true, 'depthMm' => 250.0]],
        ] as $i => [$surface, $change]) {
            $sides[] = self::side($surface, 'P'.($i + 1), ...$change);
        }

        return $sides;
    }

    /** @return list<OwnRuns> */
    private static function runs(): array
    {
        return [
            RunsMade::of('P1', 'pei_textured', null, 60.0, 9, 8, 8, 8, 30.0),
            RunsMade::of('P1', 'pei_textured', null, 60.0, 6, 6, 6, 5, 400.0, 6, 'q'),
            RunsMade::of('P2', 'pei_smooth', 'pva_stick', 74.0, 5, 4, 4, 2, 90.0),
            RunsMade::of('P3', 'pei_textured', 'pva_stick', 72.0, 12, 12, 12, 12, 200.0),
            RunsMade::of('P4', 'glass', null, 100.0, 4, 1, 1, 1, 20.0),
            RunsMade::of('P4', 'glass', 'pva_stick', null, 3, 2, 2, 2, 10.0),
            RunsMade::of('P9', 'glass', 'pva_stick', 88.0, 7, 6, 6, 6, 120.0, 14),
            RunsMade::of('P5', 'epoxy_glass', null, 85.0, 8, 8, 8, 6, 240.0, 2),
            RunsMade::of('P10', 'hot_grip_steel', 'pva_stick', 98.0, 5, 5, 5, 5, 300.0),
        ];
    }

    private static function strength(): OwnStrength
    {
        return new OwnStrength([self::piece(6, 88.0, 9.0), self::piece(4, 71.0, 12.0)]);
    }

    private static function piece(int $pulls, float $mean, float $sd): OwnPiece
    {
        return new OwnPiece(UsualPlan::piece(), 21.0, 60.0, true, 9, 7, $pulls, $mean, $sd, 6, 2, 1.4);
    }
}
