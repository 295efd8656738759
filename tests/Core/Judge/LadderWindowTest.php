<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Judge;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Judge\LadderRung;
use Sitzplatz\Judge\LadderWindow;
use Sitzplatz\Judge\SetupJudgement;
use Sitzplatz\Judge\SetupRecord;
use Sitzplatz\Test\Criterion;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Limits;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Test\Reading;
use Sitzplatz\Tests\Core\Words\Said;
use Sitzplatz\Words\Sentence;

/** Trade notes, section 7: "90 failed, 100 held with slight lift"; what a ladder says lies between rungs, and says between which. */
final class LadderWindowTest extends TestCase
{
    public function testBothEndsAreSaidWithTheRungBeyondThem(): void
    {
        $window = LadderWindow::of([self::rung(90, fails: 14), self::rung(95, runs: 3), self::rung(100), self::rung(105), self::rung(110, welds: 14)], 'bed');
        self::assertSame([100.0, 105.0], [$window->holdsAt, $window->letsGoAt]);
        self::assertSame([
            'ladder.hold.open at=100 before=95 nearer=ladder.hold.more',
            'ladder.release.refused at=105 before=110 nearer=ladder.release.more',
        ], array_map(Said::of(...), \array_slice($window->sentences, 0, 2)));
        self::assertLessThan(0.001, $window->trendP);
    }

    public function testWhatWasNotTriedIsNotVouchedFor(): void
    {
        $window = LadderWindow::of([self::rung(60), self::rung(65)], 'bed');
        self::assertSame(['ladder.hold.first', 'ladder.release.first'], self::keys($window));
        self::assertSame([60.0, 65.0], [$window->holdsAt, $window->letsGoAt]);
        $nothing = LadderWindow::of([self::rung(60, runs: 2), self::rung(65, runs: 2)], 'bed');
        self::assertSame(['ladder.hold.none', 'ladder.release.none'], self::keys($nothing));
        self::assertSame([null, null], [$nothing->holdsAt, $nothing->letsGoAt]);
    }

    public function testAGapHoldsTowardsTheNearAndLetsGoTowardsTheFar(): void
    {
        // Nearer grips more: the order of the rungs is that of the grip, not of the figure.
        $window = LadderWindow::of([self::rung(0.05, grip: -0.05, welds: 14), self::rung(0.1, grip: -0.1), self::rung(0.16, grip: -0.16, fails: 14)], 'gap');
        self::assertSame([0.1, 0.1], [$window->holdsAt, $window->letsGoAt]);
        self::assertStringStartsWith('ladder.hold.refused at=0.1 before=0.16 nearer=ladder.hold.gap', Said::of($window->sentences[0]));
    }

    public function testWhereOneEndContradictsTheOtherThereIsNoWindow(): void
    {
        $contradicts = LadderWindow::of([self::rung(60), self::rung(65, fails: 14)], 'bed');
        self::assertSame('ladder.hold.contradicts', self::keys($contradicts)[0]);
        self::assertNull($contradicts->holdsAt);
        $none = LadderWindow::of([self::rung(60, fails: 14), self::rung(65, welds: 14)], 'bed');
        self::assertNull($none->letsGoAt);
        $crossed = LadderWindow::of([self::rung(60, fails: 14), self::rung(62, runs: 14, unsaid: true), self::rung(65, welds: 14)], 'bed');
        self::assertSame([62.0, null], [$crossed->holdsAt, $crossed->letsGoAt]);
    }

    /** @return list<string> */
    private static function keys(LadderWindow $window): array
    {
        return array_map(static fn (Sentence $each): string => $each->key, \array_slice($window->sentences, 0, 2));
    }

    private static function rung(float $at, int $runs = 14, int $fails = 0, int $welds = 0, ?float $grip = null, bool $unsaid = false): LadderRung
    {
        $readings = [];
        for ($i = 0; $i < $runs; ++$i) {
            $held = $i >= $fails;
            $readings[] = [
                new Reading(Measure::Held, $held ? 1 : 0),
                ...($held && !$unsaid ? [new Reading(Measure::Effort, $i < $welds ? 4 : 1), new Reading(Measure::Damage, $i < $welds ? 1 : 0)] : []),
            ];
        }
        $plan = new ProofPlan(new Limits(null, null, Effort::Flex), Criterion::Counts, 0.8, 0, Design::Fixed, 14, 0, 14);

        return new LadderRung("at $at", $at, $grip ?? $at, SetupJudgement::of(new SetupRecord("at $at", $readings), $plan));
    }
}
