<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Sitzplatz\Catalogue\Ladder;
use Sitzplatz\Choose\Detail\Again;
use Sitzplatz\Choose\Detail\NextRungs;
use Sitzplatz\Choose\Expectation\Experience;
use Sitzplatz\Choose\Expectation\OwnRuns;
use Sitzplatz\Choose\Expectation\ProvenSeat;
use Sitzplatz\Choose\Order\Brackets;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Order\Ranking;
use Sitzplatz\Choose\Request\Foothold;
use Sitzplatz\Choose\Request\FootholdKind;
use Sitzplatz\Choose\Request\HoldDown;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Request\PartFacts;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Choose\Request\SideState;
use Sitzplatz\Statistics\Beta;
use Sitzplatz\Tests\Core\Words\Said;

/** Among what cannot be told apart: what is proven first, at the setting that was proven, and a worn or damaged side last. */
final class ProvenTest extends TestCase
{
    use BuildsJobs;

    public function testTheProvenStandsFirstAtItsOwnSetting(): void
    {
        $sides = [self::side('pei_textured', 'P1'), self::side('pei_textured', 'P2'), self::side('pei_smooth', 'P3')];
        self::assertSame('P1', self::ranked($sides, [])->candidates[0]->proposal->side->id);
        $ranking = self::ranked($sides, [new ProvenSeat('P3', null, 63.0)]);
        $first = $ranking->candidates[0];
        self::assertSame(['P3', true], [$first->proposal->side->id, $first->proven]);
        self::assertEqualsWithDelta(63, $first->target->displayC, 1e-9, 'One number to dial: that of the profile.');
        self::assertStringContainsString('target.proven set=63 usual=61', implode(' ', Said::all($first->reasons())));
        self::assertFalse($ranking->candidates[1]->proven);
        self::assertSame(0, $ranking->bracketOf($ranking->candidates[1]));
        // Asked for at another setting, nothing vouches for it.
        $asked = self::ranked($sides, [new ProvenSeat('P3', null, 63.0)], ['bedC' => 66.0]);
        self::assertSame([], array_filter($asked->candidates, static fn (Candidate $c): bool => $c->proven));
        // Nor where the magnets do not stand it any more.
        $weak = self::ranked([self::side('pei_smooth', 'P3', heldBy: HoldDown::Magnet)], [new ProvenSeat('P3', null, 63.0)], ['printer' => self::printer(['magnetLimitC' => 58.0])]);
        self::assertFalse($weak->candidates[0]->proven);
        self::assertLessThanOrEqual(58, $weak->candidates[0]->target->displayC);
    }

    public function testWhatIsTriedNextAndTheBatchesStartFromTheProvenSetting(): void
    {
        $experience = new Experience([], [new ProvenSeat('P3', null, 63.0)]);
        $ranking = Ranking::of(self::catalogue(), self::job('pla', ['partCount' => 12, 'minutes' => 200.0]), [self::side('pei_smooth', 'P3')], [], $experience);
        $proven = $ranking->candidates[0];
        $rungs = NextRungs::of($proven, $ranking->candidates, Ladder::HeatFirst, $experience)->rungs;
        self::assertSame('rung.warmer set=68', Said::of($rungs[2]['words']), 'One step of 5 °C on top of 63.');
        // The whole plate reckoned anew is the candidate itself.
        self::assertEqualsWithDelta($proven->chance, (new Again($proven, $experience))->with($proven->proposal->job)?->chance, 1e-12);
        self::assertEqualsWithDelta(63, (new Again($proven, $experience))->with($proven->proposal->job->with(partCount: 3))?->target->displayC, 1e-12);
    }

    public function testAWornOrDamagedSideStandsLastAmongItsLike(): void
    {
        $life = self::catalogue()->surface('pei_textured')->lifePrints;
        foreach ([new SideState(printsOnSurface: $life + 1), new SideState(damages: 1)] as $state) {
            $ranking = self::ranked([self::side('pei_textured', 'P1', state: $state), self::side('pei_textured', 'P2')], [new ProvenSeat('P1', null, null)]);
            self::assertSame(['P2', 'P1'], array_map(static fn (Candidate $c): string => $c->proposal->side->id, $ranking->candidates));
            self::assertSame(0, $ranking->bracketOf($ranking->candidates[1]), 'It cannot be told apart, and stands last all the same.');
            self::assertLessThan($ranking->candidates[0]->chance, $ranking->candidates[1]->chance);
        }
    }

    public function testWhatCanBeToldApartIsNotOvertakenByWhatIsProven(): void
    {
        $run = static fn (string $side, int $held): OwnRuns => RunsMade::of($side, 'pei_textured', null, 'lot', 57, 60, $held, 60, 60);
        $sides = [self::side('pei_textured', 'P1'), self::side('pei_textured', 'P2')];
        $ranking = self::ranked($sides, [new ProvenSeat('P2', null, 57.0)], [], [$run('P1', 60), $run('P2', 40)]);
        self::assertSame('P1', $ranking->candidates[0]->proposal->side->id);
        self::assertSame(1, $ranking->bracketOf($ranking->candidates[1]));
    }

    public function testWhatWasProvenWithALoweredBedIsProposedWithALoweredBed(): void
    {
        $runs = [RunsMade::of('P3', 'pei_smooth', null, 'lot', 63.0, 8, 8, 8, 8, 60.0, 1, 50.0)];
        $sides = [self::side('pei_smooth', 'P3')];
        $lowered = self::ranked($sides, [new ProvenSeat('P3', null, 63.0, 50.0)], [], $runs)->candidates[0];
        self::assertTrue($lowered->proven);
        self::assertEqualsWithDelta(50, $lowered->proposal->bedOtherC, 1e-9);
        self::assertSame(['successes' => 8, 'runs' => 8], $lowered->hold->own(), 'Its runs are of this very setting.');
        $kept = self::ranked($sides, [new ProvenSeat('P3', null, 63.0)], [], $runs)->candidates[0];
        self::assertNull($kept->proposal->bedOtherC);
        self::assertSame(0, $kept->hold->own()['runs'], 'Another bed after the first layer is another setting.');
        $again = (new Again($lowered, new Experience($runs, [new ProvenSeat('P3', null, 63.0, 50.0)])))->with($lowered->proposal->job->with(partCount: 2));
        self::assertEqualsWithDelta(50, $again?->proposal->bedOtherC, 1e-9);
    }

    public function testThatOneIsBetterThanTheOtherAsRHasIt(): void
    {
        // R: integrate(function(u) pbeta(qbeta(u, a, b), c, d), 0, 1)
        foreach ([
            [[9.5, 0.5], [7, 3], 0.96170272],
            [[9.5, 0.5], [9.5, 0.5], 0.5],
            [[109.5, 0.5], [9.5, 0.5], 0.81970279],
            [[900, 100], [7, 3], 0.94622870],
            [[2, 8], [0.5, 9.5], 0.89512330],
            [[9.5, 0.05], [9.5, 0.5], 0.91765165],
            // A belief of thousands of runs beside one of a few: the narrow one must not fall between two places.
            [[1900, 1490], [2, 1], 0.31420148],
            [[5000, 40], [9.5, 0.5], 0.70197196],
        ] as [$one, $other, $better]) {
            self::assertEqualsWithDelta($better, (new Beta(...$one))->exceeds(new Beta(...$other)), 1e-3);
            self::assertEqualsWithDelta(1 - $better, (new Beta(...$other))->exceeds(new Beta(...$one)), 1e-3);
        }
    }

    public function testWhetherItIsSureIsSaidAsTheWholeSumHasIt(): void
    {
        $random = new Randomizer(new Xoshiro256StarStar(5));
        $shape = static fn (float $most): float => 0.1 * ($most / 0.1) ** ($random->getInt(0, 1_000_000) / 1e6);
        $sure = 0;
        for ($i = 0; $i < 3000; ++$i) {
            [$one, $other] = [new Beta($shape(300), $shape(100)), new Beta($shape(300), $shape(100))];
            $better = $one->exceeds($other);
            $sure += (int) ($better >= Brackets::SURE);
            self::assertSame($better >= Brackets::SURE, Brackets::better($one, $other), "$one->a, $one->b and $other->a, $other->b: $better");
        }
        self::assertGreaterThan(500, $sure);
    }

    public function testHoldingAndLettingGoTakenTogetherKeepsTheirMoments(): void
    {
        // By hand: E = 0.95 · 0.7; E² = (9.5·10.5)/(10·11) · (7·8)/(10·11).
        $both = (new Beta(9.5, 0.5))->times(new Beta(7, 3));
        self::assertEqualsWithDelta(0.95 * 0.7, $both->mean(), 1e-12);
        self::assertEqualsWithDelta(9.5 * 10.5 / 110 * 56 / 110, $both->allOf(2), 1e-12);
        // R: set.seed(1); x <- rbeta(1e7, 9.5, .5) * rbeta(1e7, 7, 3); quantile(x, c(.05, .5, .95))
        self::assertEqualsWithDelta([0.41760, 0.67585, 0.87504], [$both->quantile(0.05), $both->quantile(0.5), $both->quantile(0.95)], 0.006);
    }

    public function testACandidateIsReckonedAnewOnlyWithinItsLimits(): void
    {
        $candidate = self::ranked([self::side('pei_smooth')], [])->candidates[0];
        $again = new Again($candidate, new Experience([]));
        self::assertNotNull($again->with($candidate->proposal->job->with(bedC: 64.0)));
        self::assertNull($again->with($candidate->proposal->job->with(bedC: 160.0)), 'Beyond what the plate stands.');
    }

    public function testTheNextFootholdIsEarsWhereAnEndIsThin(): void
    {
        foreach ([[0, FootholdKind::Brim], [1, FootholdKind::Ears]] as [$ends, $kind]) {
            $part = new PartFacts(752, 210, 100, 8, 15, 2, $ends);
            $candidate = self::ranked([self::side('pei_smooth')], [], ['part' => $part, 'foothold' => Foothold::none()])->candidates[0];
            $rungs = NextRungs::of($candidate, [$candidate], Ladder::HeatFirst, new Experience([]))->rungs;
            self::assertStringContainsString("foothold.$kind->value", implode(' ', array_map(static fn (array $rung): string => Said::of($rung['words']), $rungs)));
        }
    }

    /**
     * @param list<SideFacts>      $sides
     * @param list<ProvenSeat>     $proven
     * @param array<string, mixed> $change members of {@see JobRequest}
     * @param list<OwnRuns>        $runs
     */
    private static function ranked(array $sides, array $proven, array $change = [], array $runs = []): Ranking
    {
        return Ranking::of(self::catalogue(), self::job('pla', $change), $sides, [], new Experience($runs, $proven));
    }
}
