<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Shape;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Shape\BadShape;
use Sitzplatz\Shape\ContactPatch;
use Sitzplatz\Shape\Outline;
use Sitzplatz\Shape\Point;
use Sitzplatz\Shape\ShapeFormat;
use Sitzplatz\Tests\Core\Words\Said;

final class MeshTest extends TestCase
{
    use BuildsMeshes;

    public function testAStarOfThousandsOfTeethIsRefusedAndOneOfHundredsIsRead(): void
    {
        // By hand: a star of n teeth between the radii r and R has n·r·R·sin(π/n).
        $patch = new ContactPatch([self::star(300)]);
        self::assertEqualsWithDelta(300 * 40 * 50 * sin(\M_PI / 300), $patch->areaMm2, 1e-6);
        self::assertNotSame([], $patch->sharpCorners());
        $this->expectException(BadShape::class);
        $this->expectExceptionMessage('shape.too_fine');
        // Teeth of one height: each split takes one of them off.
        $comb = array_map(static fn (int $i): Point => new Point($i, $i % 2), range(0, 9000));
        (new Outline([...$comb, new Point(9000, -10), new Point(0, -10)]))->simplified(0.1);
    }

    private static function star(int $teeth): Outline
    {
        $points = [];
        for ($i = 0; $i < 2 * $teeth; ++$i) {
            $radius = $i % 2 ? 50 : 40;
            $points[] = new Point($radius * cos(\M_PI * $i / $teeth), $radius * sin(\M_PI * $i / $teeth));
        }

        return new Outline($points);
    }

    public function testABoxHasTheMeasuresOfABox(): void
    {
        foreach ([self::binary(self::box(100, 50, 40, 20, 15)), self::ascii(self::box(100, 50, 40, 20, 15))] as $i => $bytes) {
            $part = self::read($bytes);
            self::assertSame([ShapeFormat::StlBinary, ShapeFormat::StlAscii][$i], $part->format);
            self::assertSame(16, $part->facets);
            self::assertEqualsWithDelta(800, $part->patch->areaMm2, 1e-3);
            self::assertEqualsWithDelta(120, $part->patch->outlineMm, 1e-3);
            self::assertEqualsWithDelta(40 * 20 * 15, $part->volumeMm3, 1e-2);
            self::assertEqualsWithDelta([40, 20, 15], [$part->widthMm, $part->depthMm, $part->heightMm], 1e-5);
            self::assertCount(1, $part->patch->islands);
            self::assertCount(4, $part->patch->sharpCorners());
            self::assertEqualsWithDelta(90, $part->patch->sharpCorners()[0]->interiorDegrees, 1e-6);
            self::assertEqualsWithDelta(hypot(40, 20), $part->patch->bar()->spanMm, 1e-6);
            self::assertEqualsWithDelta(20, $part->patch->bar()->widthMm, 1e-6);
            self::assertEqualsWithDelta(0.75, $part->slenderness(), 1e-6);
            self::assertSame([], $part->remarks);
        }
    }

    public function testACylinderHasTheAreaOfItsPolygon(): void
    {
        // Regular n-gon: area n/2·r²·sin(2π/n), outline 2·n·r·sin(π/n).
        $part = self::read(self::binary(self::prism(self::regular(96, 12), 0, 30)));
        self::assertEqualsWithDelta(96 / 2 * 144 * sin(2 * \M_PI / 96), $part->patch->areaMm2, 1e-3);
        self::assertEqualsWithDelta(2 * 96 * 12 * sin(\M_PI / 96), $part->patch->outlineMm, 1e-3);
        self::assertEqualsWithDelta(30 * 96 / 2 * 144 * sin(2 * \M_PI / 96), $part->volumeMm3, 0.1);
        self::assertSame([], $part->patch->sharpCorners());
        self::assertSame([], $part->patch->thinEnds());
    }

    public function testAnOutsideProgramFindsTheSameVolume(): void
    {
        // admesh 0.98.4 on this body, written as text: 800 facets, volume 23502.244141 mm³, closed.
        $wavy = array_map(static fn (int $i): array => [
            (20 + 3 * sin(5 * 2 * \M_PI * $i / 200)) * cos(2 * \M_PI * $i / 200), (20 + 3 * sin(5 * 2 * \M_PI * $i / 200)) * sin(2 * \M_PI * $i / 200),
        ], range(0, 199));
        $part = self::read(self::ascii(self::prism($wavy, 0, 18.5)));
        self::assertSame(800, $part->facets);
        self::assertEqualsWithDelta(23502.244141, $part->volumeMm3, 0.5);
        self::assertEqualsWithDelta(23502.244141 / 18.5, $part->patch->areaMm2, 0.05);
    }

    public function testIslandsAndHolesAreToldApart(): void
    {
        $two = self::read(self::binary([...self::box(0, 0, 30, 10, 5), ...self::box(0, 20, 30, 10, 5)]));
        self::assertCount(2, $two->patch->islands);
        self::assertEqualsWithDelta(600, $two->patch->areaMm2, 1e-3);
        $frame = self::read(self::binary([...self::box(0, 0, 30, 30, 5), ...self::box(10, 10, 10, 10, 5, inverted: true)]));
        self::assertCount(1, $frame->patch->islands);
        self::assertCount(1, $frame->patch->holes);
        self::assertEqualsWithDelta(800, $frame->patch->areaMm2, 1e-3);
        self::assertEqualsWithDelta(120 + 40, $frame->patch->outlineMm, 1e-3);
        self::assertEqualsWithDelta(800 * 5, $frame->volumeMm3, 1e-2);
        self::assertCount(4, $frame->patch->sharpCorners(), 'Corners of a hole do not lift.');
    }

    public function testAMeshInsideOutReadsTheSame(): void
    {
        $part = self::read(self::binary(self::box(0, 0, 40, 20, 15, inverted: true)));
        self::assertEqualsWithDelta(800, $part->patch->areaMm2, 1e-3);
        self::assertEqualsWithDelta(12000, $part->volumeMm3, 1e-2);
        self::assertCount(1, $part->patch->islands);
    }

    public function testOnlyWhatTouchesThePlateCounts(): void
    {
        // A table: four legs of 5 × 5, the top above them; facets of the top come first.
        $top = array_map(
            static fn (array $f): array => array_map(static fn (float $v, int $i): float => 2 === $i % 3 ? $v + 30 : $v, $f, array_keys($f)),
            self::box(0, 0, 60, 40, 4),
        );
        $part = self::read(self::binary([
            ...$top,
            ...self::box(0, 0, 5, 5, 30),
            ...self::box(55, 0, 5, 5, 30),
            ...self::box(0, 35, 5, 5, 30),
            ...self::box(55, 35, 5, 5, 30),
        ]));
        self::assertCount(4, $part->patch->islands);
        self::assertEqualsWithDelta(100, $part->patch->areaMm2, 1e-3);
        self::assertEqualsWithDelta(34, $part->heightMm, 1e-5);
        self::assertEqualsWithDelta([60, 40], [$part->widthMm, $part->depthMm], 1e-5);
    }

    public function testThinEndsAreFound(): void
    {
        // The warp bar of practice: 100 × 8 mm with one pointed end.
        $bar = self::read(self::binary(self::prism([[0, 0], [88, 0], [100, 4], [88, 8], [0, 8]], 0, 15)))->patch;
        $ends = $bar->thinEnds();
        self::assertCount(2, $ends);
        self::assertEqualsWithDelta(100, $bar->bar()->spanMm, 0.2);
        self::assertEqualsWithDelta(8, $bar->bar()->widthMm, 1e-3);
        $rounded = [
            ...array_map(static fn (int $i): array => [60 + 4 * cos(-\M_PI / 2 + \M_PI * $i / 16), 4 + 4 * sin(-\M_PI / 2 + \M_PI * $i / 16)], range(0, 16)),
            ...array_map(static fn (int $i): array => [4 * cos(\M_PI / 2 + \M_PI * $i / 16), 4 + 4 * sin(\M_PI / 2 + \M_PI * $i / 16)], range(0, 16)),
        ];
        $slot = self::read(self::binary(self::prism($rounded, 0, 3)))->patch;
        self::assertCount(2, $slot->thinEnds(), 'Round ends of a narrow bar.');
        self::assertSame([], $slot->sharpCorners());
        self::assertSame([], self::read(self::binary(self::box(0, 0, 40, 40, 5)))->patch->thinEnds(), 'A square has no thin end.');
    }

    public function testABrimFollowsSteiner(): void
    {
        // A + P·w + π·w² for a convex outline; on a square the corners of the brim are round.
        $square = self::read(self::binary(self::box(0, 0, 40, 20, 5)))->patch;
        self::assertEqualsWithDelta(120 * 4 + \M_PI * 16, $square->brimAreaMm2(4), 1);
        $circle = self::read(self::binary(self::prism(self::regular(180, 10), 0, 5)))->patch;
        self::assertEqualsWithDelta(\M_PI * (14 ** 2 - 10 ** 2), $circle->brimAreaMm2(4), 0.5);
        // A cross of 10 mm arms with eight outer corners: at each of the four inner corners the strips overlap by w².
        $cross = [[5, 5], [15, 5], [15, -5], [25, -5], [25, 5], [35, 5], [35, 15], [25, 15], [25, 25], [15, 25], [15, 15], [5, 15]];
        self::assertEqualsWithDelta(120 * 3 + 2 * \M_PI * 9 - 4 * 9, self::read(self::binary(self::prism($cross, 0, 5)))->patch->brimAreaMm2(3), 2);
    }

    /** @return iterable<string, array{string, string}> */
    public static function badFiles(): iterable
    {
        $box = self::box(0, 0, 10, 10, 10);
        yield 'nothing' => ['', 'shape.empty'];
        yield 'no facets, binary' => [self::binary([]), 'shape.no_facets'];
        yield 'no facets, text' => ["solid nothing\nendsolid nothing\n".str_repeat(' ', 100), 'shape.no_facets'];
        yield 'cut off, binary' => [substr(self::binary($box), 0, -120), 'shape.cut_off'];
        yield 'cut off, text' => [substr(self::ascii($box), 0, -80), 'shape.cut_off'];
        yield 'not a number, binary' => [self::binary([[\NAN, 0, 0, 1, 0, 0, 0, 1, 0], ...$box]), 'shape.not_a_number.'];
        yield 'infinite, binary' => [self::binary([[\INF, 0, 0, 1, 0, 0, 0, 1, 0], ...$box]), 'shape.not_a_number.'];
        yield 'not a number, text' => [str_replace('1.000000e+1', 'nan', self::ascii($box)), 'shape.not_a_number.'];
        yield 'miles long' => [self::binary(self::box(0, 0, 90000, 10, 10)), 'shape.too_large'];
        yield 'flat' => [self::binary([[0, 0, 0, 10, 0, 0, 0, 10, 0]]), 'shape.flat'];
        yield 'a picture' => ["\x89PNG\r\n\x1a\n".str_repeat("\0\x7f", 300), 'shape.unknown_format'];
        yield 'prose' => [str_repeat("The quick brown fox.\n", 20), 'shape.unknown_format'];
        yield 'a lone wall' => [self::binary([[0, 0, 0, 10, 0, 0, 10, 0, 10], [0, 0, 0, 10, 0, 10, 0, 0, 10]]), 'shape.not_closed'];
    }

    #[DataProvider('badFiles')]
    public function testABadFileGetsASentence(string $bytes, string $words): void
    {
        try {
            self::read($bytes);
            self::fail('This should have been refused.');
        } catch (BadShape $bad) {
            self::assertStringContainsString($words, $bad->getMessage());
        }
    }

    public function testABinaryFileThatSaysSolidIsReadAsBinary(): void
    {
        $part = self::read(self::binary(self::box(0, 0, 10, 10, 10), 'solid but not text'));
        self::assertSame(ShapeFormat::StlBinary, $part->format);
        self::assertEqualsWithDelta(100, $part->patch->areaMm2, 1e-3);
    }

    public function testAGapInTheMeshIsClosedAndSaid(): void
    {
        $facets = self::box(0, 0, 10, 10, 10);
        unset($facets[0], $facets[1]);
        $part = self::read(self::binary(array_values($facets)));
        self::assertEqualsWithDelta(100, $part->patch->areaMm2, 1e-3);
        self::assertStringContainsString('shape.gaps', implode(' ', Said::all($part->remarks)));
    }

    public function testInchesAreSuspected(): void
    {
        self::assertStringContainsString('shape.tiny length=1.5', implode(' ', Said::all(self::read(self::binary(self::box(0, 0, 1.5, 1, 1)))->remarks)));
    }
}
