<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Shape;

use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Sitzplatz\Choose\Request\PartFacts;
use Sitzplatz\Shape\ContactPatch;
use Sitzplatz\Shape\FirstLayer;
use Sitzplatz\Shape\Outline;
use Sitzplatz\Shape\PartShape;
use Sitzplatz\Shape\Point;
use Sitzplatz\Shape\ShapeFormat;

/** What a brim covers, against points thrown over the plate: those outside of the part and no farther from it than the brim is wide. */
final class BrimTest extends TestCase
{
    private Randomizer $random;

    protected function setUp(): void
    {
        $this->random = new Randomizer(new Xoshiro256StarStar(36));
    }

    public function testOfTwoHundredDrawnPartsItIsWithinFiveInAHundred(): void
    {
        $drawn = 0;
        for ($i = 0; $i < 200; ++$i) {
            $islands = match ($i % 4) {
                0 => [$this->comb()],
                1 => [$this->star()],
                2 => $this->letters(),
                default => $this->blocks(),
            };
            $width = $this->between(1.0, 8.0);
            $true = $this->byPoints($islands, $width);
            $patch = new ContactPatch($islands);
            self::assertEqualsWithDelta($true, $patch->brimAreaMm2($width), 0.05 * $true, "part $i, brim $width");
            // By the widths that are kept of a part it is no worse.
            $part = PartFacts::ofShape(new PartShape(ShapeFormat::Gcode, null, 1, 1, 10, 1, $patch, new FirstLayer(
                0.2,
                0.45,
                20,
                null,
                null,
                null,
                false,
                false,
                0,
                false,
            ), []));
            self::assertEqualsWithDelta($true, $part->brimMm2($width) * \count($islands), 0.07 * $true, "part $i, brim $width, by what is kept");
            ++$drawn;
        }
        self::assertSame(200, $drawn);
    }

    /**
     * A point thrown into each square of a fine grid.
     *
     * @param list<Outline> $islands
     */
    private function byPoints(array $islands, float $widthMm): float
    {
        [$minX, $minY, $maxX, $maxY] = [\INF, \INF, -\INF, -\INF];
        foreach ($islands as $island) {
            foreach ($island->points as $p) {
                [$minX, $minY, $maxX, $maxY] = [min($minX, $p->xMm), min($minY, $p->yMm), max($maxX, $p->xMm), max($maxY, $p->yMm)];
            }
        }
        [$minX, $minY, $maxX, $maxY] = [$minX - $widthMm, $minY - $widthMm, $maxX + $widthMm, $maxY + $widthMm];
        $side = sqrt(($maxX - $minX) * ($maxY - $minY) / 4000);
        $hits = 0;
        for ($column = $minX; $column < $maxX; $column += $side) {
            for ($row = $minY; $row < $maxY; $row += $side) {
                $x = $column + $this->between(0, $side);
                $y = $row + $this->between(0, $side);
                $hits += $this->lies($islands, $x, $y, $widthMm) ? 1 : 0;
            }
        }

        return $hits * $side ** 2;
    }

    /** @param list<Outline> $islands */
    private function lies(array $islands, float $x, float $y, float $widthMm): bool
    {
        $near = false;
        foreach ($islands as $island) {
            if ($island->contains(new Point($x, $y))) {
                return false;
            }
            $near = $near || self::isNear($island, $x, $y, $widthMm);
        }

        return $near;
    }

    private static function isNear(Outline $island, float $x, float $y, float $widthMm): bool
    {
        $n = \count($island->points);
        for ($i = 0; $i < $n; ++$i) {
            $a = $island->points[$i];
            $b = $island->points[($i + 1) % $n];
            [$dx, $dy] = [$b->xMm - $a->xMm, $b->yMm - $a->yMm];
            if (min($a->xMm, $b->xMm) - $widthMm > $x || max($a->xMm, $b->xMm) + $widthMm < $x) {
                continue;
            }
            $t = max(0.0, min(1.0, (($x - $a->xMm) * $dx + ($y - $a->yMm) * $dy) / max(1e-12, $dx ** 2 + $dy ** 2)));
            if (($x - $a->xMm - $t * $dx) ** 2 + ($y - $a->yMm - $t * $dy) ** 2 <= $widthMm ** 2) {
                return true;
            }
        }

        return false;
    }

    private function between(float $low, float $high): float
    {
        return $low + ($high - $low) * $this->random->getInt(0, 100000) / 100000;
    }

    /** @param list<array{float, float}> $points */
    private static function outline(array $points): Outline
    {
        return new Outline(array_map(static fn (array $p): Point => new Point($p[0], $p[1]), $points));
    }

    private function comb(): Outline
    {
        $tooth = $this->between(2, 5);
        $gap = $this->between(1, 6);
        $long = $this->between(10, 30);
        $teeth = $this->random->getInt(3, 8);
        $width = $teeth * $tooth + ($teeth - 1) * $gap;
        $points = [[0.0, 0.0], [$width, 0.0]];
        for ($i = $teeth - 1; $i >= 0; --$i) {
            $x = $i * ($tooth + $gap);
            array_push($points, [$x + $tooth, 5 + $long], [$x, 5 + $long]);
            if ($i > 0) {
                array_push($points, [$x, 5.0], [$x - $gap, 5.0]);
            }
        }

        return self::outline($points);
    }

    private function star(): Outline
    {
        $points = [];
        $rays = $this->random->getInt(4, 9);
        [$in, $out] = [$this->between(4, 10), $this->between(12, 30)];
        for ($i = 0; $i < 2 * $rays; ++$i) {
            $r = 0 === $i % 2 ? $out : $in;
            $points[] = [$r * cos(\M_PI * $i / $rays), $r * sin(\M_PI * $i / $rays)];
        }

        return self::outline($points);
    }

    /** @return list<Outline> strokes and angles side by side, as raised text stands */
    private function letters(): array
    {
        $islands = [];
        $x = 0.0;
        for ($i = $this->random->getInt(4, 9); $i > 0; --$i) {
            $high = $this->between(6, 12);
            $wide = $this->between(4, 8);
            $stroke = $this->between(1.0, 2.0);
            $islands[] = 0 === $i % 2
                ? self::outline([[$x, 0], [$x + $wide, 0], [$x + $wide, $stroke], [$x + $stroke, $stroke], [$x + $stroke, $high], [$x, $high]])
                : self::outline([[$x, 0], [$x + $stroke, 0], [$x + $stroke, $high], [$x, $high]]);
            $x += $wide + $this->between(0.8, 2.5);
        }

        return $islands;
    }

    /** @return list<Outline> */
    private function blocks(): array
    {
        $islands = [];
        $gap = $this->between(1, 12);
        $side = $this->between(5, 20);
        for ($i = 0; $i < 6; ++$i) {
            $x = ($i % 3) * ($side + $gap);
            $y = intdiv($i, 3) * ($side + $gap);
            $islands[] = self::outline([[$x, $y], [$x + $side, $y], [$x + $side, $y + $side], [$x, $y + $side]]);
        }

        return $islands;
    }
}
