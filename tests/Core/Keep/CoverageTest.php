<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Keep;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Keep\Coverage;
use Sitzplatz\Keep\Printed;
use Sitzplatz\Keep\SeatState;
use Sitzplatz\Keep\SignedSeat;
use Sitzplatz\Tests\Core\Words\Said;

final class CoverageTest extends TestCase
{
    public function testAPrintAtAnotherBedIsNotCoveredByAProfile(): void
    {
        $printed = [self::printed(60.0, 80), self::printed(55.0, 20), self::printed(null, 5)];
        $coverage = Coverage::of($printed, [self::seat(55.0)]);
        self::assertSame([105, 20], [$coverage->prints, $coverage->covered]);
        self::assertSame([80, 5], array_map(static fn (Printed $gap): int => $gap->prints, $coverage->gaps), 'The most printed first.');
        // 20 of 105.
        self::assertStringStartsWith('coverage.share share=0.19', Said::of($coverage->sentence()));
        self::assertStringEndsWith('prints=105 gaps=2', Said::of($coverage->sentence()));
        self::assertSame('coverage.nothing', Said::of(Coverage::of([], [])->sentence()));
        self::assertSame(0, Coverage::of([self::printed(55.0, 20)], [self::seat(55.0, doubted: true), self::seat(55.0, trial: true)])->covered);
        self::assertSame(9, Coverage::of([self::printed(null, 9, 32.0), self::printed(null, 4, 36.0)], [self::seat(null, exposureS: 32.0)])->covered, 'A resin is told by its exposure.');
    }

    /** What was validated on one side vouches for that side; what was validated on any of the kind, for all. */
    public function testAProfileOfOneSideIsNoneOfAnother(): void
    {
        $seat = static fn (?string $side): SignedSeat => new SignedSeat('pla', 'North bay', $side, 'pei_textured', null, 55.0, null, false, false, 'profile', null, 2);
        $printed = self::printed(55.0, 1);
        self::assertTrue($seat('P1')->covers($printed));
        self::assertTrue($seat(null)->covers($printed));
        self::assertFalse($seat('P2')->covers($printed));
        foreach ([['petg', 'North bay', 'P1', 'pei_textured', null], ['pla', 'Dome', 'P1', 'pei_textured', null], ['pla', 'North bay', 'P1', 'glass', null], ['pla', 'North bay', 'P1', 'pei_textured', 'stick']] as [$material, $printer, $side, $surface, $agent]) {
            self::assertFalse($seat(null)->covers(new Printed($material, $printer, $side, $surface, $agent, 55.0, null, 1, 1, null)), "$material $printer $surface $agent");
        }
    }

    public function testAFieldSaysWhatIsWorthTheMostThereAndHowFarItReaches(): void
    {
        $seats = [self::seat(55.0, trial: true), self::seat(55.0, doubted: true, longest: 600.0), self::seat(55.0, longest: 24.0), self::seat(60.0, longest: 90.0)];
        self::assertSame(SeatState::Proven, SeatState::of($seats, false));
        self::assertSame('seat_reach.up_to longest=5400 parts=2', Said::of(SeatState::best($seats)?->reach()));
        self::assertSame(SeatState::InQuestion, SeatState::of(\array_slice($seats, 0, 2), true));
        self::assertSame('seat_reach.no_length parts=2', Said::of(SeatState::best(\array_slice($seats, 0, 1))?->reach()));
        self::assertSame([SeatState::Printed, SeatState::Nothing], [SeatState::of([], true), SeatState::of([], false)]);
    }

    private static function printed(?float $bedC, int $prints, ?float $exposureS = null): Printed
    {
        return new Printed('pla', 'North bay', 'P1', 'pei_textured', null, $bedC, $exposureS, $prints, $prints, null);
    }

    private static function seat(?float $bedC, bool $trial = false, bool $doubted = false, ?float $longest = null, ?float $exposureS = null): SignedSeat
    {
        return new SignedSeat('pla', 'North bay', 'P1', 'pei_textured', null, $bedC, $exposureS, $trial, $doubted, 'profile', $longest, 2);
    }
}
