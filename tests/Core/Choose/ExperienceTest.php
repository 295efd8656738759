<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Choose\Expectation\Evidence;
use Sitzplatz\Choose\Expectation\Experience;
use Sitzplatz\Choose\Expectation\OwnRuns;
use Sitzplatz\Choose\Expectation\RunCount;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Tests\Core\Words\Said;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Sentence;

/**
 * How own runs move what practice says. Prior and product formula are those of the references; the power prior is that of
 * Ibrahim & Chen 2000 (from memory), its weights are our own.
 */
final class ExperienceTest extends TestCase
{
    use BuildsJobs;

    public function testRunsCountByTheirLikeness(): void
    {
        $runs = [
            RunsMade::of('P1', 'pei_textured', null, 'lot', 55, 8, 7, 6, 6),
            RunsMade::of('P1', 'pei_textured', null, 'other', 55, 5, 5, 0, 0),
            RunsMade::of('P9', 'pei_textured', null, 'lot', 58, 10, 6, 4, 1),
            RunsMade::of('P9', 'pei_textured', null, 'other', 52, 4, 0, 0, 0),
            RunsMade::of('P1', 'pei_textured', null, 'lot', 65, 99, 0, 99, 0),
            RunsMade::of('P1', 'pei_textured', 'pva_stick', 'lot', 55, 99, 0, 99, 0),
            RunsMade::of('P1', 'glass', null, 'lot', 55, 99, 0, 99, 0),
        ];
        $bare = self::bare($runs);
        // By hand: a 9.5 + 7 + 0.6·5 + 0.4·6 + 0.24·0, b 0.5 + 1 + 0 + 0.4·4 + 0.24·4; what is another heat, agent or surface is left out.
        self::assertEqualsWithDelta([21.9, 4.06], [$bare->hold->belief->a, $bare->hold->belief->b], 1e-12);
        // Release: a 9.5 + 6 + 0.4·1, b 0.5 + 0 + 0.4·3.
        self::assertEqualsWithDelta([15.9, 1.7], [$bare->release->belief->a, $bare->release->belief->b], 1e-12);
        self::assertEqualsWithDelta(21.9 / 25.96 * 15.9 / 17.6, $bare->chance, 1e-12);
        self::assertSame(['successes' => 7, 'runs' => 8], $bare->hold->own());
        self::assertEqualsWithDelta([1.0, 0.6, 0.4, 0.24], array_map(static fn (Evidence $e): float => $e->likeness->weight(), $bare->hold->evidence), 1e-12);
    }

    public function testWhatWasMadeBeforeAChangeOfThePrinterCountsHalf(): void
    {
        $runs = static fn (string $printer, bool $changed): OwnRuns => RunsMade::of('P1', 'pei_textured', null, 'lot', 55, 8, 6, 8, 8, printerId: $printer, changedSince: $changed);
        $here = self::job('pla')->printer->id;
        $worth = static fn (OwnRuns $run): float => self::bare([$run])->hold->ownWorth();
        self::assertEqualsWithDelta(8.0, $worth($runs($here, false)), 1e-12);
        self::assertEqualsWithDelta(4.0, $worth($runs($here, true)), 1e-12);
        self::assertEqualsWithDelta(0.8 * 8, $worth($runs('other', true)), 1e-12, 'What has changed about another printer says nothing of this one.');
        self::assertSame(['likeness.changed'], self::unlike($runs($here, true)));
    }

    /** @return list<string> in what a run is said to be unlike the job */
    private static function unlike(OwnRuns $run): array
    {
        $differences = self::bare([$run])->hold->evidence[0]->likeness->words()->with['differences'];
        \assert($differences instanceof Listing);

        return array_map(static fn (Phrase $each): string => $each instanceof Sentence ? $each->key : '', $differences->items);
    }

    public function testAPrintForUseCountsForHalfARunAndIsNoRunOfTheirs(): void
    {
        $use = static fn (?float $minutes = null): OwnRuns => RunsMade::of('P1', 'pei_textured', null, 'lot', 55, 8, 6, 6, 6, $minutes, forUse: true);
        $bare = self::bare([$use()]);
        // By hand: a 9.5 + 0.5·6, b 0.5 + 0.5·2.
        self::assertEqualsWithDelta([12.5, 1.5], [$bare->hold->belief->a, $bare->hold->belief->b], 1e-12);
        self::assertSame(['successes' => 0, 'runs' => 0], $bare->hold->own());
        self::assertSame('likeness.use_same', $bare->hold->evidence[0]->likeness->words()->key);
        self::assertSame('alike', $bare->basis());
    }

    public function testARunIsLikeInTheAirOfItsOwnRoom(): void
    {
        // An open bench in an unheated workshop at 5 °C is other air than one at 20 °C.
        $runs = static fn (float $roomC): OwnRuns => RunsMade::of('P1', 'pei_textured', null, 'lot', 55, 8, 8, 8, 8, printerId: 'other', enclosed: self::job('pla')->printer->enclosed, roomC: $roomC);
        self::assertSame(['likeness.printer'], self::unlike($runs(20.0)));
        self::assertSame(['likeness.air'], self::unlike($runs(1.0)));
    }

    public function testHowRunsEndedIsReadAsItWasWritten(): void
    {
        // Held, effort, damage, times: as the tally lists them.
        $counts = RunCount::listed('0,,,2;1,0,0,5;1,3,0,1;1,,,1');
        self::assertSame([9, 7, 6, 5], OwnRuns::tallied('0,,,2;1,0,0,5;1,3,0,1;1,,,1'));
        self::assertSame([0, 0, 0, 0], OwnRuns::tallied(''));
        self::assertSame([], RunCount::listed(''));
    }

    public function testTheSentenceTellsThreeThings(): void
    {
        $bare = self::bare([RunsMade::of('P1', 'pei_textured', null, 'lot', 55, 8, 7, 0, 0)]);
        self::assertSame(
            'expect.hold.together practice=0.95 own=[expect.hold.own successes=7 runs=8 likeness=likeness.same worth=8] together=0.9167',
            Said::of($bare->reasons()[0]),
        );
        self::assertSame('expect.release.practice_only practice=0.95', Said::of($bare->reasons()[1]));
    }

    public function testTheSpanOfTheBelief(): void
    {
        // R qbeta(c(.05, .95), 17, 3) from the references: Beta(9.5 + 7.5, 0.5 + 2.5) cannot be had with whole runs, so fair (7, 3) and ten held.
        $glass = self::rank(self::job('pla'), [self::side('glass')], [], [RunsMade::of('P1', 'glass', null, 'lot', 60, 10, 10, 0, 0)])->candidates[0];
        self::assertEqualsWithDelta([17, 3], [$glass->hold->belief->a, $glass->hold->belief->b], 1e-12);
        self::assertEqualsWithDelta([0.704197986, 0.955535158], [$glass->hold->interval()->low, $glass->hold->interval()->high], 1e-8);
    }

    public function testWithoutALotEveryLotIsThisLot(): void
    {
        $experience = new Experience([RunsMade::of('P1', 'glass', null, 'any', 60, 3, 3, 0, 0)]);
        $job = self::job('pla', ['lotId' => null]);
        self::assertTrue($experience->near($job, self::side('glass'), null, 62)['hold'][0]->likeness->same());
        self::assertSame([], $experience->near($job, self::side('glass'), null, 66)['hold']);
        self::assertSame([], $experience->near($job, self::side('glass'), null, null)['hold'], 'Heated runs say nothing of a bed that is off.');
    }

    public function testWhatOnlyABrimHeldOrAnotherExposureSaysNothing(): void
    {
        $ears = new Experience([RunsMade::of('P1', 'glass', null, 'lot', 60, 9, 9, 9, 9, ownBrim: true)]);
        self::assertSame([], $ears->near(self::job('pla'), self::side('glass'), null, 60)['hold']);
        // Exposures within a tenth are the same setting (ours); a rung further on is another.
        $resin = new Experience([RunsMade::of('P1', 'resin_sanded', null, 'lot', null, 9, 9, 9, 9, exposureS: 27.0)]);
        $job = self::job('resin');
        self::assertNotSame([], $resin->near($job, self::side('resin_sanded'), null, 28)['hold']);
        self::assertSame([], $resin->near($job, self::side('resin_sanded'), null, 36)['hold']);
    }

    public function testFullPlatesAreToldFromPlatesWithFewerParts(): void
    {
        $runs = [
            RunsMade::of('P1', 'pei_textured', null, 'lot', 55, 8, 8, 8, 8, 25, 4),
            RunsMade::of('P1', 'pei_textured', null, 'lot', 55, 3, 2, 3, 3, 25, 1),
        ];
        $said = static fn (int $parts): array => array_map(
            static fn (Evidence $each): array => [$each->successes, $each->runs, Said::of($each->words())],
            (new Experience($runs))->near(self::job('pla', ['partCount' => $parts]), self::side('pei_textured'), null, 55)['hold'],
        );
        self::assertSame([[8, 8, 'likeness.same'], [2, 3, 'likeness.fewer_parts likeness=likeness.same']], $said(4));
        self::assertSame([[10, 11, 'likeness.same']], $said(1), 'A single part is a full plate.');
        self::assertSame([[10, 11, 'likeness.fewer_parts likeness=likeness.same']], $said(9));
    }

    public function testBeyondWhatWasProvenIsSaid(): void
    {
        $runs = [
            RunsMade::of('P1', 'pei_textured', null, 'lot', 55, 8, 8, 8, 8, 25, 2),
            RunsMade::of('P1', 'pei_textured', null, 'other', 55, 2, 2, 2, 2, 40, 1),
        ];
        $long = self::rank(self::job('pla', ['minutes' => 300.0, 'partCount' => 12]), [self::side('pei_textured')], [], $runs)->candidates[0];
        self::assertStringContainsString('reason.longer longest=2400 job=18000', implode(' ', Said::all($long->reasons())));
        self::assertStringContainsString('reason.fuller most=2 parts=12', implode(' ', Said::all($long->reasons())));
        $within = self::rank(self::job('pla', ['minutes' => 30.0, 'partCount' => 2]), [self::side('pei_textured')], [], $runs)->candidates[0];
        self::assertStringNotContainsString('reason.longer', implode(' ', Said::all($within->reasons())));
    }

    /** @param list<OwnRuns> $runs */
    private static function bare(array $runs): Candidate
    {
        $bare = self::find(self::rank(self::job('pla'), [self::side('pei_textured')], [], $runs), 'pei_textured');
        self::assertNotNull($bare);

        return $bare;
    }
}
