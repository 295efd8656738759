<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Choose\Expectation\Expectation;
use Sitzplatz\Choose\Expectation\RunsToTell;
use Sitzplatz\Evidence\Learned\Posterior;
use Sitzplatz\Evidence\Learned\Prediction;
use Sitzplatz\Evidence\Learned\Spreads;
use Sitzplatz\Statistics\LogisticNormal;
use Sitzplatz\Statistics\ShareOfBoth;
use Sitzplatz\Tests\Core\Words\Said;

/**
 * Against R: the Beta with the moments of the share (integrate), all that can come of each run by the Beta–binomial, told by qbeta
 * (Clopper–Pearson) or by digamma and trigamma on log-odds, run by run, until it is told; the cumulated chance first passes a half and four
 * fifths at these runs.
 */
final class RunsToTellTest extends TestCase
{
    /** R: strong 0.923 at 5; fair 0.595 at 6 and 0.804 at 15; poor 0.554 at 6 and 0.779 at 20; never 0.738 at 5 and 0.901 at 7. */
    #[TestWith([Grade::Strong, 5, 5])]
    #[TestWith([Grade::Fair, 6, 15])]
    #[TestWith([Grade::Poor, 6, null])]
    #[TestWith([Grade::Never, 5, 7])]
    public function testAGradeIsConfirmedOrRefuted(Grade $grade, int $from, ?int $to): void
    {
        $runs = RunsToTell::ofGrade(self::untried($grade));
        self::assertSame([$from, $to], [$runs?->from, $runs?->to]);
    }

    /**
     * R: 0.446 at 20; 0.802 at 16; 0.527 at 20; 0.357 at 20.
     *
     * @param array{float, float} $one     mean and variance of log-odds, holding
     * @param array{float, float} $other
     * @param array{float, float} $release
     */
    #[TestWith([[1.5, 0.4], [1.0, 0.4], [2.0, 0.4], null, null])]
    #[TestWith([[1.0, 1.7], [-0.5, 1.7], [2.0, 1.0], 4, 16])]
    #[TestWith([[0.5, 0.5], [1.0, 0.5], [2.0, 0.4], 19, null])]
    #[TestWith([[2.9, 1.0], [2.8, 1.0], [2.9, 1.0], null, null])]
    public function testTwoAreToldApart(array $one, array $other, array $release, ?int $from, ?int $to): void
    {
        $released = new LogisticNormal(...$release);
        $runs = RunsToTell::apart(new ShareOfBoth(new LogisticNormal(...$one), $released), new ShareOfBoth(new LogisticNormal(...$other), $released));
        self::assertSame([$from, $to], [$runs?->from, $runs?->to]);
    }

    public function testItIsSaidAsARange(): void
    {
        $of = static fn (Grade $grade): RunsToTell => RunsToTell::ofGrade(self::untried($grade)) ?? self::fail();
        self::assertSame('runs.exactly from=5 to=5', Said::of($of(Grade::Strong)->words()));
        self::assertSame('runs.range from=6 to=15', Said::of($of(Grade::Strong)->and($of(Grade::Fair))->words()));
        self::assertSame('runs.from from=6 to=20', Said::of($of(Grade::Strong)->and($of(Grade::Poor))->words()));
    }

    private static function untried(Grade $grade): Expectation
    {
        $posterior = Posterior::of(Spreads::usual(), ['all' => 0.0], ['all' => ['all' => 1.7325]]);

        return new Expectation($grade, Prediction::of($grade->logOdds(), [$posterior->term([], ['all' => 1.0])], $posterior));
    }
}
