<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Shape;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Shape\PartShape;
use Sitzplatz\Tests\Core\Words\Said;

/** What touches the plate, within 3 % of the rectangles that the files are cut from. */
final class FirstLayerTest extends TestCase
{
    use SlicesRectangles;

    private const PLATE = [50.0, 50.0, 110.0, 110.0];

    private static function isNear(float $mm2, PartShape $part, string $what = ''): void
    {
        self::assertEqualsWithDelta($mm2, $part->patch->areaMm2, 0.03 * $mm2, $what);
    }

    /** @return iterable<string, array{int}> */
    public static function floors(): iterable
    {
        foreach ([1, 2, 3, 5, 7] as $layers) {
            yield "$layers" => [$layers];
        }
    }

    #[DataProvider('floors')]
    public function testAnOpenTrayStandsOnItsWholeFloorHoweverThin(int $floor): void
    {
        $part = $this->tray($floor);
        self::isNear(3600, $part);
        self::assertFalse(self::first($part)->raft);
        self::assertFalse(self::first($part)->brim);
        self::assertEqualsWithDelta(240, $part->patch->outlineMm, 1);
        $brimmed = $this->tray($floor, 9);
        self::isNear(3600, $brimmed);
        self::assertTrue(self::first($brimmed)->brim);
        self::assertFalse(self::first($brimmed)->raft);
        $width = 9 * $this->spacing();
        self::assertEqualsWithDelta((60 + 2 * $width) ** 2 - 3600, self::first($brimmed)->brimAreaMm2, 0.03 * 1000);
    }

    public function testAPlateWithABlockOnItStandsOnThePlate(): void
    {
        foreach ([1, 2, 4] as $layers) {
            $this->begin();
            for ($i = 0; $i < 20; ++$i) {
                $this->up();
                $this->slab($i < $layers ? self::PLATE : [75, 60, 95, 80]);
            }
            $part = $this->done();
            self::isNear(3600, $part, "$layers");
            self::assertFalse(self::first($part)->raft);
            self::assertFalse(self::first($part)->brim, 'Filling runs across; a brim runs round.');
        }
    }

    public function testAPyramidStandsOnItsFoot(): void
    {
        foreach ([0.3, 1.0, 1.5] as $step) {
            $this->begin();
            for ($i = 0; $i < 18; ++$i) {
                $this->up();
                $this->slab(self::grown(self::PLATE, -$step * $i));
            }
            $part = $this->done();
            self::isNear(3600, $part, "$step");
            self::assertFalse(self::first($part)->raft);
            self::assertFalse(self::first($part)->brim);
        }
    }

    public function testOneWallThatWindsUpwardsStandsOnItsFloorAndItsBrimIsSeen(): void
    {
        foreach ([0, 9] as $brim) {
            $this->begin();
            $this->up();
            $this->brim(self::PLATE, $brim);
            $this->slab(self::PLATE);
            $this->up();
            $this->slab(self::PLATE);
            for ($i = 0; $i < 40; ++$i) {
                $this->loop(self::grown(self::PLATE, -self::LINE_MM / 2), $this->layerMm);
            }
            $part = $this->done();
            self::isNear(3600, $part);
            self::assertFalse(self::first($part)->raft);
            self::assertSame($brim > 0, self::first($part)->brim);
            self::assertEqualsWithDelta(8.4, $part->heightMm, 0.1);
        }
    }

    public function testPartsPrintedOneAfterTheOtherAllStandThere(): void
    {
        foreach ([10, 60] as $layers) {
            $this->begin();
            foreach ([50, 100, 150] as $x) {
                $this->z = 0.0;
                // Over the printed one, then down at the next place: where it is stands in lines that only height was read of.
                $this->write(\sprintf('G0 Z%.1f', $layers * 0.2 + 5));
                $this->write("G0 X$x");
                $this->write('G0 Y50');
                for ($i = 0; $i < $layers; ++$i) {
                    $this->up();
                    $this->slab([$x, 50, $x + 30, 80]);
                }
            }
            $part = $this->done();
            self::isNear(2700, $part, "$layers layers");
            self::assertCount(3, $part->patch->islands);
            self::assertEqualsWithDelta([130, 30, $layers * 0.2], [$part->widthMm, $part->depthMm, $part->heightMm], 0.3);
            self::assertEqualsWithDelta(2700 * $layers * 0.2, $part->volumeMm3, 0.05 * 2700 * $layers * 0.2);
        }
    }

    public function testFilamentOfAnotherThicknessIsReadFromAComment(): void
    {
        foreach (['; filament_diameter = 2.85', ';Filament Diameter: 2.85', '; filament diameter (mm) 2.85,2.85'] as $comment) {
            foreach ([true, false] as $atTheEnd) {
                $this->filamentMm = 2.85;
                $this->begin();
                $this->code .= $atTheEnd ? '' : "; nozzle_diameter = 0.4\n$comment\n";
                for ($i = 0; $i < 10; ++$i) {
                    $this->up();
                    $this->slab(self::PLATE, filled: $i < 3);
                }
                $this->code .= $atTheEnd ? "$comment\n; nozzle_diameter = 0.4\n" : '';
                $part = $this->done();
                self::isNear(3600, $part, $comment);
                self::assertEqualsWithDelta(self::LINE_MM - 0.043, self::first($part)->lineWidthMm, 0.01);
                self::assertSame([], $part->remarks);
            }
        }
        // Filament by volume: a millimetre is a cubic one.
        $this->filamentMm = sqrt(4 / \M_PI);
        $this->begin();
        $this->code .= "M200 D2.85\n";
        $this->up();
        $this->slab(self::PLATE);
        $this->up();
        $this->slab(self::PLATE);
        $volume = $this->done()->volumeMm3;
        self::assertEqualsWithDelta(2 * 0.2 * 3600, $volume, 0.05 * 1440);
    }

    public function testASecondToolMayCountItsFilamentByItselfOrWithTheFirst(): void
    {
        foreach ([true, false] as $byItself) {
            $this->absoluteE = true;
            $this->begin();
            $stands = [0.0, 0.0];
            for ($i = 0; $i < 6; ++$i) {
                $this->up();
                foreach ([[50, 50, 80, 110], [80, 50, 110, 110]] as $tool => $half) {
                    $this->write("T$tool");
                    $this->e = $byItself ? $stands[$tool] : $this->e;
                    $this->slab($half);
                    $stands[$tool] = $this->e;
                }
            }
            $part = $this->done();
            self::isNear(3600, $part, $byItself ? 'by itself' : 'together');
            self::assertEqualsWithDelta(1.2 * 3600, $part->volumeMm3, 0.05 * 1.2 * 3600);
            self::assertEqualsWithDelta([0.5, 0.5], self::first($part)->tools, 0.02);
            self::assertEqualsWithDelta(self::LINE_MM - 0.043, self::first($part)->lineWidthMm, 0.01);
        }
    }

    public function testHowMuchIsPushedCountsForThePlasticAndNotForWhereItLies(): void
    {
        $plain = $this->tray(3);
        $this->begin();
        $this->code .= "M221 S90\n";
        self::isNear(3600, $less = $this->tray(3, begun: true));
        self::assertEqualsWithDelta(0.9 * $plain->volumeMm3, $less->volumeMm3, 1);
        // Said in the figures themselves, it is the plate that is covered all the same.
        foreach ([0.85, 1.15] as $this->pushed) {
            self::isNear(3600, $this->tray(3), "pushed {$this->pushed}");
        }
    }

    public function testBrimsThatRunIntoEachOtherCoverEachPlaceOnce(): void
    {
        // Eight blocks around a free middle, 6 mm apart; brims of 4 mm close the ways between them, and the middle stays free.
        $this->begin();
        $this->up();
        $blocks = [];
        foreach ([0, 26, 52] as $x) {
            foreach ([0, 26, 52] as $y) {
                if (26 !== $x || 26 !== $y) {
                    $blocks[] = [50.0 + $x, 50.0 + $y, 70.0 + $x, 70.0 + $y];
                }
            }
        }
        $lines = 10;
        for ($i = $lines; $i > 0; --$i) {
            $off = ($i - 0.5) * $this->spacing();
            if ($off >= 3) {
                $this->loop(self::grown([50, 50, 122, 122], $off));
                $this->loop(self::grown([70, 70, 102, 102], -$off));
            } else {
                foreach ($blocks as $block) {
                    $this->loop(self::grown($block, $off));
                }
            }
        }
        foreach ($blocks as $block) {
            $this->slab($block);
        }
        for ($i = 0; $i < 9; ++$i) {
            $this->up();
            foreach ($blocks as $block) {
                $this->slab($block);
            }
        }
        $part = $this->done();
        self::isNear(3200, $part);
        self::assertTrue(self::first($part)->brim);
        $wide = $lines * $this->spacing();
        $brim = (72 + 2 * $wide) ** 2 - (32 - 2 * $wide) ** 2 - 3200;
        self::assertEqualsWithDelta($brim, self::first($part)->brimAreaMm2, 0.03 * $brim);
    }

    public function testALineThatIsPrimedLowerThanThePartIsNoFirstLayer(): void
    {
        $this->begin();
        // At 0.1 mm, slowly, beside the part; then the part from 0.2 mm on at 30 mm/s.
        $this->code .= "G0 X5 Y5 Z0.1 F6000\nG1 X5 Y105 E6 F300\n";
        for ($i = 0; $i < 10; ++$i) {
            $this->up();
            $this->slab(self::PLATE);
        }
        $part = $this->done();
        self::isNear(3600, $part);
        self::assertEqualsWithDelta([0.2, 30, self::LINE_MM - 0.043], [self::first($part)->heightMm, self::first($part)->speedMmS, self::first($part)->lineWidthMm], 0.01);
    }

    public function testWordsWithoutBlanksAndWithRemarksAreRead(): void
    {
        $this->tight = true;
        self::isNear(3600, $this->tray(2), 'G1X60Y80.0E1.2 is no 80 to the power of ten.');
        $this->tight = false;
        $this->begin();
        $this->code .= "(first X9999 Y9999)\nG1 (to Y5000) F1800\n";
        self::isNear(3600, $this->tray(2, begun: true));
    }

    public function testARaftIsToldByItsGap(): void
    {
        foreach ([2, 3, 4] as $raft) {
            $this->begin();
            for ($i = 0; $i < $raft; ++$i) {
                $this->up();
                $this->slab(self::grown(self::PLATE, 3));
            }
            for ($i = 0; $i < 15; ++$i) {
                $this->up(0 === $i ? 0.15 : 0.0);
                $this->slab(self::PLATE, hole: [70, 70, 90, 90]);
            }
            $part = $this->done();
            self::assertTrue(self::first($part)->raft, "$raft layers");
            self::isNear(3200, $part);
        }
        // Layers that grow higher leave no gap: each pushes as much more.
        $this->begin();
        $this->up();
        $this->slab(self::grown(self::PLATE, 3));
        $this->up();
        $this->slab(self::grown(self::PLATE, 3));
        $this->layerMm = 0.35;
        for ($i = 0; $i < 8; ++$i) {
            $this->up();
            $this->slab(self::PLATE);
        }
        $flange = $this->done();
        self::assertFalse(self::first($flange)->raft);
        self::isNear(4356, $flange);
    }

    public function testASkirtOfSeveralLayersIsOffThePartAndALabelOfOneLayerIsAPart(): void
    {
        $this->begin();
        for ($i = 0; $i < 20; ++$i) {
            $this->up();
            if ($i < 3) {
                $this->loop(self::grown(self::PLATE, 5));
                $this->loop(self::grown(self::PLATE, 5.4));
            }
            $this->slab(self::PLATE, filled: $i < 3);
        }
        $part = $this->done();
        self::isNear(3600, $part);
        self::assertTrue(self::first($part)->skirt);
        self::assertFalse(self::first($part)->brim);
        self::assertEqualsWithDelta([60, 60], [$part->widthMm, $part->depthMm], 0.3);
        $this->begin();
        $this->up();
        $this->slab([120, 50, 150, 70]);
        for ($i = 0; $i < 9; ++$i) {
            $this->slab(self::PLATE);
            $this->up();
        }
        $both = $this->done();
        self::isNear(4200, $both);
        self::assertFalse(self::first($both)->skirt);
    }

    public function testWhatIsOpenInTheMiddleStandsOnTheRest(): void
    {
        $this->begin();
        for ($i = 0; $i < 10; ++$i) {
            $this->up();
            $this->slab(self::PLATE, hole: [65, 65, 95, 95]);
        }
        $frame = $this->done();
        self::isNear(2700, $frame);
        self::assertCount(1, $frame->patch->holes);
        self::assertEqualsWithDelta(240 + 120, $frame->patch->outlineMm, 1);
        // One wall without a floor is a ring of its own width.
        $this->begin();
        for ($i = 0; $i < 10; ++$i) {
            $this->up();
            $this->loop(self::PLATE);
        }
        self::isNear(240 * $this->spacing(), $this->done());
    }

    public function testWhatMayBeABrimOrARimIsSaid(): void
    {
        // A plate of one layer filled round and round, a block on it: loops beside the part, as a brim is.
        $this->begin();
        $this->up();
        $this->slab([70, 70, 90, 90]);
        for ($off = $this->spacing() / 2; $off < 8; $off += $this->spacing()) {
            $this->loop(self::grown([70, 70, 90, 90], $off));
            $this->fill($off < 2 ? [78.5, 92, 81.5, 98] : [0, 0, 0, 0], null);
        }
        $this->fill([70, 92, 90, 98], null);
        $this->fill([70, 62, 90, 68], null);
        for ($i = 0; $i < 9; ++$i) {
            $this->up();
            $this->slab([70, 70, 90, 90]);
        }
        $part = $this->done();
        self::assertFalse(self::first($part)->brim);
        self::assertStringContainsString('shape.maybe_brim', implode(' ', Said::all($part->remarks)));
    }

    private function tray(int $floor, int $brim = 0, bool $begun = false): PartShape
    {
        if (!$begun) {
            $this->begin();
        }
        for ($i = 0; $i < 25; ++$i) {
            $this->up();
            if (0 === $i) {
                $this->brim(self::PLATE, $brim);
            }
            $this->slab(self::PLATE, filled: $i < $floor);
        }

        return $this->done();
    }
}
