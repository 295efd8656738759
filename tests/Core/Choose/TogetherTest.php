<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Catalogue\Material;
use Sitzplatz\Choose\Expectation\Experience;
use Sitzplatz\Choose\Expectation\ProvenSeat;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Order\Ranking;
use Sitzplatz\Choose\Request\AgentFacts;
use Sitzplatz\Choose\Request\HoldDown;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Request\PrinterFacts;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Tests\Core\ReadsTheCatalogue;
use Sitzplatz\Tests\Core\Words\Said;

/** Several materials in one first layer: those on the plate decide hold and release, and one bed has to suit all of them (common practice). */
final class TogetherTest extends TestCase
{
    use ReadsTheCatalogue;

    /** PLA holds at 50 to 65, PETG at 70 to 85 on textured PEI; where the windows do not meet there is no bed for both. */
    public function testOneBedHasToSuitAll(): void
    {
        $pla = self::catalogue()->pairing('pla', 'pei_textured')->window ?? self::fail();
        $petg = self::catalogue()->pairing('petg', 'pei_textured')->window ?? self::fail();
        $abs = self::catalogue()->pairing('abs', 'pei_textured')->window ?? self::fail();
        $both = self::rank('pla', ['petg'], 'pei_textured')->candidates[0];
        $low = max($pla->low, $petg->low);
        $high = min($pla->high, $petg->high);
        self::assertGreaterThanOrEqual($low - 0.5, $both->target->at);
        self::assertLessThanOrEqual($high + 0.5, $both->target->at);
        self::assertLessThan($abs->low, $pla->high);
        $apart = self::rank('pla', ['abs'], 'pei_textured');
        self::assertSame([], $apart->candidates);
        self::assertStringContainsString('gate.no_common_bed', Said::of($apart->rejections[0]->reason));
    }

    /** What limits is the one that does worst there; it is named, with what the others would do alone at that bed. */
    public function testTheOneThatDoesWorstSpeaksForAll(): void
    {
        $alone = static fn (string $material, float $bed): Candidate => self::bare(self::rank($material, [], 'pei_textured', $bed));
        foreach ([['pla', 'petg'], ['petg', 'pla'], ['pla', 'tpu'], ['pla_silk', 'pla']] as [$main, $also]) {
            $both = self::bare(self::rank($main, [$also], 'pei_textured'));
            $bed = $both->target->displayC ?? self::fail();
            $chances = [$main => $alone($main, $bed)->chance, $also => $alone($also, $bed)->chance];
            self::assertEqualsWithDelta(min($chances), $both->chance, 1e-9, "$main with $also");
            self::assertEqualsWithDelta($chances[$both->proposal->job->material->id] ?? self::fail(), $both->chance, 1e-9);
            self::assertStringContainsString('reason.limits', Said::of($both->limits));
        }
        self::assertNull(self::bare(self::rank('pla', [], 'pei_textured'))->limits, 'One alone limits nothing.');
    }

    /** What one of them may not be printed on, none of them is; with the agent that keeps it off, all are. */
    public function testEachHasToPass(): void
    {
        $on = self::rank('pla', ['petg'], 'pei_smooth', 62.0);
        self::assertNotContains(null, array_map(static fn (Candidate $each): ?string => $each->treatment->agentId, $on->candidates), 'PETG welds to it bare.');
        self::assertStringContainsString('gate.of_material material=PETG', implode(' ', array_map(static fn ($each): string => Said::of($each->reason), $on->rejections)));
        self::assertContains('pva_stick', array_map(static fn (Candidate $each): ?string => $each->treatment->agentId, $on->candidates));
    }

    /** A profile that was made with both is at its own bed; it is only handed over for a job of the same materials. */
    public function testWhatWasProvenTogetherIsAtItsBed(): void
    {
        $usual = self::bare(self::rank('pla', ['petg'], 'pei_textured'))->target->displayC ?? self::fail();
        $seat = new ProvenSeat('s', null, $usual - 2.0, $usual - 2.0, 'p', null, null);
        $found = self::bare(self::rank('pla', ['petg'], 'pei_textured', proven: [$seat]));
        self::assertEqualsWithDelta($usual - 2.0, $found->target->displayC, 1e-9);
        self::assertTrue($found->proven);
    }

    private static function bare(Ranking $ranking): Candidate
    {
        foreach ($ranking->candidates as $each) {
            if (null === $each->treatment->agentId && !$each->proposal->off) {
                return $each;
            }
        }
        self::fail();
    }

    /**
     * @param list<string>     $also
     * @param list<ProvenSeat> $proven
     */
    private static function rank(string $material, array $also, string $surface, ?float $bedC = null, array $proven = []): Ranking
    {
        $catalogue = self::catalogue();
        $knows = static fn (array $others): Experience => new Experience([], $proven, null, [], $others);

        return Ranking::of(
            $catalogue,
            new JobRequest(
                $catalogue->material($material),
                new PrinterFacts('p', 'North bay', true, 250, 210, 120, 300, true, 120),
                22.0,
                bedC: $bedC,
                also: array_map(static fn (string $id): Material => $catalogue->material($id), $also),
            ),
            [new SideFacts('s', 's', 'P1 front', $surface, 250, 210, HoldDown::Magnet)],
            [new AgentFacts('pva_stick', 'Stick')],
            $knows(array_fill_keys($also, $knows([]))),
        );
    }
}
