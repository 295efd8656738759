<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Evidence;

use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Evidence\Learned\Answered;
use Sitzplatz\Evidence\Learned\Levels;
use Sitzplatz\Evidence\Learned\Posterior;
use Sitzplatz\Evidence\Learned\Prediction;
use Sitzplatz\Evidence\Learned\Shop;
use Sitzplatz\Evidence\Learned\Situation;
use Sitzplatz\Evidence\Learned\Spreads;
use Sitzplatz\Evidence\Learned\Success;

/** What is kept of what a shop learned: it says the same as the whole of it. */
final class PosteriorTest extends TestCase
{
    public function testWhatIsKeptSaysTheSameAsTheWhole(): void
    {
        [$shop, $answers] = self::shop();
        $kept = Posterior::kept($shop->known(static fn (): bool => true)->packed());
        foreach ($answers as $answer) {
            $whole = $shop->expects($answer->situation);
            $said = $kept->expects($answer->situation)->chance;
            // Covariances are kept as short numbers.
            self::assertEqualsWithDelta([$whole->mean, $whole->variance], [$said->mean, $said->variance], 2e-6);
        }
        // What was never there is as wide as its kind, and what was there is told apart from it.
        $new = self::situation('P99', 'another', 'pei', 2.0);
        self::assertEqualsWithDelta($shop->expects($new)->mean, $kept->expects($new)->chance->mean, 1e-6);
    }

    /** What never met in a print is taken to hang together by nothing; that moves a chance by little. */
    public function testWhatNeverMetIsNearTheWhole(): void
    {
        [$shop] = self::shop();
        $kept = $shop->known(static fn (): bool => true);
        foreach (['P1', 'P2', 'P3', 'P4'] as $side) {
            foreach (['pei', 'glass', 'board'] as $surface) {
                $asked = self::situation($side, 'north', $surface, 1.0);
                self::assertEqualsWithDelta($shop->expects($asked)->share(), $kept->expects($asked)->chance->share(), 0.01);
            }
        }
    }

    public function testOnlyWhatIsAskedIsKeptAndHowManyPrintsItHad(): void
    {
        [$shop, $answers] = self::shop();
        $posterior = $shop->known(static fn (string $kind, string $level): bool => !str_contains($level, 'P1'));
        $asked = self::situation('P1', 'north', 'pei', 1.0);
        self::assertGreaterThan($shop->expects($asked)->variance + 0.01, $posterior->expects($asked)->chance->variance);
        $all = Posterior::kept($shop->known(static fn (): bool => true)->packed());
        $of = array_filter($answers, static fn (Answered $each): bool => 'pla'."\0".'P2' === ($each->situation->levels['side'] ?? ''));
        self::assertSame([\count($of), \count(array_filter($of, static fn (Answered $each): bool => $each->well))], $all->counted(Levels::ofSide('pla', 'P2', 'P2')));
        self::assertSame([0, 0], $all->counted(Levels::ofSide('pla', 'P77', 'P77')));
    }

    public function testInTermsItIsTheSameAsInOne(): void
    {
        [$shop] = self::shop();
        $posterior = $shop->known(static fn (): bool => true);
        $one = self::situation('P2', 'north', 'pei', 3.0);
        $terms = [
            $posterior->term(Levels::ofJob('pla', 'north', '', 'L1', Levels::USE), Situation::size(1, 180.0)),
            $posterior->term(Levels::ofSurface('pei'), ['warp' => -0.4]),
            $posterior->term(Levels::ofSide('pla', 'P2', 'P2'), []),
            $posterior->term(Levels::ofTreatment('pla', 'pei', null, false), []),
        ];
        $apart = Prediction::of($one->practice, $terms, $posterior);
        $whole = $posterior->expects($one);
        self::assertEqualsWithDelta([$whole->chance->mean, $whole->chance->variance], [$apart->chance->mean, $apart->chance->variance], 1e-9);
        self::assertEqualsWithDelta($whole->chance->variance, $apart->covariance($apart), 1e-9);
        self::assertEqualsWithDelta($whole->chance->variance, $whole->covariance($apart), 1e-9);
    }

    /** After a failure: where optimize() of R has the mode of N(2, 1) and one failure, and what hangs together with it by 0.6 moves along. */
    public function testAFailureMovesWhatHangsTogetherWithIt(): void
    {
        // Two sums that share nothing but one effect, with variances 1 and 0.8 and a covariance of 0.6.
        $posterior = Posterior::of(Spreads::usual(), ['a' => 2.0, 'b' => 1.5], ['a' => ['a' => 1.0, 'b' => 0.6], 'b' => ['b' => 0.8]]);
        $one = Prediction::of(0.0, [$posterior->term([], ['a' => 1.0])], $posterior);
        $other = Prediction::of(0.0, [$posterior->term([], ['b' => 1.0])], $posterior);
        $then = $other->onceFailed($one);
        self::assertEqualsWithDelta([1.03605039, 0.74629571], [$then->mean, $then->variance], 1e-7);
        $again = $one->onceFailed($one);
        self::assertEqualsWithDelta([1.22675064, 0.85082141], [$again->mean, $again->variance], 1e-7);
        self::assertLessThan($one->chance->share(), $again->share());
        self::assertLessThan($other->chance->share(), $then->share());
    }

    public function testAChartOfTheMakerIsAWiderGrade(): void
    {
        $posterior = Posterior::unlearned(Spreads::usual());
        $wide = static fn (bool $chart): float => $posterior->term(Levels::ofTreatment('pla', 'pei', null, $chart), [])->variance;
        self::assertEqualsWithDelta([1.0, 1.96], [$wide(false), $wide(true)], 1e-12);
    }

    /** What fails ends early: how long it took is no matter of how long it was to be. */
    public function testAPrintIsAsLongAsItWasPlanned(): void
    {
        $made = static fn (?float $minutes): array => Situation::ofMade(Success::Held, null, ['warp' => -1.0, 'r_contact' => -2.0], 2, $minutes, [])->measures;
        self::assertEqualsWithDelta(['ungraded' => 1.0, 'warp' => -1.0, 'parts' => -log(2), 'time' => -log(2)], $made(120.0), 1e-12);
        self::assertEqualsWithDelta(0.0, $made(null)['time'], 1e-12);
        self::assertSame(['r_contact', 'parts', 'time'], array_keys(Situation::ofMade(Success::Released, Grade::Fair, ['warp' => -1.0, 'r_contact' => -2.0], 1, null, [])->measures));
    }

    /** @return array{Shop, list<Answered>} */
    private static function shop(): array
    {
        $random = new Randomizer(new Xoshiro256StarStar(11));
        $answers = [];
        foreach (range(1, 160) as $i) {
            $side = 'P'.$random->getInt(1, 4);
            $surface = ['P1' => 'pei', 'P2' => 'pei', 'P3' => 'glass', 'P4' => 'board'][$side];
            $answers[] = new Answered(self::situation($side, 0 === $i % 3 ? 'south' : 'north', $surface, $random->getInt(5, 60) / 10), $random->getInt(1, 10) <= ('P3' === $side ? 5 : 9));
        }

        return [Shop::learn($answers, Spreads::usual()), $answers];
    }

    private static function situation(string $side, string $printer, string $surface, float $hours): Situation
    {
        return new Situation(log(19), ['warp' => -0.4] + Situation::size(1, 60 * $hours), Levels::ofJob('pla', $printer, '', 'L1', Levels::USE)
            + Levels::ofSurface($surface) + Levels::ofSide('pla', $side, $side) + Levels::ofTreatment('pla', $surface, null, false));
    }
}
