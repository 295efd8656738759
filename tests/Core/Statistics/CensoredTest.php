<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Statistics;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Statistics\InvalidArgument;
use Sitzplatz\Statistics\KaplanMeier;
use Sitzplatz\Statistics\LogRank;
use Sitzplatz\Statistics\Weibull;

/** Values that are known only from below, against R's package survival: survfit, survdiff, survreg. */
final class CensoredTest extends TestCase
{
    /** R: survival::aml, remission in weeks (Miller 1997). */
    private const MAINTAINED = [[9, 13, 18, 23, 31, 34, 48], [13, 28, 45, 161]];
    private const NONMAINTAINED = [[5, 5, 8, 8, 12, 23, 27, 30, 33, 43, 45], [16]];
    private const PULLS = [[[22, 25, 31, 28], [30]], [[15, 18, 22, 19, 20], []], [[30, 35], [40, 40, 40]]];

    public function testTheShareThatIsStillThere(): void
    {
        $km = KaplanMeier::of(...self::floats(self::MAINTAINED));
        self::assertSame([11, 7], [$km->n, $km->events]);
        self::assertEqualsWithDelta(
            [[9, 0.9090909090909], [13, 0.8181818181818], [18, 0.7159090909091], [23, 0.6136363636364], [31, 0.4909090909091], [34, 0.3681818181818], [48, 0.1840909090909]],
            $km->steps,
            1e-12,
        );
        self::assertEqualsWithDelta(31, $km->median() ?? 0, 0);
        self::assertEqualsWithDelta(23, KaplanMeier::of(...self::floats(self::NONMAINTAINED))->median() ?? 0, 0);
        self::assertNull(KaplanMeier::of(...self::floats(self::PULLS[2]))->median());
        // Where it stays on a half, R takes the middle up to the next; where nothing follows, its beginning.
        self::assertEqualsWithDelta(2.5, KaplanMeier::of([1.0, 2.0, 3.0, 4.0], [])->median() ?? 0, 1e-12);
        self::assertEqualsWithDelta(2, KaplanMeier::of([1.0, 2.0], [3.0, 4.0])->median() ?? 0, 1e-12);
    }

    public function testGroupsAreHeldAgainstEachOther(): void
    {
        $aml = LogRank::of([self::floats(self::MAINTAINED), self::floats(self::NONMAINTAINED)]);
        self::assertEqualsWithDelta([3.39638869898, 1, 0.0653393220405], [$aml->statistic, $aml->df, $aml->p], 1e-10);
        $pulls = LogRank::of(array_map(self::floats(...), self::PULLS));
        self::assertEqualsWithDelta([18.6207400228, 2, 9.04810599557e-05], [$pulls->statistic, $pulls->df, $pulls->p], 1e-9);
        self::assertEqualsWithDelta(9.04810599557e-05, $pulls->p, 1e-13);
    }

    /**
     * R: survreg for shape and scale; the ends of the profile by uniroot over optimize of the same likelihood.
     *
     * @param array{list<int>, list<int>} $values
     */
    #[TestWith([self::MAINTAINED, 1.0318542417, 60.3228897753, 6.81288115372, 0.857194298556, 19.7698739686])]
    #[TestWith([self::PULLS[0], 8.66843089225, 29.1871808164, 22.513714966, 13.8786175236, 26.6626484894])]
    #[TestWith([self::PULLS[1], 9.67372754606, 19.8041166565, 15.6937591481, 10.8858453031, 18.2431531791])]
    public function testAWeibullByItsLikelihood(array $values, float $shape, float $scale, float $exceeded, float $low, float $high): void
    {
        $fit = Weibull::of(...self::floats($values));
        self::assertEqualsWithDelta($shape, $fit->shape, 1e-6 * $shape);
        self::assertEqualsWithDelta($scale, $fit->scale, 1e-6 * $scale);
        self::assertEqualsWithDelta($exceeded, $fit->exceededBy(0.9), 1e-6 * $exceeded);
        self::assertEqualsWithDelta([$low, $high], $fit->exceededByInterval(0.9)->toArray(), 1e-4);
    }

    public function testWhatCannotBeFittedIsSaid(): void
    {
        foreach ([[[3.0], [4.0, 5.0], 'too_few'], [[0.0, 3.0], [], 'not_positive'], [[3.0, 3.0], [], 'no_spread']] as [$exact, $atLeast, $why]) {
            try {
                Weibull::of($exact, $atLeast);
                self::fail('It is fitted.');
            } catch (InvalidArgument $e) {
                self::assertSame($why, $e->reason);
            }
        }
        $this->expectException(InvalidArgument::class);
        LogRank::of([[[], [1.0, 2.0]], [[], [3.0]]]);
    }

    /**
     * @param array{list<int>, list<int>} $values
     *
     * @return array{list<float>, list<float>}
     */
    private static function floats(array $values): array
    {
        return [array_map(floatval(...), $values[0]), array_map(floatval(...), $values[1])];
    }
}
