<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Test;

use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Sitzplatz\Test\Life\Fact\Marked;
use Sitzplatz\Test\Life\Refusal;
use Sitzplatz\Test\MarkKind;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Test\PlateSpot;

/** Where a part stands, and where a plate is marked. */
final class PlateSpotTest extends TestCase
{
    public function testSinglePartsAreSpreadIfWantedAndAFullPlateOrAStayingCoatIsNot(): void
    {
        self::assertTrue(PlateSpot::spreads(true, 1, false));
        foreach ([[false, 1, false], [true, 2, false], [true, 1, true], [false, 2, true]] as [$wanted, $parts, $stays]) {
            self::assertFalse(PlateSpot::spreads($wanted, $parts, $stays));
        }
    }

    public function testEachSpotComesOnceBeforeAnyComesAgain(): void
    {
        $spots = PlateSpot::inTurn(12, new Randomizer(new Xoshiro256StarStar(2)));
        self::assertCount(12, $spots);
        foreach ([0, 5] as $from) {
            self::assertEqualsCanonicalizing(PlateSpot::cases(), \array_slice($spots, $from, 5));
        }
        // From the front left, as the plate is looked at.
        self::assertSame([['place' => 1, 'x' => 0.5, 'y' => 0.5], ['place' => 2, 'x' => 0.2, 'y' => 0.2], ['place' => 3, 'x' => 0.8, 'y' => 0.2], ['place' => 4, 'x' => 0.2, 'y' => 0.8], ['place' => 5, 'x' => 0.8, 'y' => 0.8]], array_map(static fn (PlateSpot $spot): array => $spot->at(), PlateSpot::cases()));
    }

    public function testAMarkLiesOnThePlateAndAtAPartThatIsThere(): void
    {
        foreach ([[0.0, 0.0, null], [1.0, 1.0, 1], [0.5, 0.5, 3]] as [$x, $y, $place]) {
            $mark = Marked::on(MarkKind::Damage, $x, $y, $place, 3, null);
            self::assertSame([$x, $y, $place], [$mark->x, $mark->y, $mark->place]);
        }
        foreach ([[-0.01, 0.5, null], [1.01, 0.5, null], [0.5, -0.01, null], [0.5, 1.01, null], [0.5, 0.5, 0], [0.5, 0.5, 4]] as [$x, $y, $place]) {
            try {
                Marked::on(MarkKind::Damage, $x, $y, $place, 3, null);
                self::fail("$x $y $place");
            } catch (Refusal $refusal) {
                self::assertSame('place', $refusal->field);
            }
        }
        self::assertNull(Marked::on(MarkKind::Failed, 0.5, 0.5, null, 1, Outcome::CameOff)->place);
        $this->expectException(Refusal::class);
        Marked::on(MarkKind::Failed, 0.5, 0.5, null, 1, Outcome::Held);
    }
}
