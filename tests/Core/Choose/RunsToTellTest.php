<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Choose\Expectation\Expectation;
use Sitzplatz\Choose\Expectation\RunsToTell;
use Sitzplatz\Statistics\Beta;
use Sitzplatz\Tests\Core\Words\Said;

/**
 * Against R: all that can come of each run by the Beta–binomial, told by qbeta (Clopper–Pearson) or by integrating
 * dbeta · pbeta, run by run, until it is told; the cumulated chance first passes a half and four fifths at these runs.
 */
final class RunsToTellTest extends TestCase
{
    /** R: strong 0.964 at 5; fair 0.577 at 5 and 0.802 at 8; poor 0.513 at 5 and 0.808 at 16; never 0.819 at 5. */
    #[TestWith([Grade::Strong, 5, 5])]
    #[TestWith([Grade::Fair, 5, 8])]
    #[TestWith([Grade::Poor, 5, 16])]
    #[TestWith([Grade::Never, 5, 5])]
    public function testAGradeIsConfirmedOrRefuted(Grade $grade, int $from, int $to): void
    {
        $runs = RunsToTell::ofGrade(Expectation::of($grade, 0, []));
        self::assertSame([$from, $to], [$runs?->from, $runs?->to]);
    }

    /** R: 0.513 at 15 and 0.593 at 20; 0.611 at 2 and 0.808 at 8; 0.525 at 11; 0.407 at 20. */
    #[TestWith([7.0, 3.0, 6.0, 4.0, 15, null])]
    #[TestWith([2.0, 1.0, 1.0, 2.0, 2, 8])]
    #[TestWith([4.0, 4.0, 5.0, 3.0, 11, null])]
    #[TestWith([9.3, 0.9, 9.0, 1.0, null, null])]
    public function testTwoAreToldApart(float $a, float $b, float $c, float $d, ?int $from, ?int $to): void
    {
        $runs = RunsToTell::apart(new Beta($a, $b), new Beta($c, $d));
        self::assertSame([$from, $to], [$runs?->from, $runs?->to]);
    }

    public function testItIsSaidAsARange(): void
    {
        $of = static fn (Grade $grade): RunsToTell => RunsToTell::ofGrade(Expectation::of($grade, 0, [])) ?? self::fail();
        self::assertSame('runs.exactly from=5 to=5', Said::of($of(Grade::Strong)->words()));
        self::assertSame('runs.range from=5 to=16', Said::of($of(Grade::Strong)->and($of(Grade::Poor))->words()));
    }
}
