<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Shape;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Shape\BadShape;
use Sitzplatz\Shape\FirstLayer;
use Sitzplatz\Shape\PartShape;
use Sitzplatz\Tests\Core\Words\Said;

/** G-code written here line by line, so that every measure is known. */
final class GcodeTest extends TestCase
{
    use BuildsMeshes;

    private const WIDTH = 0.45;

    private string $code = '';
    private float $e = 0.0;
    private bool $relative = true;

    public function testAPlainBlock(): void
    {
        $part = $this->block();
        // 40 × 20 mm laid down with lines that cover it: area by V ÷ h, within what rounding the number of lines costs.
        self::assertEqualsWithDelta(800, $part->patch->areaMm2, 12);
        self::assertEqualsWithDelta(120, $part->patch->outlineMm, 0.01);
        self::assertEqualsWithDelta([40, 20, 4], [$part->widthMm, $part->depthMm, $part->heightMm], 0.01);
        self::assertCount(1, $part->patch->islands);
        self::assertCount(4, $part->patch->sharpCorners());
        $layer = self::layer($part);
        self::assertEqualsWithDelta(0.2, $layer->heightMm, 1e-9);
        self::assertEqualsWithDelta(self::WIDTH, $layer->lineWidthMm, 1e-3);
        self::assertEqualsWithDelta(25, $layer->speedMmS, 1e-6);
        self::assertEqualsWithDelta([215, 65, 60], [$layer->nozzleC, $layer->bedC, $layer->bedLaterC], 1e-9);
        self::assertTrue($layer->skirt);
        self::assertFalse($layer->brim);
        self::assertFalse($layer->raft);
    }

    public function testAbsoluteAndRelativeFilamentGiveTheSame(): void
    {
        $relative = $this->block(brimLines: 8);
        $this->relative = false;
        $absolute = $this->block(brimLines: 8);
        self::assertEqualsWithDelta($relative->patch->areaMm2, $absolute->patch->areaMm2, 0.5);
        self::assertEqualsWithDelta($relative->volumeMm3, $absolute->volumeMm3, 1);
    }

    public function testABrimIsToldFromThePart(): void
    {
        $part = $this->block(brimLines: 10);
        $layer = self::layer($part);
        self::assertTrue($layer->brim);
        self::assertFalse($layer->raft);
        // Ten square loops of 0.45 mm around 40 × 20: 49 × 29 − 800.
        self::assertEqualsWithDelta(49 * 29 - 800, $layer->brimAreaMm2, 0.02 * 621);
        self::assertEqualsWithDelta(800, $part->patch->areaMm2, 16);
        self::assertEqualsWithDelta(120, $part->patch->outlineMm, 0.1, 'The outline is that of the part.');
    }

    public function testSmallAndWideAndMergedBrimsComeOutWithinTwoInAHundred(): void
    {
        foreach ([2, 4, 20] as $lines) {
            $off = 2 * $lines * self::WIDTH;
            $brim = (40 + $off) * (20 + $off) - 800;
            self::assertEqualsWithDelta($brim, self::layer($this->block(brimLines: $lines, skirt: false))->brimAreaMm2, 0.02 * $brim, "$lines lines");
        }
        // Two blocks 8 mm apart, brims of 9 mm that run into each other: one rectangle around both.
        $two = self::layer($this->block(brimLines: 20, copies: 2, skirt: false));
        $brim = (88 + 18) * (20 + 18) - 2 * 800;
        self::assertEqualsWithDelta($brim, $two->brimAreaMm2, 0.02 * $brim);
    }

    public function testARaftIsToldFromABrim(): void
    {
        $part = $this->block(raft: true);
        self::assertTrue(self::layer($part)->raft);
        self::assertFalse(self::layer($part)->brim);
        self::assertEqualsWithDelta(800, $part->patch->areaMm2, 1, 'The contact is that of the part, not of the raft.');
        self::assertEqualsWithDelta(120, $part->patch->outlineMm, 0.5);
    }

    public function testAPlateOfParts(): void
    {
        $part = $this->block(copies: 6, skirt: false);
        self::assertCount(6, $part->patch->islands);
        self::assertFalse(self::layer($part)->skirt);
        self::assertEqualsWithDelta(4800, $part->patch->areaMm2, 60);
    }

    public function testArcsInchesAndLineNumbers(): void
    {
        // A ring of radius 10 mm in two half circles, one turn each way, twice one over the other.
        $e = \M_PI * 10 * self::WIDTH * 0.2 / (\M_PI / 4 * 1.75 ** 2);
        $half = \sprintf('%.6f', $e);
        $ring = "G1 X60 Y50 F6000\nG3 X40 Y50 I-10 J0 E$half F1500\nG3 X60 Y50 I10 J0 E$half\n";
        $part = self::read("G21\nG90\nM83\nM190 S60\nG1 Z0.2\n{$ring}G1 Z0.4\n$ring");
        self::assertEqualsWithDelta(2 * \M_PI * 10 * self::WIDTH, $part->patch->areaMm2, 0.1);
        self::assertEqualsWithDelta(2 * (10 + self::WIDTH / 2), $part->widthMm, 0.05);
        self::assertEqualsWithDelta(2 * \M_PI * 20, $part->patch->outlineMm, 0.2, 'Outside and inside of the ring.');
        self::assertSame([], $part->patch->sharpCorners());
        $numbered = self::read(preg_replace('/^/m', 'N12 ', "G21\nG90\nM83\nM190 S60\nG1 Z0.2\n{$ring}G1 Z0.4\n$ring") ?? '');
        self::assertEqualsWithDelta($part->patch->areaMm2, $numbered->patch->areaMm2, 1e-9);
        $inEach = \sprintf('%.8f', $e / 25.4);
        $inches = \sprintf("g20\ng90\nm83\ng1 z%.6f\n", 0.2 / 25.4).\sprintf(
            "g1 x%.7f y%.7f\ng3 x%.7f y%.7f i%.7f j0 e$inEach\ng3 x%.7f y%.7f i%.7f j0 e$inEach\n",
            60 / 25.4,
            50 / 25.4,
            40 / 25.4,
            50 / 25.4,
            -10 / 25.4,
            60 / 25.4,
            50 / 25.4,
            10 / 25.4,
        );
        self::assertEqualsWithDelta(2 * \M_PI * 10 * self::WIDTH, self::read($inches)->patch->areaMm2, 0.1);
        self::assertEqualsWithDelta([20.45, 20.45], [self::read($inches)->widthMm, self::read($inches)->depthMm], 0.05);
        // A full turn comes back to where it began: chords of half a millimetre enclose a ten-thousandth less.
        $turn = \sprintf('G2 X60 Y50 I-10 J0 E%.6f F1500', 2 * $e);
        $full = self::read("G21\nG90\nM83\nG1 Z0.2\nG1 X60 Y50 F6000\n$turn\nG1 Z0.4\nG1 X60 Y50 F6000\n$turn\n");
        self::assertEqualsWithDelta(2 * \M_PI * 20, $full->patch->outlineMm, 0.03);
        self::assertGreaterThan(100, \count($full->patch->islands[0]->points ?? []));
    }

    public function testARetractionIsNoPlastic(): void
    {
        $one = self::read("G90\nM83\nG1 Z0.2\nG1 X10 Y0\nG1 X20 Y0 E0.4\nG1 Z0.4\nG1 X10 Y0\nG1 X20 Y0 E0.4\n");
        $two = self::read("G90\nM83\nG1 Z0.2\nG1 X10 Y0\nG1 X20 Y0 E0.4\nG1 E-2\nG1 Z0.4\nG1 X10 Y0\nG1 E2\nG1 X20 Y0 E0.4\n");
        self::assertEqualsWithDelta($one->volumeMm3, $two->volumeMm3, 1e-9);
        self::assertEqualsWithDelta(0.8 * \M_PI / 4 * 1.75 ** 2, $one->volumeMm3, 1e-9);
        // Absolute: drawn back to −1.6 and pushed to 0.4 again before it goes on.
        $absolute = self::read("G90\nM82\nG92 E0\nG1 Z0.2\nG1 X10 Y0\nG1 X20 Y0 E0.4\nG1 E-1.6\nG1 Z0.4\nG1 X10 Y0\nG1 E0.4\nG1 X20 Y0 E0.8\n");
        self::assertEqualsWithDelta($one->volumeMm3, $absolute->volumeMm3, 1e-9);
        // A move along one axis alone lays down too.
        $along = self::read("G90\nM83\nG1 Z0.2\nG1 X10 Y5\nG1 X20 E0.4\nG1 Y15 E0.4\nG1 Z0.4\nG1 X10 Y5\nG1 X20 E0.4\nG1 Y15 E0.4\n");
        self::assertEqualsWithDelta(1.6 * \M_PI / 4 * 1.75 ** 2, $along->volumeMm3, 1e-9);
        self::assertEqualsWithDelta($along->widthMm, $along->depthMm, 1e-9);
        self::assertEqualsWithDelta(0.8 * \M_PI / 4 * 1.75 ** 2 / 0.2, $along->patch->areaMm2, 1e-6);
    }

    public function testOddFilesGetASentence(): void
    {
        $beyond = str_repeat('9', 400);
        foreach ([
            "G28\nG1 X10 Y10\n" => 'shape.no_extrusion',
            "G1 Z0.2\nG1 X$beyond Y2 E1\nG1 X3 Y4 E2\n" => 'shape.not_a_number.move',
            "M83\nG1 Z0.2\nG1 X10 Y0 E$beyond\nG1 X20 Y0 E$beyond\n" => 'shape.not_a_number.move',
            "M83\nG1 Z0.2\nG2 X10 Y0 I$beyond E1\n" => 'shape.not_a_number.move',
            "M83\nG1 Z0.2 F$beyond\nG1 X10 Y0 E1\n" => 'shape.not_a_number.move',
            "G1 X\n".str_repeat('9', 600000) => 'shape.unknown_format',
        ] as $code => $words) {
            try {
                self::read($code);
                self::fail('This should have been refused.');
            } catch (BadShape $bad) {
                self::assertStringContainsString($words, $bad->getMessage());
            }
        }
        $bare = self::read("G\nM104 S$beyond\nM140 S-$beyond\nM83\nG1 Z0.2\nG1 X10 Y0\nG1 X20 Y0 E0.4\nG1 X20 Y9 E0.4\nG\nM\n");
        self::assertSame([null, null], [self::layer($bare)->nozzleC, self::layer($bare)->bedC], 'No hot end is as hot as that.');
        $one = self::read("M83\nG1 Z0.2\nG1 X10 Y0\nG1 X20 Y0 E0.4\nG1 X20 Y9 E0.4\n");
        self::assertStringContainsString('shape.one_layer', implode(' ', Said::all($one->remarks)));
        self::assertStringContainsString('shape.no_closed_line', implode(' ', Said::all($one->remarks)));
        $thick = self::read("M83\nG1 Z0.2\nG1 X10 Y0\nG1 X20 Y0 E4\nG1 X20 Y9 E4\n");
        self::assertStringContainsString('shape.line_width', implode(' ', Said::all($thick->remarks)));
    }

    public function testATravelToNowhereIsRefusedAsALineThereIs(): void
    {
        $this->expectException(BadShape::class);
        $this->expectExceptionMessage('shape.not_a_number.move');
        self::read("G90\nM83\nG1 Z0.2\nG1 X10 Y0\nG1 X20 Y0 E0.4\nG0 X20 Y".str_repeat('9', 400)."\nG1 X20 Y9 E0.4\n");
    }

    public function testLinesBeyondAllBedsAreNotFollowedToTheirEnd(): void
    {
        // Far out only the length counts: the squares end where the largest bed does.
        $far = self::zigzag(200, 45000);
        self::assertEqualsWithDelta(90000, self::read($far)->widthMm, 1);
        self::assertStringContainsString('shape.beyond reach=1000', implode(' ', Said::all(self::read($far)->remarks)), 'What is left out is said.');
        $this->expectException(BadShape::class);
        $this->expectExceptionMessage('shape.too_long');
        self::read(self::zigzag(3200, 499));
    }

    public function testATravelAlongOneAxisIsNoLine(): void
    {
        $code = "G90\nM83\nG1 Z0.2 F1200\nG1 X0 Y0\n";
        // Two rings of 20 mm, 20 mm apart; between them the head moves along X alone.
        $ring = static fn (int $x): string => \sprintf("G1 X%d E0.8\nG1 Y20 E0.8\nG1 X%d E0.8\nG1 Y0 E0.8\n", $x + 20, $x);
        $layer = "G1 X0\n".$ring(0)."G1 X40\n".$ring(40);
        $code .= $layer."G1 Z0.4\n".$layer;
        $part = self::read($code);
        self::assertCount(2, $part->patch->islands);
        // The same along Y.
        $turned = strtr($code, ['X' => 'Y', 'Y' => 'X']);
        self::assertCount(2, self::read($turned)->patch->islands);
    }

    public function testARetractionReturnedHighUpIsNoHeight(): void
    {
        $code = "G90\nM83\n";
        for ($layer = 1; $layer <= 30; ++$layer) {
            $code .= \sprintf("G1 Z%.1f\nG1 X0 Y0 F1200\nG1 X20 E0.8\nG1 Y20 E0.8\nG1 X0 E0.8\nG1 Y0 E0.8\n", 0.2 * $layer);
        }
        $code .= "G1 Z50\nG1 E2\nG1 Z50 E0.5\n";
        self::assertEqualsWithDelta(6.0, self::read($code)->heightMm, 1e-9);
    }

    private static function zigzag(int $moves, int $reach): string
    {
        $code = "G90\nM83\nG1 Z0.2 F3000\n";
        for ($i = 0; $i < $moves; ++$i) {
            $code .= \sprintf("G1 X%d Y%d E9\n", $i % 2 ? $reach : -$reach, $i % 900);
        }

        return $code;
    }

    public function testCoverageIsCountedByVolumeNotByBoundingBox(): void
    {
        // Half as many lines, half the area.
        self::assertEqualsWithDelta(430, $this->block(spread: 2)->patch->areaMm2, 30);
    }

    private static function layer(PartShape $part): FirstLayer
    {
        self::assertNotNull($part->firstLayer);

        return $part->firstLayer;
    }

    private function block(int $brimLines = 0, bool $raft = false, int $copies = 1, bool $skirt = true, int $spread = 1): PartShape
    {
        $this->code = "; made for a test\nG21\nG90\n".($this->relative ? "M83\n" : "M82\n")."M140 S65\nM104 S215\nG28\nM190 S65\nM109 S215\nG92 E0\nG1 Z0.3\n";
        $this->e = 0;
        $this->line(5, 5, 5, 105, 0.3, true);
        $heights = [...($raft ? [0.3, 0.3] : []), ...array_fill(0, 20, 0.2)];
        $z = 0.0;
        foreach ($heights as $i => $height) {
            // What stands on a raft stands off it by a gap, so that it comes off.
            $z += $height + ($raft && 2 === $i ? 0.15 : 0.0);
            $this->code .= \sprintf("G1 Z%.3f F600\n", $z);
            if (0 === $i && $skirt) {
                $this->square(40, 40, 60, 40, $height);
            }
            if (1 === $i) {
                $this->code .= "M140 S60\n";
            }
            for ($copy = 0; $copy < $copies; ++$copy) {
                $x = 50 + 48 * ($copy % 3);
                $y = 50 + 28 * intdiv($copy, 3);
                if ($raft && $i < 2) {
                    $this->square($x - 3, $y - 3, 46, 26, $height);
                    $this->fill($x - 3, $y - 3, 46, 26, $height, 1);
                    continue;
                }
                for ($n = $brimLines; 0 === $i && $n > 0; --$n) {
                    $off = ($n - 0.5) * self::WIDTH;
                    $this->square($x - $off, $y - $off, 40 + 2 * $off, 20 + 2 * $off, $height);
                }
                $half = self::WIDTH / 2;
                $this->square($x + $half, $y + $half, 40 - self::WIDTH, 20 - self::WIDTH, $height);
                $this->fill($x + self::WIDTH, $y + self::WIDTH, 40 - 2 * self::WIDTH, 20 - 2 * self::WIDTH, $height, $spread);
            }
        }
        $this->code .= "M104 S0\nM140 S0\nG91\nG1 Z20\nG90\n";

        return self::read($this->code);
    }

    private function square(float $x, float $y, float $length, float $width, float $height): void
    {
        $this->line($x, $y, $x + $length, $y, $height, true);
        $this->line($x + $length, $y, $x + $length, $y + $width, $height, false);
        $this->line($x + $length, $y + $width, $x, $y + $width, $height, false);
        $this->line($x, $y + $width, $x, $y, $height, false);
    }

    private function fill(float $x, float $y, float $length, float $width, float $height, int $spread): void
    {
        $lines = (int) ($width / self::WIDTH / $spread);
        for ($i = 0; $i < $lines; ++$i) {
            $at = $y + ($i + 0.5) * $width / $lines;
            $this->line(0 === $i % 2 ? $x : $x + $length, $at, 0 === $i % 2 ? $x + $length : $x, $at, $height, true);
        }
    }

    private function line(float $x1, float $y1, float $x2, float $y2, float $height, bool $travel): void
    {
        if ($travel) {
            $this->code .= \sprintf("G0 X%.4f Y%.4f F6000\n", $x1, $y1);
        }
        $push = hypot($x2 - $x1, $y2 - $y1) * self::WIDTH * $height / (\M_PI / 4 * 1.75 ** 2);
        $this->e = $this->relative ? $push : $this->e + $push;
        $this->code .= \sprintf("G1 X%.4f Y%.4f E%.6f F1500\n", $x2, $y2, $this->e);
    }
}
