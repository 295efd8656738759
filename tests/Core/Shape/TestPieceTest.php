<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Shape;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Shape\ContactPatch;
use Sitzplatz\Shape\Outline;
use Sitzplatz\Shape\Piece\BadPiece;
use Sitzplatz\Shape\Piece\BarPair;
use Sitzplatz\Shape\Piece\ExposureDiscs;
use Sitzplatz\Shape\Piece\FirstLayerPatch;
use Sitzplatz\Shape\Piece\PieceDesign;
use Sitzplatz\Shape\Piece\PieceFile;
use Sitzplatz\Shape\Piece\PieceInput;
use Sitzplatz\Shape\Piece\Prism;
use Sitzplatz\Shape\Piece\PullBlock;
use Sitzplatz\Shape\Piece\RaisedNumber;
use Sitzplatz\Shape\Piece\SectionModulus;
use Sitzplatz\Shape\Piece\SmallFeet;
use Sitzplatz\Shape\Piece\Solid;
use Sitzplatz\Shape\Piece\WarpBar;
use Sitzplatz\Shape\Point;
use Sitzplatz\Test\TestPiece;

/**
 * Test pieces are closed, hold what they should, and stand on what they should. Of the usual ones with the number 27 admesh
 * 0.98.4 (Debian) said: no disconnected, degenerate or reversed facets and no edges to fix, and the volumes that stand here.
 */
final class TestPieceTest extends TestCase
{
    /** @return iterable<string, array{PieceDesign, int, float}> with facets and volume as admesh counts them, mm³ */
    public static function pieces(): iterable
    {
        yield 'pull block' => [new PullBlock(), 352, 1465.792969];
        yield 'warp bar' => [new WarpBar(), 112, 11126.882812];
        yield 'bar pair' => [new BarPair(), 448, 12711.224609];
        yield 'first layer patch' => [new FirstLayerPatch(), 996, 144.890625];
        yield 'small feet' => [new SmallFeet(), 12684, 8378.548828];
        yield 'exposure discs' => [new ExposureDiscs(), 1768, 881.510132];
    }

    #[DataProvider('pieces')]
    public function testItIsClosedAndHasTheVolumeThatAnOutsideCheckFinds(PieceDesign $design, int $facets, float $volumeMm3): void
    {
        $solids = $design->solids(self::usual($design), 27);
        // admesh sums in single precision.
        self::assertEqualsWithDelta($volumeMm3, array_sum(array_map(static fn (Solid $solid): float => $solid->volumeMm3(), $solids)), 1e-5 * $volumeMm3);
        self::assertSame($facets, array_sum(array_map(static fn (Solid $solid): int => \count($solid->triangles), $solids)));
        foreach ($solids as $i => $solid) {
            self::assertClosed($solid, "{$design->key()} $i");
        }
        $stl = PieceFile::stl($solids, $design->key());
        self::assertSame(84 + 50 * $facets, \strlen($stl));
        self::assertSame("piece_{$design->key()}", rtrim(substr($stl, 0, 80)), 'What begins with "solid" is taken for the text form.');
        for ($i = 0; $i < $facets; ++$i) {
            /** @var array<int, float> $f */
            $f = unpack('g12', $stl, 84 + 50 * $i);
            [$u, $v] = [[$f[7] - $f[4], $f[8] - $f[5], $f[9] - $f[6]], [$f[10] - $f[4], $f[11] - $f[5], $f[12] - $f[6]]];
            // The normal has length one, and stands upright on both edges, to the outside by the right hand.
            self::assertEqualsWithDelta(1.0, $f[1] ** 2 + $f[2] ** 2 + $f[3] ** 2, 1e-5);
            foreach ([$u, $v] as $edge) {
                self::assertEqualsWithDelta(0.0, $f[1] * $edge[0] + $f[2] * $edge[1] + $f[3] * $edge[2], 1e-3);
            }
            self::assertGreaterThan(0.0, $f[1] * ($u[1] * $v[2] - $u[2] * $v[1]) + $f[2] * ($u[2] * $v[0] - $u[0] * $v[2]) + $f[3] * ($u[0] * $v[1] - $u[1] * $v[0]));
        }
    }

    /** By hand: 20 × 6 mm and 13.5 mm high, less an eye of 60 sides, ½·60·3²·sin 6° in area. */
    public function testThePullBlockIsABlockLessItsEye(): void
    {
        $block = (new PullBlock())->solids(self::usual(new PullBlock()), null);
        self::assertCount(1, $block);
        self::assertEqualsWithDelta(6 * (20 * 13.5 - 30 * 9 * sin(deg2rad(6))), $block[0]->volumeMm3(), 1e-9);
        self::assertEqualsWithDelta(6 * 20 * 13.5, (new TestPiece('', 20, 6, 8))->mostMm3(), 1e-9, 'What the plan says it takes at most: the same without its eye.');
        $z = [];
        foreach ($block[0]->triangles as $triangle) {
            array_push($z, ...array_column($triangle, 2));
        }
        sort($z);
        self::assertSame([0.0, 13.5], [$z[0] ?? null, end($z)]);
    }

    /** References: b·L²/6; for a 6 × 20 mm base the two directions differ 3.3 times. A round one by hand: π·d³/32. */
    public function testTheSectionModulusIsThatOfTheTextbook(): void
    {
        $patch = static fn (array ...$rings): ContactPatch => new ContactPatch(array_map(
            static fn (array $ring): Outline => new Outline(array_values(array_map(static fn (array $p): Point => new Point($p[0], $p[1]), $ring))),
            array_values($rings),
        ));
        $block = SectionModulus::of($patch(Prism::rectangle(37, -12, 20, 6)));
        self::assertEqualsWithDelta([400, 120], [$block->alongXMm3, $block->alongYMm3], 1e-9);
        // A triangle, b·h²/24 to its tip in both directions, far from the origin.
        $triangle = SectionModulus::of($patch([[130.0, -40.0], [142.0, -40.0], [130.0, -22.0]]));
        self::assertEqualsWithDelta([18 * 12 ** 2 / 24, 12 * 18 ** 2 / 24], [$triangle->alongXMm3, $triangle->alongYMm3], 1e-6);
        $disc = SectionModulus::of($patch(Prism::circle(5, 5, 5)));
        self::assertEqualsWithDelta(\M_PI * 1000 / 32, $disc->alongXMm3, 0.01 * \M_PI * 1000 / 32);
        // A frame: (b·h³ − b'·h'³) / 6h.
        $frame = SectionModulus::of($patch(Prism::rectangle(0, 0, 20, 10), array_reverse(Prism::rectangle(5, 2, 10, 6))));
        self::assertEqualsWithDelta((10 * 20 ** 3 - 6 * 10 ** 3) / (6 * 20), $frame->alongXMm3, 1e-9);
        self::assertSame(0.0, SectionModulus::of(new ContactPatch([]))->alongXMm3);
    }

    public function testWhatCannotBeMadeSaysWhatCan(): void
    {
        foreach ([[new PullBlock(), ['eye' => 12.0]], [new WarpBar(), ['point' => 95.0]], [new BarPair(), ['length' => 20.0, 'width' => 15.0]],
            [new FirstLayerPatch(), ['ring' => 9.0]], [new SmallFeet(), ['pitch' => 6.0]], [new ExposureDiscs(), ['pitch' => 10.0]]] as [$design, $bad]) {
            try {
                $design->solids($bad + self::usual($design), null);
                self::fail($design->key());
            } catch (BadPiece $e) {
                self::assertArrayHasKey($e->field, self::usual($design));
            }
        }
    }

    /** What each form begins with: a block for a hand scale, a bar that lifts visibly, a patch of one layer, small feet over a plate (trade notes, sections 7, 8 and 12). */
    public function testEachPieceBeginsAsIsUsual(): void
    {
        self::assertEquals(['along' => 20, 'across' => 6, 'pull_height' => 8, 'eye' => 6], self::usual(new PullBlock()));
        self::assertEquals(['length' => 100, 'width' => 8, 'height' => 15, 'point' => 15], self::usual(new WarpBar()));
        self::assertEquals(['length' => 80, 'width' => 10, 'height' => 8, 'apart' => 15], self::usual(new BarPair()));
        self::assertEquals(['across' => 40, 'ring' => 3, 'layer' => 0.2], self::usual(new FirstLayerPatch()));
        self::assertEquals(['foot' => 6, 'height' => 8, 'columns' => 6, 'rows' => 6, 'pitch' => 30], self::usual(new SmallFeet()));
        self::assertEquals(['disc' => 10, 'height' => 2, 'discs' => 5, 'pitch' => 15], self::usual(new ExposureDiscs()));
        // No layer is thinner than a nozzle lays, or thicker than one does.
        $layer = array_values(array_filter((new FirstLayerPatch())->inputs(), static fn (PieceInput $input): bool => 'layer' === $input->key))[0];
        self::assertEqualsWithDelta([0.05, 1.0], [$layer->least, $layer->most], 1e-12);
    }

    /** Discs that stand apart by a tenth of their width or more are told from each other, and no nearer ones are made. */
    public function testDiscsStandApart(): void
    {
        $discs = static fn (float $pitch): int => \count((new ExposureDiscs())->solids(['pitch' => $pitch, 'disc' => 10.0] + self::usual(new ExposureDiscs()), null));
        self::assertSame(5, $discs(11.0));
        self::assertSame(5, $discs(13.0));
        $this->expectException(BadPiece::class);
        $discs(10.9);
    }

    /** The strokes of every digit lie within its height and width, on the top, and no two digits are the same. */
    public function testANumberIsDrawnWithinItsPlace(): void
    {
        $seen = [];
        foreach ([...range(0, 9), 27, 108] as $number) {
            $solids = RaisedNumber::on($number, 50.0, 20.0, 3.0, 40.0, 10.0);
            $points = [];
            foreach ($solids as $solid) {
                foreach ($solid->triangles as $triangle) {
                    array_push($points, ...$triangle);
                }
            }
            [$x, $y, $z] = [array_column($points, 0), array_column($points, 1), array_column($points, 2)];
            \assert([] !== $x && [] !== $y && [] !== $z);
            // Eight of ten millimetres; a digit is 0.55 of its height wide, and 0.2 of it lies between two.
            $digits = \strlen((string) $number);
            $half = 8 * ($digits * 0.55 + ($digits - 1) * 0.2) / 2;
            self::assertEqualsWithDelta([16.0, 24.0], [min($y), max($y)], 1e-9, (string) $number);
            self::assertGreaterThanOrEqual(50 - $half - 1e-9, min($x));
            self::assertLessThanOrEqual(50 + $half + 1e-9, max($x));
            self::assertEqualsWithDelta([2.8, 3.6], [min($z), max($z)], 1e-9);
            $seen[] = json_encode($points);
        }
        self::assertSame($seen, array_unique($seen));
        self::assertSame([], RaisedNumber::on(8, 0.0, 0.0, 0.0, 3.0, 3.0), 'Too small to be read.');
    }

    /** A facet without an area has no direction. */
    public function testAFacetWithoutAnAreaHasNoNormal(): void
    {
        $stl = PieceFile::stl([new Solid([[[0.0, 0.0, 0.0], [1.0, 0.0, 0.0], [2.0, 0.0, 0.0]], [[0.0, 0.0, 0.0], [1.0, 0.0, 0.0], [0.0, 1.0, 0.0]]])], 'x');
        $normal = static fn (int $facet): array => array_values(unpack('g3', substr($stl, 84 + 50 * $facet, 12)) ?: []);
        self::assertSame([[0.0, 0.0, 0.0], [0.0, 0.0, 1.0]], [$normal(0), $normal(1)]);
    }

    /** Every edge is walked once in each direction: no hole, no facet turned inside out. */
    private static function assertClosed(Solid $solid, string $name): void
    {
        $edges = [];
        foreach ($solid->triangles as $triangle) {
            $keys = array_map(static fn (array $p): string => vsprintf('%.9f/%.9f/%.9f', $p), $triangle);
            foreach ([[0, 1], [1, 2], [2, 0]] as [$a, $b]) {
                self::assertNotSame($keys[$a], $keys[$b], "$name has a facet without a side.");
                $edges["$keys[$a] $keys[$b]"] = ($edges["$keys[$a] $keys[$b]"] ?? 0) + 1;
            }
        }
        foreach ($edges as $edge => $times) {
            [$a, $b] = explode(' ', $edge);
            self::assertSame([1, 1], [$times, $edges["$b $a"] ?? 0], $name);
        }
        self::assertGreaterThan(0.0, $solid->volumeMm3(), "$name is inside out.");
    }

    /** @return array<string, float> */
    private static function usual(PieceDesign $design): array
    {
        return array_column(array_map(static fn ($input): array => [$input->key, $input->usual], $design->inputs()), 1, 0);
    }
}
