<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use Sitzplatz\Choose\Expectation\OwnRuns;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Order\Ranking;
use Sitzplatz\Choose\Request\AgentFacts;
use Sitzplatz\Choose\Request\HoldDown;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Request\PartFacts;
use Sitzplatz\Choose\Request\PrinterFacts;
use Sitzplatz\Choose\Request\ProbeKind;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Heat\Layer;
use Sitzplatz\Tests\Core\ReadsTheCatalogue;
use Sitzplatz\Tests\Core\Words\Said;

/** Printers, sides and jobs for the tests of Choose. */
trait BuildsJobs
{
    use ReadsTheCatalogue;

    /** @param array<string, mixed> $change members of PrinterFacts by name */
    private static function printer(array $change = []): PrinterFacts
    {
        return new PrinterFacts(...[
            'id' => 'p', 'name' => 'North bay', 'filament' => true, 'bedWidthMm' => 250.0, 'bedDepthMm' => 210.0, 'maxBedC' => 120.0, 'maxNozzleC' => 300.0,
            'enclosed' => true, 'magnetLimitC' => 130.0, 'heaterW' => 300.0, 'bed' => self::layers([['aluminium', 3.0]]), ...$change,
        ]);
    }

    /** A side built as plates of its kind usually are. */
    private static function side(string $surfaceId, string $number = 'P1', mixed ...$change): SideFacts
    {
        return new SideFacts(...[
            'id' => $number, 'sheetId' => $number, 'plateId' => $number, 'label' => "$number front", 'surfaceId' => $surfaceId, 'widthMm' => 250.0, 'depthMm' => 210.0, 'heldBy' => HoldDown::Clips,
            'layers' => self::layers(self::catalogue()->surface($surfaceId)->plate, true), ...$change,
        ]);
    }

    /**
     * @param list<array{string, float}> $layers
     *
     * @return list<Layer>
     */
    private static function layers(array $layers, bool $laidOn = false): array
    {
        return array_map(
            static fn (array $layer, int $i): Layer => new Layer(
                self::catalogue()->layer($layer[0]),
                $layer[1],
                $laidOn && 0 === $i ? Layer::DRY_CONTACT_M2KW : 0.0,
            ),
            $layers,
            array_keys($layers),
        );
    }

    /** @param array<string, mixed> $change members of JobRequest by name */
    private static function job(string $material, array $change = []): JobRequest
    {
        return new JobRequest(...[
            'material' => self::catalogue()->material($material),
            'printer' => self::printer(),
            'roomC' => 20.0,
            'lotId' => 'lot',
            ...$change,
        ]);
    }

    /**
     * @param list<SideFacts> $sides
     * @param list<string>    $agents
     * @param list<OwnRuns>   $runs
     */
    private static function rank(JobRequest $job, array $sides, array $agents = [], array $runs = []): Ranking
    {
        return Ranking::of(
            self::catalogue(),
            $job,
            $sides,
            array_map(static fn (string $kind): AgentFacts => new AgentFacts($kind, $kind, 0.1 * self::catalogue()->agent($kind)->coatPrints), $agents),
            RunsMade::experience(self::catalogue(), $job, $runs),
        );
    }

    /** The way of use of a surface, "bare" or an agent; null if it is ruled out. */
    private static function find(Ranking $ranking, string $surface, string $agent = 'bare', bool $off = false): ?Candidate
    {
        foreach ($ranking->candidates as $candidate) {
            if ($candidate->proposal->surface->id === $surface && ($candidate->treatment->agentId ?? 'bare') === $agent && $candidate->proposal->off === $off) {
                return $candidate;
            }
        }

        return null;
    }

    private static function refusal(Ranking $ranking, string $surface, string $agent = 'bare'): string
    {
        foreach ($ranking->rejections as $rejection) {
            if ($rejection->proposal->surface->id === $surface && ($rejection->wholeSide || ($rejection->proposal->agent->id ?? 'bare') === $agent)) {
                return Said::of($rejection->reason);
            }
        }

        return '';
    }

    /** The warp bar of practice: 100 × 8 × 15 mm, one pointed end. */
    private static function thinBar(bool $articulated = false): PartFacts
    {
        return new PartFacts(752, 210, 100, 8, 15, 2, 2, articulated: $articulated);
    }

    /** A broad block that nobody worries about. */
    private static function block(): PartFacts
    {
        return new PartFacts(1600, 160, 56.6, 40, 20, 4, 0);
    }

    private static function inductive(float $range = 4): PrinterFacts
    {
        return self::printer(['name' => 'South bay', 'probe' => ProbeKind::Inductive, 'probeRangeMm' => $range]);
    }
}
