<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Shape;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Shape\Internal\OpenChains;
use Sitzplatz\Shape\Point;
use Sitzplatz\Tests\Core\Words\Said;

/** Meshes as programs really write them: corners of neighbours that are not quite the same, and gaps. */
final class RoughMeshTest extends TestCase
{
    use BuildsMeshes;

    /** @return iterable<string, array{float, float}> share of the corners moved, and by how much at most, mm; 0: one step of a float */
    public static function scatter(): iterable
    {
        yield 'a tenth of the corners one float step off' => [0.1, 0.0];
        yield 'all corners one float step off' => [1.0, 0.0];
        yield 'a tenth of the corners a millionth off' => [0.1, 1e-6];
        yield 'all corners a millionth off' => [1.0, 1e-6];
        yield 'all corners a tenth of a micrometre off' => [1.0, 1e-4];
    }

    public function testManyGapsTakeLittleMemory(): void
    {
        $chains = array_map(static fn (int $i): array => [new Point(10.0 * ($i % 25), 10.0 * intdiv($i, 25)), new Point(10.0 * ($i % 25) + 4, 10.0 * intdiv($i, 25) + 3)], range(0, 599));
        memory_reset_peak_usage();
        $before = memory_get_usage();
        self::assertTrue(OpenChains::joined($chains)->gaps);
        self::assertLessThan(40e6, memory_get_peak_usage() - $before, 'A file may take 64 MB at most, with all that it holds.');
    }

    #[DataProvider('scatter')]
    public function testCornersThatAreNotQuiteTheSameStillMeet(float $share, float $byMm): void
    {
        $random = new \Random\Randomizer(new \Random\Engine\Xoshiro256StarStar(7));
        $move = static function (float $x) use ($random, $share, $byMm): float {
            if (($random->getInt(0, 999_999) / 1e6) >= $share) {
                return $x;
            }
            if ($byMm > 0) {
                return $x + $byMm * (2 * ($random->getInt(0, 999_999) / 1e6) - 1);
            }
            $bits = unpack('V', pack('g', $x)) ?: [1 => 0];

            return (unpack('g', pack('V', 0 === $bits[1] ? 0 : $bits[1] + $random->getInt(0, 1) * 2 - 1)) ?: [1 => 0.0])[1];
        };
        foreach ([3, 4, 5, 8, 17, 64, 200] as $n) {
            foreach ([0.0, 37.123, 211.7] as $at) {
                $polygon = self::regular($n, 18.37, $at, $at / 2);
                $facets = [...self::prism($polygon, 0, 15), ...self::prism(self::regular($n, 5.1, $at, $at / 2), 0, 15, true)];
                $rough = array_map(static fn (array $f): array => array_map($move, $f), $facets);
                $part = self::read(self::binary($rough));
                // A regular polygon: n/2 · r² · sin(2π/n).
                $area = $n / 2 * (18.37 ** 2 - 5.1 ** 2) * sin(2 * \M_PI / $n);
                self::assertEqualsWithDelta($area, $part->patch->areaMm2, 0.001 * $area + 0.02, "$n corners at $at");
                self::assertCount(1, $part->patch->islands, "$n corners at $at");
                self::assertCount(1, $part->patch->holes, "$n corners at $at");
                self::assertSame([], Said::all($part->remarks), 'What rounding keeps apart is no gap.');
            }
        }
    }

    public function testEachLoopIsClosedByItselfWhereFacetsAreMissing(): void
    {
        // Two boxes 20 mm apart, a side facet missing from each.
        $facets = [...self::box(0, 0, 40, 20, 10), ...self::box(60, 0, 40, 20, 10)];
        unset($facets[0], $facets[17]);
        $part = self::read(self::binary(array_values($facets)));
        self::assertCount(2, $part->patch->islands);
        self::assertEqualsWithDelta(1600, $part->patch->areaMm2, 1);
        self::assertStringContainsString('shape.gaps', implode(' ', Said::all($part->remarks)));
        // Pieces of one outline join nearest first: two opposite sides of one box missing.
        $sides = self::box(0, 0, 40, 20, 10);
        unset($sides[0], $sides[1], $sides[8], $sides[9]);
        $one = self::read(self::binary(array_values($sides)));
        self::assertCount(1, $one->patch->islands);
        self::assertEqualsWithDelta(800, $one->patch->areaMm2, 1);
    }

    public function testBodiesThatRunIntoEachOtherCountOnce(): void
    {
        // 40 × 20 and 40 × 20 mm, the second 10 mm further on: 50 × 20. One inside the other: the outer.
        $two = self::read(self::binary([...self::box(0, 0, 40, 20, 10), ...self::box(10, 0, 40, 20, 10)]));
        self::assertEqualsWithDelta(1000, $two->patch->areaMm2, 2);
        self::assertStringContainsString('shape.overlap', implode(' ', Said::all($two->remarks)));
        $inner = self::read(self::binary([...self::box(0, 0, 40, 20, 10), ...self::box(10, 5, 10, 10, 10)]));
        self::assertEqualsWithDelta(800, $inner->patch->areaMm2, 2);
        // A ring with a pin in its hole is no overlap.
        $pin = self::read(self::binary([
            ...self::prism(self::regular(64, 20), 0, 10),
            ...self::prism(self::regular(64, 15), 0, 10, true),
            ...self::prism(self::regular(64, 5), 0, 10),
        ]));
        self::assertEqualsWithDelta(32 * (400 - 225 + 25) * sin(2 * \M_PI / 64), $pin->patch->areaMm2, 0.1);
        self::assertSame([], Said::all($pin->remarks));
    }
}
