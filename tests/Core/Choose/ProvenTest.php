<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Catalogue\Ladder;
use Sitzplatz\Choose\Detail\Again;
use Sitzplatz\Choose\Detail\NextRungs;
use Sitzplatz\Choose\Expectation\Experience;
use Sitzplatz\Choose\Expectation\OwnRuns;
use Sitzplatz\Choose\Expectation\ProvenSeat;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Order\Ranking;
use Sitzplatz\Choose\Request\Foothold;
use Sitzplatz\Choose\Request\FootholdKind;
use Sitzplatz\Choose\Request\HoldDown;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Request\PartFacts;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Choose\Request\SideState;
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
        $rungs = NextRungs::of($proven, $ranking->candidates, Ladder::HeatFirst)->rungs;
        self::assertSame('rung.warmer set=68', Said::of($rungs[2]['words']), 'One step of 5 °C on top of 63.');
        // The whole plate reckoned anew is the candidate itself.
        self::assertEqualsWithDelta($proven->chance, (new Again($proven))->with($proven->proposal->job)?->chance, 1e-12);
        self::assertEqualsWithDelta(63, (new Again($proven))->with($proven->proposal->job->with(partCount: 3))?->target->displayC, 1e-12);
    }

    public function testAWornOrDamagedSideStandsLastAmongItsLike(): void
    {
        $life = self::catalogue()->surface('pei_textured')->lifePrints;
        foreach ([new SideState(printsOnSurface: $life + 1), new SideState(damages: 1)] as $state) {
            $ranking = self::ranked([self::side('pei_textured', 'P1', state: $state), self::side('pei_textured', 'P2')], []);
            self::assertSame(['P2', 'P1'], array_map(static fn (Candidate $c): string => $c->proposal->side->id, $ranking->candidates));
            self::assertSame(0, $ranking->bracketOf($ranking->candidates[1]), 'It cannot be told apart, and stands last all the same.');
            self::assertLessThan($ranking->candidates[0]->chance, $ranking->candidates[1]->chance);
            self::assertNull($ranking->leadsBy($ranking->candidates[0]));
            // What is proven stands first all the same, and says so.
            $proven = self::ranked([self::side('pei_textured', 'P1', state: $state), self::side('pei_textured', 'P2')], [new ProvenSeat('P1', null, 57.0)]);
            self::assertSame('P1', $proven->candidates[0]->proposal->side->id);
            self::assertStringStartsWith('leads.proven other=(candidate.label side=P2 front', Said::of($proven->leadsBy($proven->candidates[0])));
        }
    }

    public function testWhatCanBeToldApartIsNotOvertakenByWhatIsProven(): void
    {
        $run = static fn (string $side, int $held): OwnRuns => RunsMade::of($side, 'pei_textured', null, 57, 60, $held, 60, 60);
        $sides = [self::side('pei_textured', 'P1'), self::side('pei_textured', 'P2')];
        $ranking = self::ranked($sides, [new ProvenSeat('P2', null, 57.0)], [], [$run('P1', 60), $run('P2', 40)]);
        self::assertSame('P1', $ranking->candidates[0]->proposal->side->id);
        self::assertSame(1, $ranking->bracketOf($ranking->candidates[1]));
    }

    public function testWhatWasProvenWithALoweredBedIsProposedWithALoweredBed(): void
    {
        $runs = [RunsMade::of('P3', 'pei_smooth', null, 63.0, 8, 8, 8, 8, 60.0)];
        $sides = [self::side('pei_smooth', 'P3')];
        $lowered = self::ranked($sides, [new ProvenSeat('P3', null, 63.0, 50.0)], [], $runs)->candidates[0];
        self::assertTrue($lowered->proven);
        self::assertEqualsWithDelta(50, $lowered->proposal->bedOtherC, 1e-9);
        self::assertSame([8, 8], [$lowered->hold->well, $lowered->hold->runs]);
        $kept = self::ranked($sides, [new ProvenSeat('P3', null, 63.0)], [], $runs)->candidates[0];
        self::assertNull($kept->proposal->bedOtherC);
        $again = (new Again($lowered))->with($lowered->proposal->job->with(partCount: 2));
        self::assertEqualsWithDelta(50, $again?->proposal->bedOtherC, 1e-9);
    }

    public function testACandidateIsReckonedAnewOnlyWithinItsLimits(): void
    {
        $candidate = self::ranked([self::side('pei_smooth')], [])->candidates[0];
        $again = new Again($candidate);
        self::assertNotNull($again->with($candidate->proposal->job->with(bedC: 64.0)));
        self::assertNull($again->with($candidate->proposal->job->with(bedC: 160.0)), 'Beyond what the plate stands.');
    }

    public function testTheNextFootholdIsEarsWhereAnEndIsThin(): void
    {
        foreach ([[0, FootholdKind::Brim], [1, FootholdKind::Ears]] as [$ends, $kind]) {
            $part = new PartFacts(752, 210, 100, 8, 15, 2, $ends);
            $candidate = self::ranked([self::side('pei_smooth')], [], ['part' => $part, 'foothold' => Foothold::none()])->candidates[0];
            $rungs = NextRungs::of($candidate, [$candidate], Ladder::HeatFirst)->rungs;
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
        return Ranking::of(self::catalogue(), self::job('pla', $change), $sides, [], RunsMade::experience(self::catalogue(), self::job('pla', $change), $runs, $proven));
    }
}
