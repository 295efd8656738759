<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Judge;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Judge\CoatLife;
use Sitzplatz\Judge\NotRunTogether;
use Sitzplatz\Judge\SetupRecord;
use Sitzplatz\Statistics\CommonSlope;
use Sitzplatz\Statistics\InvalidArgument;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Limits;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\Reading;
use Sitzplatz\Tests\Core\Words\Said;

/** Trade notes, section 4: a coat lasts "5–10 prints", "30–50 prints in the same spot"; nobody counts them today. */
final class CoatLifeTest extends TestCase
{
    /** R `Orange`, trees 1, 2 and 3, as the circumference by age. */
    private const TREES = [
        [[118, 30], [484, 58], [664, 87], [1004, 115], [1231, 120], [1372, 142], [1582, 145]],
        [[118, 33], [484, 69], [664, 111], [1004, 156], [1231, 172], [1372, 203], [1582, 203]],
        [[118, 30], [484, 51], [664, 75], [1004, 108], [1231, 115], [1372, 139], [1582, 140]],
    ];

    /** R: lm(circumference ~ Tree + age), of age the coefficient, its p value and confint. */
    public function testOneSlopeOfSeveralGroupsIsAsInR(): void
    {
        $slope = CommonSlope::of(array_values(array_map(
            static fn (array $tree): array => array_map(static fn (array $at): array => [(float) $at[0], (float) $at[1]], $tree),
            self::TREES,
        )));
        self::assertEqualsWithDelta(0.0958835009190, $slope->slope, 1e-12);
        self::assertEqualsWithDelta(0.0825540091959, $slope->interval->low, 1e-10);
        self::assertEqualsWithDelta(0.1092129926421, $slope->interval->high, 1e-10);
        self::assertEqualsWithDelta(2.57094876825e-11, $slope->p, 1e-17);
        self::assertSame(17, $slope->df);
        foreach ([[], [[[1.0, 2.0], [2.0, 3.0]]], [[[1.0, 2.0], [1.0, 3.0], [1.0, 4.0]]], [[[1.0, 2.0], [2.0, 4.0], [3.0, 6.0]]]] as $groups) {
            try {
                CommonSlope::of($groups);
                self::fail('There is none.');
            } catch (InvalidArgument $e) {
                self::assertContains($e->reason, ['too_few', 'no_spread']);
            }
        }
    }

    public function testACoatLastsUntilTheFirstPrintThatFails(): void
    {
        // The second coat needs a scraper at its print 4; the void print 2 of the first wore it.
        $life = self::life([1 => 1, 3 => 1, 4 => 2, 5 => 1], [1 => 1, 2 => 1, 3 => 1, 4 => 3, 5 => 1]);
        self::assertSame([['prints' => 5, 'failedAt' => null], ['prints' => 5, 'failedAt' => 4]], $life->coats);
        self::assertSame([3, false, null], [$life->renewAfter, $life->atLeast, $life->slope]);
        self::assertSame(3, $life->careAfter(), 'Care goes by the same.');
        self::assertSame(['coat_life.lasted coat=1 prints=5 at=0', 'coat_life.failed coat=2 prints=5 at=4', 'coat_life.renew prints=3 coats=2'], Said::all($life->sentences));
        $none = self::life([1 => 1, 2 => 1, 3 => 1], [1 => 1, 2 => 1]);
        self::assertSame([2, true], [$none->renewAfter, $none->atLeast], 'No coat vouches for more prints than the shortest saw.');
        self::assertStringStartsWith('coat_life.renew_at_least', Said::of($none->sentences[2]));
        self::assertSame('coat_life.renew_each prints=0 coats=1', Said::of(self::life([1 => 4])->sentences[1]));
        self::assertNull(CoatLife::of(new SetupRecord('A', []), self::limits(), []));
    }

    public function testHowThePullChangesIsSaidWithItsInterval(): void
    {
        $life = self::life([1 => 1, 2 => 1, 3 => 1, 4 => 1], [1 => 1, 2 => 1, 3 => 1, 4 => 1], [9.0, 7.9, 7.1, 6.0, 10.1, 8.9, 8.0, 7.1]);
        self::assertEqualsWithDelta(-0.985, (float) $life->slope?->slope, 1e-9);
        self::assertStringStartsWith('coat_life.slope_down by=0.985', Said::of($life->sentences[3]));
        $flat = self::life([1 => 1, 2 => 1, 3 => 1], [1 => 1, 2 => 1, 3 => 1], [9.0, 7.0, 9.1, 8.0, 9.0, 8.1]);
        self::assertStringStartsWith('coat_life.slope_none', Said::of($flat->sentences[3]));
    }

    public function testWhatStandsBesideIsNeverCalledTheSame(): void
    {
        $now = ['room' => 20.0, 'gap' => 0.1, 'lot' => 'L-1', 'brim' => 'none'];
        self::assertSame('control.as_held', Said::of(NotRunTogether::in($now, ['room' => 21.5] + $now)));
        self::assertSame('control.differs factors=[factor.room; factor.gap; factor.lot]', Said::of(NotRunTogether::in($now, ['room' => 25.0, 'gap' => null, 'lot' => 'L-2'] + $now)));
    }

    /**
     * @param array<int, int>      $first  effort by the number of the print on the coat
     * @param array<int, int>|null $second likewise
     * @param list<float>          $pulls  N, of all in order
     */
    private static function life(array $first, ?array $second = null, array $pulls = []): CoatLife
    {
        $runs = $visits = $prints = [];
        foreach (array_filter([$first, $second]) as $coat => $efforts) {
            foreach ($efforts as $print => $effort) {
                $pull = isset($pulls[\count($runs)]) ? [new Reading(Measure::PullCold, $pulls[\count($runs)])] : [];
                $runs[] = [new Reading(Measure::Held, 1), new Reading(Measure::Effort, $effort), new Reading(Measure::Damage, 0), ...$pull];
                $visits[] = "visit/$coat";
                $prints[] = $print;
            }
        }

        return CoatLife::of(new SetupRecord('A', $runs, null, $visits), self::limits(), $prints) ?? self::fail();
    }

    private static function limits(): Limits
    {
        return new Limits(null, 12.0, Effort::Flex);
    }
}
