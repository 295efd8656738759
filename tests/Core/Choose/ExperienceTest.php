<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Choose\Detail\Why;
use Sitzplatz\Choose\Detail\WhyBar;
use Sitzplatz\Choose\Expectation\Experience;
use Sitzplatz\Choose\Expectation\OwnRuns;
use Sitzplatz\Choose\Expectation\RunCount;
use Sitzplatz\Choose\Order\Brackets;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Request\PartFacts;
use Sitzplatz\Tests\Core\Words\Said;

/** How own runs are counted, and how what is learned from them moves what practice says. */
final class ExperienceTest extends TestCase
{
    use BuildsJobs;

    public function testRunsAreCountedAtTheSettingOnTheSideAndOnAllOfItsKind(): void
    {
        $runs = [
            RunsMade::of('P1', 'pei_textured', null, 55, 8, 7, 6, 6, 20.0, 2),
            RunsMade::of('P1', 'pei_textured', null, 58, 5, 5, 0, 0, 90.0, 1, 'other', forUse: true),
            RunsMade::of('P9', 'pei_textured', null, 52, 10, 6, 4, 1),
            RunsMade::of('P1', 'pei_textured', null, 65, 99, 0, 99, 0, 999.0),
            RunsMade::of('P1', 'pei_textured', 'pva_stick', 55, 99, 0, 99, 0),
            RunsMade::of('P1', 'glass', null, 55, 99, 0, 99, 0),
            RunsMade::of('P1', 'pei_textured', null, 55, 99, 99, 99, 99, ownBrim: true),
        ];
        $experience = new Experience($runs);
        $here = $experience->near(self::job('pla'), self::side('pei_textured'), null, 55);
        $all = $experience->alike(self::job('pla'), 'pei_textured', null, 55);
        self::assertSame([13, 12, 6, 6], [$here->runs, $here->held, $here->released, $here->clean]);
        self::assertSame([23, 18, 10, 7], [$all->runs, $all->held, $all->released, $all->clean]);
        self::assertEqualsWithDelta(90.0, $all->longestMinutes, 1e-12);
        self::assertSame(2, $all->mostParts);
        $bare = self::bare([$runs[0], $runs[2]]);
        self::assertSame('own', $bare->basis());
        self::assertSame('known.own held=7 runs=8', Said::of($bare->known()));
        self::assertSame('known.alike held=6 runs=10', Said::of(self::bare([$runs[2]])->known()));
    }

    public function testHeatedRunsSayNothingOfABedThatIsOffNorOneExposureOfAnother(): void
    {
        $glass = new Experience([RunsMade::of('P1', 'glass', null, 60, 3, 3, 0, 0)]);
        $runs = static fn (Experience $of, string $material, string $surface, ?float $at): int => $of->near(self::job($material), self::side($surface), null, $at)->runs;
        self::assertSame([3, 0, 0], [$runs($glass, 'pla', 'glass', 62), $runs($glass, 'pla', 'glass', 66), $runs($glass, 'pla', 'glass', null)]);
        // Exposures within a tenth are the same setting (ours); a rung further on is another.
        $resin = new Experience([RunsMade::of('P1', 'resin_sanded', null, null, 9, 9, 9, 9, exposureS: 27.0)]);
        self::assertSame([9, 0], [$runs($resin, 'resin', 'resin_sanded', 28), $runs($resin, 'resin', 'resin_sanded', 36)]);
    }

    public function testHowRunsEndedIsReadAsItWasWritten(): void
    {
        // Held, effort, damage, times: as the tally lists them.
        $counts = RunCount::listed('0,,,2;1,0,0,5;1,3,0,1;1,,,1');
        self::assertSame([2, 5, 1, 1], array_map(static fn (RunCount $each): int => $each->times, $counts));
        self::assertSame([9, 7, 6, 5], OwnRuns::tallied('0,,,2;1,0,0,5;1,3,0,1;1,,,1'));
        self::assertSame([0, 0, 0, 0], OwnRuns::tallied(''));
        self::assertSame([], RunCount::listed(''));
    }

    public function testTheChanceIsThatOfTheModelAndBothAreTheirProduct(): void
    {
        $bare = self::bare([RunsMade::of('P1', 'pei_textured', null, 55, 8, 7, 6, 6)]);
        self::assertEqualsWithDelta($bare->hold->chance * $bare->release->chance, $bare->chance, 1e-12);
        self::assertEqualsWithDelta($bare->hold->prediction->chance->share(), $bare->hold->chance, 1e-12);
        $none = self::bare([]);
        // By hand: practice 0.95; nobody has seen pair, surface, side, sheet, printer, epoch, lot and purpose: 1 + 0.09 + 0.09 + 0.16 + 0.09 + 0.09 + 0.1225 + 0.09.
        self::assertEqualsWithDelta([log(19), 1.7325], [$none->hold->prediction->chance->mean, $none->hold->prediction->chance->variance], 1e-12);
        self::assertSame('expect.hold practice=0.95 here=0.8967 runs=8 well=7', preg_replace('/here=[0-9.]+/', 'here=0.8967', Said::of($bare->reasons()[0])));
    }

    /** A setting that was printed often and went well is proposed beside what practice sets (a resin printed well 75 of 106 times at 32 s, where 28 s is advised). */
    public function testWhatWasPrintedOftenIsAProposalOfItsOwn(): void
    {
        $ranked = static fn (int $held): array => array_values(array_filter(
            self::rank(self::job('resin', ['printer' => self::printer(['filament' => false, 'maxBedC' => null])]), [self::side('resin_sanded')], [], [
                RunsMade::of('P1', 'resin_sanded', null, null, 106, $held, $held, $held, exposureS: 32.0, forUse: true),
            ])->candidates,
            static fn (Candidate $each): bool => $each->proposal->often,
        ));
        $often = $ranked(75)[0] ?? null;
        self::assertEqualsWithDelta(32.0, $often?->target->at, 1e-12);
        self::assertSame([106, 75], [$often?->hold->runs, $often?->hold->well]);
        self::assertStringContainsString('target.often set=32 usual=28', implode(' ', Said::all($often?->reasons() ?? [])));
        self::assertSame([], $ranked(60), 'It did not go well.');
        $pla = static fn (float $bedC, ?float $asked = null): array => array_filter(self::rank(self::job('pla', ['bedC' => $asked]), [self::side('pei_textured')], [], [
            RunsMade::of('P1', 'pei_textured', null, $bedC, 8, 8, 8, 8),
        ])->candidates, static fn (Candidate $each): bool => $each->proposal->often);
        self::assertCount(1, $pla(66));
        self::assertSame([], $pla(58), 'That is as good as what is proposed anyway.');
        self::assertSame([], $pla(66, 50.0), 'Somebody asked for another.');
    }

    public function testBeyondWhatWasPrintedIsSaid(): void
    {
        $runs = [
            RunsMade::of('P1', 'pei_textured', null, 55, 8, 8, 8, 8, 25, 2),
            RunsMade::of('P1', 'pei_textured', null, 55, 2, 2, 2, 2, 40, 1),
        ];
        $long = self::rank(self::job('pla', ['minutes' => 300.0, 'partCount' => 12]), [self::side('pei_textured')], [], $runs)->candidates[0];
        self::assertStringContainsString('reason.longer longest=2400 job=18000', implode(' ', Said::all($long->reasons())));
        self::assertStringContainsString('reason.fuller most=2 parts=12', implode(' ', Said::all($long->reasons())));
        $within = self::rank(self::job('pla', ['minutes' => 30.0, 'partCount' => 2]), [self::side('pei_textured')], [], $runs)->candidates[0];
        self::assertStringNotContainsString('reason.longer', implode(' ', Said::all($within->reasons())));
    }

    /** From practice to the chance, and nothing left out: the steps add up on log-odds, and the last bar ends where the chance is. */
    public function testTheBarsLeadFromPracticeToTheChance(): void
    {
        $runs = [RunsMade::of('P1', 'pei_textured', null, 55, 30, 22, 20, 20, 200.0)];
        $job = self::job('abs', ['minutes' => 400.0, 'partCount' => 3, 'part' => new PartFacts(1500, 320, 150, 10, 40, 4), 'printer' => self::printer(['enclosed' => false])]);
        $ranking = self::rank($job, [self::side('pei_textured')], [], $runs);
        foreach ($ranking->candidates as $candidate) {
            foreach (Why::of($candidate) as $i => $why) {
                $expectation = 0 === $i ? $candidate->hold : $candidate->release;
                $bars = $why->bars;
                self::assertSame('practice', $bars[0]->id);
                self::assertEqualsWithDelta($expectation->grade->share(), $bars[0]->to, 1e-12);
                foreach (\array_slice($bars, 1) as $at => $bar) {
                    self::assertEqualsWithDelta($bars[$at]->to, $bar->from, 1e-12);
                    self::assertLessThanOrEqual($bar->high + 1e-12, $bar->to);
                    self::assertGreaterThanOrEqual($bar->low - 1e-12, $bar->to);
                }
                self::assertEqualsWithDelta($expectation->chance, $bars[\count($bars) - 1]->to, 0.0051);
                self::assertEqualsWithDelta($expectation->chance, $why->chance, 1e-12);
            }
        }
        $ids = array_map(static fn (WhyBar $bar): string => $bar->id, Why::of($ranking->candidates[0])[0]->bars);
        foreach (['air', 'parts', 'time', 'doubt'] as $moves) {
            self::assertContains($moves, $ids);
        }
    }

    /** What holds both back tells them apart in nothing: of a printer of which little is known both are unsure, and one may still be the better for sure. */
    public function testWhatTwoShareDoesNotBlurWhichIsBetter(): void
    {
        $runs = [RunsMade::of('P1', 'pei_textured', null, 55, 30, 29, 29, 29), RunsMade::of('P6', 'glass', null, 63, 20, 5, 5, 2)];
        $ranking = self::rank(self::job('pla'), [self::side('pei_textured'), self::side('glass', 'P6')], [], $runs);
        [$good, $bad] = [self::find($ranking, 'pei_textured'), self::find($ranking, 'glass')];
        self::assertNotNull($good);
        self::assertNotNull($bad);
        self::assertGreaterThan(0.99, Brackets::sure($good, $bad));
        self::assertEqualsWithDelta(1.0, Brackets::sure($good, $bad) + Brackets::sure($bad, $good), 1e-9);
        self::assertEqualsWithDelta(0.5, Brackets::sure($good, $good), 1e-9);
        // By hand: printer, epoch, lot and purpose are those of both.
        $new = self::rank(self::job('pla'), [self::side('pei_textured'), self::side('glass', 'P6')])->candidates;
        self::assertEqualsWithDelta(0.09 + 0.09 + 0.1225 + 0.09, $new[0]->hold->prediction->covariance($new[1]->hold->prediction), 1e-12);
    }

    /** @param list<OwnRuns> $runs */
    private static function bare(array $runs): Candidate
    {
        $bare = self::find(self::rank(self::job('pla'), [self::side('pei_textured')], [], $runs), 'pei_textured');
        self::assertNotNull($bare);

        return $bare;
    }
}
